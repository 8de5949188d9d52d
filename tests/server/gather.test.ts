import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { after, stateOf, type BenchState } from '../../src/core/bench';
import { createJob } from '../../src/server/jobs/service';
import { createLead } from '../../src/server/leads/service';
import { Refused } from '../../src/server/refused';
import { appended } from '../../src/server/units/gather';
import { appendRecords, type Acknowledged, type UnitRecord } from '../../src/server/units/records';
import { startUnit, unitSheet, type UnitSheet } from '../../src/server/units/service';
import { standOf } from '../../src/server/units/stand';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let lead: string;
beforeAll(async () => {
  database = await throwawayDatabase();
  const jobId = randomUUID();
  lead = randomUUID();
  await createJob(database.db, { id: jobId, name: 'Job', note: '' });
  await createLead(database.db, { id: lead, jobId, name: 'Lead', intent: PLAIN_INTENT });
});
afterAll(() => database.drop());

const newUnit = (): Promise<UnitSheet> => startUnit(database.db, lead, { id: randomUUID(), builder: 'Nell' });
const at = '2026-03-02T10:00:00.000Z';
const note = (text: string): UnitRecord => ({ is: 'event', id: randomUUID(), kind: 'note', text, at });

/** Each record judged under the unit's lock, one request at a time. */
const slowly = (unit: string, records: readonly UnitRecord[]): Promise<Acknowledged> =>
  database.db.transaction().execute((trx) => appendRecords(trx, unit, records));

/** What is sent, with its ids by their numbers, so that it can be sent to two units. */
type Sent = (id: (n: number) => string, unit: UnitSheet) => UnitRecord;
const id = fc.integer({ min: 0, max: 30 });
const sent: fc.Arbitrary<Sent> = fc.oneof(
  fc
    .tuple(
      id,
      fc.constantFrom('open', 'confirm', 'done', 'undo', 'note', 'wrong', 'mended', 'logged'),
      fc.integer({ min: 0, max: 5 }),
      id,
    )
    .map(([n, kind, step, word]): Sent => (idOf, unit) => {
      const operation = unit.plan.operations[step];
      return {
        is: 'event',
        id: idOf(n),
        kind: kind as 'open',
        operation: ['open', 'logged', 'mended'].includes(kind) ? undefined : operation?.id,
        text: operation?.confirm?.[word % Math.max(1, operation.confirm.length)] ?? `note ${word}`,
        at,
      };
    }),
  fc
    .tuple(id, fc.constantFrom('A.1~B.1', 'A.2~B.2', 'A.9~B.9'), fc.option(id))
    .map(([n, probe, after]): Sent => (idOf) => ({
      is: 'reading',
      id: idOf(n),
      probe,
      answer: { kind: 'ohms', ohms: 0.5 },
      after: after === null ? undefined : idOf(after),
      at,
    })),
);

