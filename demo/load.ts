import { createHash } from 'node:crypto';
import { proofBy, provenOf, type BenchEvent } from '../src/core/bench';
import { answerOf, answersOf, judge, type Answer, type Check, type Reading } from '../src/core/proving';
import type { Database } from '../src/server/db';
import { createJob } from '../src/server/jobs/service';
import { putPrice, putSold } from '../src/server/prices/service';
import { recordShelf } from '../src/server/shelf/service';
import { NO_INPUTS } from '../src/core/sweep';
import { recordLooks } from '../src/server/stage/records';
import { beginSweep, keepInputs, keepVenue } from '../src/server/stage/service';
import { settleMaking } from '../src/server/making/service';
import { createLead } from '../src/server/leads/service';
import { appendRecords } from '../src/server/units/records';
import { startUnit } from '../src/server/units/service';
import { HALL, INPUTS, SWEEPS } from './stage';
import { PRICES, SHELF, SOLD, WORLD, type DemoUnit } from './world';

/** The same id for the same name, so that links into the demo stay good when it is loaded again. */
function idFor(name: string): string {
  const hex = createHash('sha256').update(`wrenfield ${name}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** Seconds that the demo's builders take for each kind of step (invented). */
const PACE: Readonly<Record<string, number>> = {
  cut: 70,
  braid: 600,
  open: 180,
  unsolder: 120,
  drill: 420,
  feed: 60,
  twist: 45,
  mount: 180,
  thread: 35,
  strip: 60,
  screen: 240,
  sleeve: 40,
  trim: 55,
  'tin cores': 60,
  'tin contacts': 45,
  solder: 50,
  link: 40,
  inspect: 45,
  measure: 60,
  cool: 50,
  clamp: 60,
  label: 90,
  prove: 150,
};

/** Loads the demo company through the same services as the app, so that it cannot hold what the app would refuse. */
export async function loadWorld(db: Database): Promise<void> {
  let clock = Date.parse('2026-03-02T09:00:00Z');
  for (const [item, amount] of Object.entries(PRICES)) await putPrice(db, { item, amount });
  for (const [item, much] of Object.entries(SOLD)) await putSold(db, { item, much });
  await recordShelf(
    db,
    SHELF.map((each, n) => ({
      ...each,
      id: idFor(`shelf event ${n}`),
      piece: idFor(`shelf ${n}`),
      kind: 'taken-in',
      at: new Date(clock).toISOString(),
    })),
  );
  for (const job of WORLD) {
    await createJob(db, { id: idFor(job.name), name: job.name, note: job.note }, { demo: true });
    for (const lead of job.leads) {
      const intent = {
        version: 3,
        schools: {},
        ...lead.intent,
        from: [lead.intent.from].flat(),
        to: [lead.intent.to].flat(),
      };
      const sheet = await createLead(db, {
        id: idFor(lead.name),
        jobId: idFor(job.name),
        name: lead.name,
        intent,
      });
      if (lead.asked)
        await settleMaking(db, idFor(job.name), { lead: sheet.id, pairs: false, ...lead.asked });
      for (const [n, unit] of lead.units.entries())
        clock = await build(db, sheet.id, `${lead.name} ${n}`, unit, clock);
    }
  }
  const [first] = WORLD;
  if (first) await loadStage(db, idFor(first.name));
}

/** The hall that is played next, what is brought onto its lines, and what was found on them. */
async function loadStage(db: Database, jobId: string): Promise<void> {
  const venueId = idFor(HALL.name);
  await keepVenue(db, { id: venueId, base: 0, ...HALL });
  await keepInputs(db, jobId, { base: 0, list: { ...NO_INPUTS, inputs: INPUTS } });
  for (const [n, { at, by, looks }] of SWEEPS.entries()) {
    const id = idFor(`sweep ${n}`);
    await beginSweep(db, { id, jobId, venueId, by: by[0] ?? '', at });
    let clock = Date.parse(at);
    const { refused } = await recordLooks(
      db,
      id,
      looks.flatMap(({ way, lamps, note }, m) => {
        const look = {
          at: new Date((clock += 14_000)).toISOString(),
          by: by[m % by.length] ?? '',
          way,
          volts: undefined,
        };
        return [
          { ...look, id: idFor(`look ${n} ${way}`), kind: 'lamps' as const, lamps },
          ...(note === undefined
            ? []
            : [{ ...look, id: idFor(`note ${n} ${way}`), kind: 'note' as const, text: note }]),
        ];
      }),
    );
    if (refused[0]) throw new Error(`demo: sweep: ${refused[0].problem.says}`);
  }
}

async function build(
  db: Database,
  leadId: string,
  name: string,
  demo: DemoUnit,
  start: number,
): Promise<number> {
  const unit = await startUnit(
    db,
    leadId,
    { id: idFor(`unit ${name}`), builder: demo.builder },
    { fromShelf: false },
  );
  const { assembly } = unit.lead;
  const { operations } = unit.plan;
  const proving = operations.findIndex((op) => op.kind === 'prove');
  const stop = demo.until === 'logged' ? operations.length : demo.until === 'prove' ? proving : demo.until;
  let clock = start;
  const taken: Reading[] = [];
  const event = (kind: BenchEvent['kind'], operation?: string, text?: string, seconds = 0): BenchEvent => {
    clock += seconds * 1000;
    return {
      id: idFor(`${name} ${kind} ${operation ?? ''} ${text ?? ''}`),
      kind,
      operation,
      text,
      at: new Date(clock).toISOString(),
    };
  };
  const send = async (events: readonly BenchEvent[]): Promise<void> => {
    const { refused } = await appendRecords(
      db,
      unit.id,
      events.map((each) => ({ is: 'event', ...each })),
    );
    if (refused[0]) throw new Error(`demo: ${name}: ${refused[0].problem.says}`);
  };
  await send([event('open')]);
  for (const operation of operations.slice(0, stop)) {
    if (operation.kind === 'prove') await prove();
    if (operation.kind === 'measure') await prove(undefined, operation.checks);
    await send([
      ...(operation.confirm ?? []).map((what) => event('confirm', operation.id, what, 5)),
      event('done', operation.id, undefined, PACE[operation.kind] ?? 60),
    ]);
  }
  if (demo.until === 'prove' && demo.fault) await prove(demo.fault);
  if (demo.until === 'logged') await send([event('logged')]);
  return clock + 900_000;

  /** Takes readings as the app asks for them, from the lead as designed or with a fault, until there is a verdict. */
  async function prove(faultId?: string, only?: readonly string[]): Promise<void> {
    const proof = proofBy(unit.plan, unit.lead);
    const fault = proof.hypotheses.find((each) => each.fault?.id === faultId)?.fault;
    const says = answersOf(provenOf(unit.lead), proof, fault?.variants()[0] ?? { assembly });
    /** As a meter shows it: its own leads were not nulled to the last digit. */
    const shown = (check: Check): Answer => {
      const answer = answerOf(check, says(check));
      return answer.kind === 'ohms' && Number.isFinite(answer.ohms)
        ? { kind: 'ohms', ohms: Number((answer.ohms + 0.1).toFixed(2)) }
        : answer;
    };
    const done = new Set(taken.map(({ probe }) => probe));
    const ask = (): Check | undefined =>
      only ? proof.checks.find(({ id }) => only.includes(id) && !done.has(id)) : judge(proof, taken).next;
    const readings: Reading[] = [];
    for (let next = ask(); next; next = ask()) {
      const reading = { probe: next.id, answer: shown(next) };
      readings.push(reading);
      taken.push(reading);
      done.add(next.id);
    }
    await appendRecords(
      db,
      unit.id,
      readings.map((reading, n) => ({
        is: 'reading',
        ...reading,
        id: idFor(`${name} reading ${taken.length - readings.length + n}`),
        at: new Date((clock += 12_000)).toISOString(),
      })),
    );
  }
}
