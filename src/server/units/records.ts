import { dequal } from 'dequal';
import {
  after,
  proofBy,
  readingsInForce,
  refusal,
  stepsOf,
  type BenchEvent,
  type BenchState,
} from '../../core/bench';
import type { Assembly } from '../../core/assembly';
import { judge, pairOf, standingOf, toPlain, type Proof } from '../../core/proving';
import type { Problem } from '../../core/quantity';
import { inTransaction, type Database } from '../db';
import * as leadRows from '../leads/rows';
import { idTaken } from '../once';
import { missing } from '../refused';
import { appended } from './gather';
import { mayRenew, takeAnew } from './made-anew';
import * as rows from './rows';
import { standOf } from './stand';

/** One thing that happened to a unit: at the bench, or at the meter. */
export type UnitRecord =
  ({ readonly is: 'event' } & BenchEvent) | ({ readonly is: 'reading' } & rows.StoredReading);

/** What became of what was sent: the ids that are recorded now, and those refused, each with why. */
export interface Acknowledged {
  readonly taken: readonly string[];
  readonly refused: readonly { readonly id: string; readonly problem: Problem }[];
}

/** What a unit is pinned to, and what follows from it: none of it ever changes. */
interface Pinned extends ReturnType<typeof stepsOf> {
  readonly assembly: Assembly;
  readonly probes: ReadonlySet<string>;
  readonly proof: () => Proof;
}

/** A unit as it was when it was last appended to. */
interface Known {
  readonly startedAt: string;
  readonly pinned: Pinned;
  readonly state: BenchState;
}

/** The units that were worked on last: plans are long, and appending a line must not read one. */
const KNOWN = new Map<string, Known>();
const MOST_KNOWN = 64;

function keepInMind(id: string, known: Known): void {
  KNOWN.delete(id);
  KNOWN.set(id, known);
  const [oldest] = KNOWN.keys();
  if (KNOWN.size > MOST_KNOWN && oldest !== undefined) KNOWN.delete(oldest);
}

async function pinnedOf(db: Database, id: string, startedAt: string): Promise<Pinned> {
  const known = KNOWN.get(id);
  if (known?.startedAt === startedAt) return known.pinned;
  const unit = await rows.unit(db, id);
  const lead = unit && (await leadRows.leadAt(db, unit.leadId, unit.revision));
  if (!unit || !lead) throw missing('unit');
  let proof: Proof | undefined;
  return {
    ...stepsOf(unit.plan),
    assembly: lead.assembly,
    probes: new Set([...unit.plan.probes, ...unit.plan.trials].map(({ id }) => id)),
    proof: () => (proof ??= proofBy(unit.plan, lead)),
  };
}

/** Whether a record that is there already is this one. */
function isSame(
  unitId: string,
  there: rows.Placed<object>,
  { is, at, id: _id, ...record }: UnitRecord,
): boolean {
  const {
    unitId: owner,
    place: _,
    at: then,
    id: __,
    ...rest
  } = there as rows.Placed<{ id: string; at: string }>;
  const plain = (value: object): unknown =>
    JSON.parse(
      JSON.stringify('answer' in value ? { ...value, answer: toPlain(value.answer as never) } : value),
    );
  return (
    owner === unitId &&
    Date.parse(then) === Date.parse(at) &&
    (is === 'reading') === 'probe' in rest &&
    dequal(plain(rest), plain(record))
  );
}

/** Whether a check is one of the plan's, or a probe of contacts that the lead has. */
const isProbe = ({ probes, assembly }: Pinned, id: string): boolean =>
  probes.has(id) || pairOf(assembly, id) !== undefined;

/** Whether what came before decides about a record, beyond where the work stands. */
const asksHistory = ({ operations }: Pinned, state: BenchState, record: UnitRecord): boolean =>
  record.is === 'reading'
    ? record.after !== undefined && record.after !== state.mended
    : record.kind === 'done' &&
      /^(prove|measure)$/.test(operations.find((each) => each.id === record.operation)?.kind ?? '');

/** Why a record cannot be taken where the work stands, by its state alone; undefined where it can. */
const problemHere = (pinned: Pinned, state: BenchState, record: UnitRecord): Problem | undefined => {
  if (record.is === 'event') return refusal(pinned.operations, pinned.before, state, record);
  if (state.givenUp)
    return {
      code: 'bench.given-up',
      says: 'This lead was given up: nothing more is measured of it.',
      path: 'probe',
    };
  return isProbe(pinned, record.probe)
    ? undefined
    : {
        code: 'reading.probe',
        says: `This lead has no contacts to be probed as “${record.probe}”.`,
        path: 'probe',
      };
};

/** Why a record cannot be taken where the work stands, or undefined where it can. */
async function problemWith(
  trx: Database,
  unitId: string,
  pinned: Pinned,
  state: BenchState,
  record: UnitRecord,
  fresh: readonly rows.StoredReading[],
): Promise<Problem | undefined> {
  const here = problemHere(pinned, state, record);
  if (here || !asksHistory(pinned, state, record)) return here;
  if (record.is === 'reading')
    return record.after !== undefined && (await rows.isMending(trx, unitId, record.after))
      ? undefined
      : {
          code: 'reading.after',
          says: 'The mending that this reading follows is not recorded.',
          path: 'after',
        };
  const inForce = [
    ...(await rows.readingsAfter(trx, unitId, state.mended)),
    ...readingsInForce(state.mended, fresh),
  ];
  // By spot checks a lead may be passed by; once it is on the meter, the readings decide.
  const operation = pinned.operations.find((each) => each.id === record.operation);
  if (operation?.mayPass && inForce.length === 0) return undefined;
  if (operation?.kind === 'measure') {
    const { left, off } = standingOf(pinned.proof(), inForce, operation.checks ?? []);
    const [first] = [...off, ...left];
    return first
      ? {
          code: 'bench.unmeasured',
          says: off.length > 0 ? `Not as it should be yet: ${first.says}` : `Not answered yet: ${first.says}`,
          path: 'operation',
        }
      : undefined;
  }
  return judge(pinned.proof(), inForce).is === 'good'
    ? undefined
    : {
        code: 'bench.unproven',
        says: 'The readings do not say good yet: finish them, or mend what they name.',
        path: 'operation',
      };
}