describe('appending together', () => {
  it('comes to the same as appending one by one under a lock, whatever is sent', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(sent, { minLength: 1, maxLength: 3 }), { maxLength: 12 }),
        async (lists) => {
          const units = [await newUnit(), await newUnit()] as const;
          const ids = units.map(() => Array.from({ length: 31 }, () => randomUUID()));
          const outcomes = await Promise.all(
            ([appendRecords.bind(undefined, database.db), slowly] as const).map(async (append, which) => {
              const unit = units[which] as UnitSheet;
              const idOf = (n: number): string => ids[which]?.[n] ?? '';
              const plain = (text: string): string =>
                (ids[which] ?? []).reduce((so, each, n) => so.replaceAll(each, `#${n}`), text);
              const said: string[] = [];
              for (const list of lists) {
                const records = list.map((each) => each(idOf, unit));
                const answer: unknown = await append(unit.id, records).catch((error: unknown) =>
                  error instanceof Refused ? error.problems : Promise.reject(error as Error),
                );
                said.push(plain(JSON.stringify(answer)));
              }
              const { events, readings, state } = await unitSheet(database.db, unit.id);
              expect(state).toEqual(stateOf(events));
              return [...said, plain(JSON.stringify({ events, readings, state }))];
            }),
          );
          expect(outcomes[0]).toEqual(outcomes[1]);
        },
      ),
      { numRuns: 25, seed: 11 },
    );
  });

  it('many builders at once, at many units and at one: each line is there once, in the order of each builder', async () => {
    const units = await Promise.all(Array.from({ length: 6 }, newUnit));
    const shared = units[0]?.id ?? '';
    await Promise.all(
      units.flatMap(({ id: own }, builder) =>
        [own, shared].map(async (unit, hand) => {
          for (let n = 0; n < 15; n++) {
            const record = note(`${builder}:${hand}:${n}`);
            expect(await appendRecords(database.db, unit, [record])).toEqual({
              taken: [record.id],
              refused: [],
            });
          }
        }),
      ),
    );
    for (const { id: unit } of units) {
      const texts = (await unitSheet(database.db, unit)).events.map(({ text }) => text ?? '');
      expect(texts).toHaveLength(unit === shared ? 15 * 7 : 15);
      for (const by of new Set(texts.map((text) => text.replace(/\d+$/, ''))))
        expect(texts.filter((text) => text.startsWith(by)).map((text) => Number(text.split(':')[2]))).toEqual(
          Array.from({ length: 15 }, (_, n) => n),
        );
    }
  });

  it('one that cannot be with the others costs the others nothing', async () => {
    const [one, other] = [await newUnit(), await newUnit()];
    const first = note('first');
    for (const { id: unit } of [one, other]) await appendRecords(database.db, unit, [note('warm')]);
    await appendRecords(database.db, one.id, [first]);
    const good = Array.from({ length: 5 }, (_, n) => note(`good ${n}`));
    const answers = await Promise.allSettled([
      ...good.map((record) => appendRecords(database.db, other.id, [record])),
      appendRecords(database.db, one.id, [{ ...first, text: 'changed' } as UnitRecord]),
      appendRecords(database.db, randomUUID(), [note('of no unit')]),
      appendRecords(database.db, one.id, [first]),
    ]);
    expect(answers.map(({ status }) => status)).toEqual([
      ...good.map(() => 'fulfilled'),
      'rejected',
      'rejected',
      'fulfilled',
    ]);
    expect((await unitSheet(database.db, other.id)).events).toHaveLength(6);
    expect((await unitSheet(database.db, one.id)).events).toHaveLength(2);
  });

  it('an id that stands for a reading is no event’s, nor the other way', async () => {
    const unit = await newUnit();
    const event = note('first');
    const reading: UnitRecord = {
      is: 'reading',
      id: randomUUID(),
      probe: 'A.1~B.1',
      answer: { kind: 'beep' },
      at,
    };
    for (const record of [event, reading]) await appendRecords(database.db, unit.id, [record]);
    for (const record of [
      { ...event, id: reading.id },
      { ...reading, id: event.id },
    ])
      await expect(appendRecords(database.db, unit.id, [record])).rejects.toMatchObject({ status: 409 });
    expect(await unitSheet(database.db, unit.id)).toMatchObject({ events: [{}], readings: [{}] });
  });

  it('where the unit was moved on behind it, it is judged by where it stands', async () => {
    const unit = await newUnit();
    const [step] = unit.plan.operations;
    const done = (): UnitRecord => ({ is: 'event', id: randomUUID(), kind: 'done', operation: step?.id, at });
    await appendRecords(database.db, unit.id, [note('known from now on')]);
    const confirmed = (step?.confirm ?? []).map((text): UnitRecord => ({
      is: 'event',
      id: randomUUID(),
      kind: 'confirm',
      operation: step?.id,
      text,
      at,
    }));
    // Somebody else, over another connection, whom this process knows nothing of.
    expect((await slowly(unit.id, [...confirmed, done()])).refused).toEqual([]);
    const mended: UnitRecord = { is: 'event', id: randomUUID(), kind: 'mended', at };
    await appendRecords(database.db, unit.id, [mended]);
    const { state, events } = await unitSheet(database.db, unit.id);
    expect(state).toMatchObject({ done: [step?.id], mended: mended.id });
    expect(state).toEqual(stateOf(events));
  });

  it('of one unit only what follows on what comes before it goes along', async () => {
    const [unit, other] = [await newUnit(), await newUnit()];
    const mend = (of: UnitSheet, from: BenchState): Promise<boolean> => {
      const event = { id: randomUUID(), kind: 'mended', at } as const;
      return appended(database.db, {
        unitId: of.id,
        startedAt: of.startedAt,
        from,
        to: after(from, event),
        stand: standOf(of.plan.operations, after(from, event)),
        events: [event],
        readings: [],
      });
    };
    // The first goes at once; the next two are gathered, and know nothing of each other.
    const done = await Promise.all([
      mend(other, other.state),
      mend(unit, unit.state),
      mend(unit, unit.state),
      mend(unit, { ...unit.state, logged: true }),
    ]);
    expect(done).toEqual([true, true, false, false]);
    const { state, events } = await unitSheet(database.db, unit.id);
    expect(events).toHaveLength(1);
    expect(state).toEqual(stateOf(events));
  });

  it('is not held up by a unit that somebody else is writing to', async () => {
    const [held, free] = [await newUnit(), await newUnit()];
    for (const { id: unit } of [held, free]) await appendRecords(database.db, unit, [note('warm')]);
    let late: Promise<Acknowledged> | undefined;
    await database.db.transaction().execute(async (trx) => {
      await trx.selectFrom('unit').select('id').where('id', '=', held.id).forUpdate().execute();
      late = appendRecords(database.db, held.id, [note('waits')]);
      const started = performance.now();
      await appendRecords(database.db, free.id, [note('does not')]);
      expect(performance.now() - started).toBeLessThan(1000);
    });
    expect((await late)?.taken).toHaveLength(1);
    expect((await unitSheet(database.db, held.id)).events).toHaveLength(2);
  });
});
