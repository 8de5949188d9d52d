import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { stateOf, type BenchEvent } from '../../src/core/bench';
import { exportJob, createJob, importInto } from '../../src/server/jobs/service';
import { createLead, exportLead, leadSheet, saveLead } from '../../src/server/leads/service';
import { Refused } from '../../src/server/refused';
import { appendRecords, type UnitRecord } from '../../src/server/units/records';
import { startUnit, unitSheet, unitSince } from '../../src/server/units/service';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';
import { appendEvents } from '../support/records';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

const six = async <T>(work: () => Promise<T>): Promise<T[]> => Promise.all(Array.from({ length: 6 }, work));
const refusalOf = async (work: Promise<unknown>): Promise<Refused> => {
  const error = await work.then(() => undefined).catch((each: unknown) => each);
  if (!(error instanceof Refused)) throw new Error(`not refused: ${String(error)}`);
  return error;
};
const newJob = async (): Promise<string> => {
  const id = randomUUID();
  await createJob(database.db, { id, name: 'Job', note: '' });
  return id;
};
const newLead = async (): Promise<string> => {
  const id = randomUUID();
  await createLead(database.db, { id, jobId: await newJob(), name: 'Lead', intent: PLAIN_INTENT });
  return id;
};
const newUnit = async () => startUnit(database.db, await newLead(), { id: randomUUID(), builder: 'Nell' });
const at = '2026-03-02T10:00:00.000Z';
const event = (kind: BenchEvent['kind'], operation?: string, text?: string): UnitRecord => ({
  is: 'event',
  id: randomUUID(),
  kind,
  operation,
  text,
  at,
});
const reading = (probe: string, ohms: number, after?: string): UnitRecord => ({
  is: 'reading',
  id: randomUUID(),
  probe,
  answer: { kind: 'ohms', ohms },
  after,
  at,
});

describe('an id stands for one thing', () => {
  it('six at once of the same are one: jobs, leads, saves, units, imports, records', async () => {
    const job = { id: randomUUID(), name: 'Loom', note: '' };
    expect(new Set((await six(() => createJob(database.db, job))).map((each) => each.id)).size).toBe(1);
    const lead = { id: randomUUID(), jobId: job.id, name: 'Bridge', intent: PLAIN_INTENT };
    expect((await six(() => createLead(database.db, lead))).map((each) => each.revision)).toEqual(
      Array(6).fill(1),
    );
    const save = { requestId: randomUUID(), base: 1, name: 'Bridge 2', intent: PLAIN_INTENT };
    expect((await six(() => saveLead(database.db, lead.id, save))).map((each) => each.revision)).toEqual(
      Array(6).fill(2),
    );
    const unit = { id: randomUUID(), builder: 'Nell' };
    expect(
      new Set((await six(() => startUnit(database.db, lead.id, unit))).map((each) => each.number)).size,
    ).toBe(1);
    const file = {
      requestId: randomUUID(),
      document: JSON.parse(JSON.stringify(await exportLead(database.db, lead.id))),
    };
    const imported = await six(() => importInto(database.db, job.id, file));
    expect(new Set(imported.map((each) => each.leads[0]?.id)).size).toBe(1);
    expect((await exportJob(database.db, job.id)).leads).toHaveLength(2);
    const open = event('open');
    const answers = await six(() => appendRecords(database.db, unit.id, [open]));
    expect(answers).toEqual(Array(6).fill({ taken: [open.id], refused: [] }));
    expect((await unitSheet(database.db, unit.id)).events).toHaveLength(1);
  });

  it('another content or another owner under it is 409, and changes nothing', async () => {
    const jobId = await newJob();
    const [id, requestId] = [randomUUID(), randomUUID()];
    const lead = { id, jobId, name: 'Bridge', intent: PLAIN_INTENT };
    await createLead(database.db, lead);
    const changes: readonly [string, () => Promise<unknown>][] = [
      ['job', () => createJob(database.db, { id: jobId, name: 'Another', note: '' })],
      ['lead, renamed', () => createLead(database.db, { ...lead, name: 'Other' })],
      ['lead, in another job', async () => createLead(database.db, { ...lead, jobId: await newJob() })],
      ['job under the lead’s id', () => createJob(database.db, { id, name: 'Job', note: '' })],
    ];
    for (const [, change] of changes)
      expect(await refusalOf(change())).toMatchObject({ status: 409, problems: [{ code: 'id.taken' }] });
    await saveLead(database.db, id, { requestId, base: 1, name: 'Two', intent: PLAIN_INTENT });
    const other = await newLead();
    for (const [to, base] of [
      [id, 2],
      [other, 1],
    ] as const)
      expect(
        await refusalOf(saveLead(database.db, to, { requestId, base, name: 'Three', intent: PLAIN_INTENT })),
      ).toMatchObject({ status: 409, problems: [{ code: 'id.taken' }] });
    expect(await leadSheet(database.db, id)).toMatchObject({ revision: 2, lead: { name: 'Two' } });
  });

  it('the order of names in what is sent does not make it another', async () => {
    const [id, jobId] = [randomUUID(), await newJob()];
    await createLead(database.db, { id, jobId, name: 'Bridge', intent: PLAIN_INTENT });
    const turned = Object.fromEntries(Object.entries(PLAIN_INTENT).reverse());
    expect((await createLead(database.db, { intent: turned, name: 'Bridge', jobId, id })).revision).toBe(1);
  });

  it('a record’s id too: the whole list is refused, naming it, and nothing is recorded', async () => {
    const [one, other] = [await newUnit(), await newUnit()];
    const note = event('note', undefined, 'warm');
    const read = reading('A.2~B.2', 0.5);
    await appendRecords(database.db, one.id, [note, read]);
    const wrong: readonly [string, UnitRecord][] = [
      [one.id, { ...note, text: 'cold' } as UnitRecord],
      [one.id, { ...read, answer: { kind: 'beep' } } as UnitRecord],
      [one.id, { ...read, at: '2026-03-02T10:00:01.000Z' }],
      [one.id, { ...event('note', undefined, 'warm'), id: read.id }],
      [other.id, note],
    ];
    for (const [unit, record] of wrong) {
      const refused = await refusalOf(appendRecords(database.db, unit, [event('open'), record]));
      expect(refused).toMatchObject({
        status: 409,
        problems: [{ path: 'records[1].id' }],
        more: { refused: [{ id: record.id }] },
      });
    }
    expect(await unitSheet(database.db, one.id)).toMatchObject({
      events: [{ id: note.id, text: 'warm' }],
      readings: [{ id: read.id, answer: { ohms: 0.5 } }],
    });
    expect((await unitSheet(database.db, other.id)).events).toEqual([]);
    // The same again, in capitals as some browsers write ids, is the first answer.
    const capital = { ...note, id: note.id.toUpperCase() };
    expect(await appendRecords(database.db, one.id, [capital])).toEqual({ taken: [capital.id], refused: [] });
  });
});