/** Puts records in, in their order, as few statements as there are changes of kind. */
async function insert(trx: Database, unitId: string, records: readonly UnitRecord[]): Promise<void> {
  for (let from = 0; from < records.length;) {
    const is = records[from]?.is;
    const next = records.findIndex((each, n) => n > from && each.is !== is);
    const run = records.slice(from, next < 0 ? undefined : next);
    if (is === 'event')
      await rows.insertEvents(
        trx,
        unitId,
        run.flatMap((each) => (each.is === 'event' ? [each] : [])),
      );
    else
      await rows.insertReadings(
        trx,
        unitId,
        run.flatMap((each) => (each.is === 'reading' ? [each] : [])),
      );
    from += run.length;
  }
}

/**
 * Appends records in one statement, as far as they can be judged by where the unit stood when it was last appended to: the
 * statement takes them only where it stands there still. Returns nothing where they have to be looked at one by one.
 */
async function appendedAtOnce(
  db: Database,
  unitId: string,
  wanted: readonly UnitRecord[],
): Promise<Acknowledged | undefined> {
  const known = KNOWN.get(unitId);
  if (!known || db.isTransaction) return undefined;
  const events = wanted.flatMap((each) => (each.is === 'event' ? [each] : []));
  const readings = wanted.flatMap((each) => (each.is === 'reading' ? [each] : []));
  if (events.length > 0 && readings.length > 0) return undefined;
  const { pinned } = known;
  if (mayRenew(pinned.operations, events)) return undefined;
  let { state } = known;
  for (const record of wanted) {
    if (asksHistory(pinned, state, record) || problemHere(pinned, state, record)) return undefined;
    if (record.is === 'event') state = after(state, record);
  }
  // What comes meanwhile is judged by where this leads to: where this is not done, that is not either.
  keepInMind(unitId, { ...known, state });
  const { startedAt, state: from } = known;
  let done = false;
  try {
    const stand = standOf(pinned.operations, state);
    done = await appended(db, { unitId, startedAt, from, to: state, stand, events, readings });
  } finally {
    if (!done) KNOWN.delete(unitId);
  }
  return done ? { taken: wanted.map(({ id }) => id), refused: [] } : undefined;
}

/**
 * Appends what happened to a unit, in the order given. What is recorded already counts as taken; what cannot be so where the
 * work stands is refused, each by its id, and the rest goes on. The proof can only be done when the readings say good. What is
 * made of new stuff because of it leaves the shelf.
 * Errors: 404; 409 where an id stands for something else, with nothing recorded.
 */
export async function appendRecords(
  db: Database,
  unitId: string,
  wanted: readonly UnitRecord[],
  { fromShelf = true }: { readonly fromShelf?: boolean } = {},
): Promise<Acknowledged> {
  const atOnce = await appendedAtOnce(db, unitId, wanted);
  if (atOnce) return atOnce;
  let settled: Known | undefined;
  const acknowledged = await inTransaction(db, async (trx) => {
    const locked = await rows.lockState(trx, unitId);
    if (!locked) throw missing('unit');
    const pinned = await pinnedOf(trx, unitId, locked.startedAt);
    const there = await rows.recorded(
      trx,
      wanted.map((record) => record.id.toLowerCase()),
    );
    let { state } = locked;
    const fresh: UnitRecord[] = [];
    const taken: string[] = [];
    const refused: Acknowledged['refused'][number][] = [];
    const foreign: Acknowledged['refused'][number][] = [];
    for (const [n, record] of wanted.entries()) {
      const before = there.get(record.id.toLowerCase());
      const twin = fresh.find((each) => each.id === record.id);
      if (before ? !isSame(unitId, before, record) : twin && !dequal(twin, record)) {
        const [problem] = idTaken(`records[${n}].id`).problems;
        if (problem) foreign.push({ id: record.id, problem });
        continue;
      }
      if (before || twin) {
        taken.push(record.id);
        continue;
      }
      const readings = fresh.flatMap((each) => (each.is === 'reading' ? [each] : []));
      const problem = await problemWith(trx, unitId, pinned, state, record, readings);
      if (problem) {
        refused.push({ id: record.id, problem });
        continue;
      }
      taken.push(record.id);
      fresh.push(record);
      if (record.is === 'event') state = after(state, record);
    }
    if (foreign.length > 0) throw idTaken(foreign[0]?.problem.path ?? 'records', { refused: foreign });
    await insert(trx, unitId, fresh);
    const events = fresh.flatMap((each) => (each.is === 'event' ? [each] : []));
    if (fromShelf && mayRenew(pinned.operations, events))
      await takeAnew(trx, unitId, pinned.operations, events);
    if (state !== locked.state) await rows.putState(trx, unitId, state, standOf(pinned.operations, state));
    // Kept in mind once it is committed.
    settled = { startedAt: locked.startedAt, pinned, state };
    return { taken, refused };
  });
  if (settled && !db.isTransaction) keepInMind(unitId, settled);
  return acknowledged;
}