describe('what happened keeps its order', () => {
  it('a reading before its mending, the mending, a reading after it: in one list, as one request', async () => {
    const unit = await newUnit();
    const mended = event('mended');
    const list = [reading('A.2~B.2', 0.5), mended, reading('A.2~B.2', 0.4, mended.id), event('open')];
    expect((await appendRecords(database.db, unit.id, list)).refused).toEqual([]);
    const sheet = await unitSheet(database.db, unit.id);
    expect(sheet.state.mended).toBe(mended.id);
    expect(sheet.readings.map((each) => each.after)).toEqual([undefined, mended.id]);
    expect(sheet.events.map((each) => each.kind)).toEqual(['mended', 'open']);
  });

  it('what came after a place is asked for, and nothing else', async () => {
    const unit = await newUnit();
    await appendRecords(database.db, unit.id, [event('open'), reading('A.2~B.2', 0.5)]);
    const { place } = await unitSheet(database.db, unit.id);
    expect(await unitSince(database.db, unit.id, place)).toEqual({ events: [], readings: [], place });
    const later = event('note', undefined, 'later');
    await appendRecords(database.db, unit.id, [later]);
    const since = await unitSince(database.db, unit.id, place);
    expect(since).toMatchObject({ events: [{ id: later.id }], readings: [] });
    expect(since.place).toBeGreaterThan(place);
    expect((await refusalOf(unitSince(database.db, randomUUID(), 0))).status).toBe(404);
  });

  it('where the work stands is what its events come to, whoever sent them and however they came', async () => {
    const unit = await newUnit();
    const [first, second] = unit.plan.operations;
    await Promise.all(
      Array.from({ length: 5 }, () =>
        appendRecords(database.db, unit.id, [event('note', undefined, 'x'), reading('A.2~B.2', 1)]),
      ),
    );
    const done = [
      ...(first?.confirm ?? []).map((what) => event('confirm', first?.id, what)),
      event('done', first?.id),
      event('done', second?.id),
      event('mended'),
      event('undo', first?.id),
    ];
    const { refused } = await appendRecords(database.db, unit.id, done);
    const sheet = await unitSheet(database.db, unit.id);
    expect(sheet.state).toEqual(stateOf(sheet.events));
    // The second step asks to be confirmed first: it was not taken, and does not count.
    expect(refused.map((each) => each.problem.code)).toEqual(['bench.confirm']);
    expect(sheet.state.done).toEqual([]);
  });
});

describe('what cannot be', () => {
  it.each([
    ['contacts that do not exist', 'A.9~B.9', undefined, 'reading.probe'],
    ['a core inside', 'W1.white@a~B.2', undefined, 'reading.probe'],
    ['no probe at all', 'nothing', undefined, 'reading.probe'],
    ['a mending that is not recorded', 'A.2~B.2', randomUUID(), 'reading.after'],
  ])('a reading of %s is refused, the others are taken', async (_, probe, after, code) => {
    const unit = await newUnit();
    const [good, bad] = [reading('A.1~B.3', Infinity), reading(probe, 1, after)];
    const answer = await appendRecords(database.db, unit.id, [bad, good]);
    expect(answer).toMatchObject({ taken: [good.id], refused: [{ id: bad.id, problem: { code } }] });
    expect((await unitSheet(database.db, unit.id)).readings).toHaveLength(1);
  });

  it('an event of a step that the plan does not have', async () => {
    const unit = await newUnit();
    const { refused } = await appendEvents(database.db, unit.id, [
      { id: randomUUID(), kind: 'done', operation: 'polish', at },
    ]);
    expect(refused).toMatchObject([{ problem: { code: 'bench.unknown' } }]);
  });
});
