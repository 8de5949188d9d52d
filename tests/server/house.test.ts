import { randomUUID } from 'node:crypto';
import { Ajv2020 as Ajv } from 'ajv/dist/2020.js';
import { sql } from 'kysely';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { loadWorld } from '../../demo/load';
import { stateOf } from '../../src/core/bench';
import { board, WHOLE } from '../../src/server/board/service';
import { backupLines, plainLines, tablesInOrder } from '../../src/server/backup';
import { connectAtLeisure, inTransaction } from '../../src/server/db';
import { leaveDemo } from '../../src/server/demo/service';
import { houseFile, roomIn } from '../../src/server/house/service';
import { createJob, exportJob, importInto, putJobAway, removeJob } from '../../src/server/jobs/service';
import { createLead, leadSheet, putLeadAway, removeLead, saveLead } from '../../src/server/leads/service';
import { Refused } from '../../src/server/refused';
import { appendRecords } from '../../src/server/units/records';
import { startUnit, unitSheet } from '../../src/server/units/service';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let demo: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  demo = await throwawayDatabase();
  await inTransaction(demo.db, loadWorld);
  await demo.db.destroy();
});
afterAll(() => demo.drop());
beforeEach(async () => {
  database = await throwawayDatabase({ like: demo.url });
});
afterEach(() => database.drop());

const at = '2026-03-02T10:00:00.000Z';
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const refusedWith = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'done',
    (error: unknown) =>
      error instanceof Refused ? `${error.status} ${error.problems[0]?.code}` : String(error),
  );
const ownJob = async (): Promise<string> => {
  const id = randomUUID();
  await createJob(database.db, { id, name: 'Ours', note: '' });
  return id;
};
const ownLead = async (jobId: string): Promise<string> => {
  const id = randomUUID();
  await createLead(database.db, { id, jobId, name: 'Our lead', intent: PLAIN_INTENT });
  return id;
};
const count = async (table: string): Promise<number> =>
  Number(
    (await sql<{ n: string }>`select count(*) n from ${sql.table(table)}`.execute(database.db)).rows[0]?.n,
  );

describe('leaving the demo', () => {
  it('leaves a house in which nothing was ever recorded, and can be loaded again', async () => {
    const before = await board(database.db);
    expect(before.every((job) => job.demo)).toBe(true);
    const out = await leaveDemo(database.db);
    expect(out).toEqual({
      jobs: before.length,
      leads: before.flatMap((job) => job.leads).length,
      units: before.flatMap((job) => job.leads.flatMap((lead) => lead.units)).length,
    });
    for (const table of ['job', 'lead', 'lead_revision', 'unit', 'bench_event', 'reading', 'request'])
      expect([table, await count(table)]).toEqual([table, 0]);
    expect(await leaveDemo(database.db)).toEqual({ jobs: 0, leads: 0, units: 0 });
    const unit = await startUnit(database.db, await ownLead(await ownJob()), {
      id: randomUUID(),
      builder: 'Nell',
    });
    expect(unit.number).toBe(1);
    await inTransaction(database.db, loadWorld);
    expect((await board(database.db)).filter((job) => job.demo)).toHaveLength(before.length);
  });

  it('keeps whatever somebody recorded since: jobs, leads added to the demo’s, units of the demo’s leads', async () => {
    const [first, ...rest] = await board(database.db);
    const [mine, theirs] = [await ownJob(), first?.id ?? ''];
    const kept = [await ownLead(mine), await ownLead(theirs)];
    const built = rest[0]?.leads[0]?.id ?? '';
    const unit = await startUnit(database.db, built, { id: randomUUID(), builder: 'Nell' });
    const note = { is: 'event', id: randomUUID(), kind: 'note', text: 'mine', at } as const;
    await appendRecords(database.db, unit.id, [note]);
    await leaveDemo(database.db);
    const after = await board(database.db);
    expect(after.map((job) => job.id).sort()).toEqual([mine, theirs, rest[0]?.id].sort());
    expect(after.flatMap((job) => job.leads.map((lead) => lead.id)).sort()).toEqual([...kept, built].sort());
    expect(after.some((job) => job.demo)).toBe(false);
    expect((await unitSheet(database.db, unit.id)).events.map(({ text }) => text)).toEqual(['mine']);
    expect((await leadSheet(database.db, built)).units).toHaveLength(1);
  });

  it('nothing else can go that way: the database says no', async () => {
    const lead = await ownLead(await ownJob());
    const unit = await startUnit(database.db, lead, { id: randomUUID(), builder: 'Nell' });
    await appendRecords(database.db, unit.id, [{ is: 'event', id: randomUUID(), kind: 'open', at }]);
    for (const statement of [
      sql`delete from bench_event where unit_id = ${unit.id}`,
      sql`delete from lead_revision where lead_id = ${lead}`,
      sql`update bench_event set text = 'x'`,
    ])
      await expect(
        database.db.transaction().execute(async (trx) => {
          await sql`select set_config('antler.exception', 'leaving the demo', true)`.execute(trx);
          await statement.execute(trx);
        }),
      ).rejects.toThrow('append-only');
  });
});

describe('put away', () => {
  it('a lead or a job is away, can be brought back, and goes on being what it is', async () => {
    const job = await ownJob();
    const lead = await ownLead(job);
    const seen = async () => {
      const here = (await board(database.db, { ...WHOLE, away: true })).find((each) => each.id === job);
      return [here?.away, here?.leads[0]?.away];
    };
    for (let again = 0; again < 2; again++) await putLeadAway(database.db, lead, true);
    expect(await seen()).toEqual([false, true]);
    // On the board as one comes to it is the job, and of its leads none.
    const atHand = async () => (await board(database.db)).find((each) => each.id === job);
    expect(await atHand()).toMatchObject({ count: 0, all: 1, leads: [] });
    await putJobAway(database.db, job, true);
    expect(await seen()).toEqual([true, true]);
    expect(await atHand()).toBe(undefined);
    await putJobAway(database.db, job, false);
    await putLeadAway(database.db, lead, false);
    expect(await seen()).toEqual([false, false]);
    expect((await leadSheet(database.db, lead)).revision).toBe(1);
    for (const work of [putLeadAway, putJobAway, removeJob])
      expect(await refusedWith(work(database.db, randomUUID(), true))).toBe('404 not-found');
  });

  it('what was never built can be deleted, what was built cannot', async () => {
    const job = await ownJob();
    const [lead, built] = [await ownLead(job), await ownLead(job)];
    await startUnit(database.db, built, { id: randomUUID(), builder: 'Nell' });
    expect(await refusedWith(removeLead(database.db, built))).toBe('409 lead.built');
    expect(await refusedWith(removeJob(database.db, job))).toBe('409 job.built');
    expect((await board(database.db)).find((each) => each.id === job)?.leads).toHaveLength(2);
    await removeLead(database.db, lead);
    const other = await ownJob();
    await ownLead(other);
    await removeJob(database.db, other);
    const left = await board(database.db);
    expect(left.find((each) => each.id === job)?.leads.map((each) => each.id)).toEqual([built]);
    expect(left.some((each) => each.id === other)).toBe(false);
  });
});

describe('deleting and adding at once', () => {
  it('is one before the other, and neither is an error of ours', async () => {
    for (let turn = 0; turn < 12; turn++) {
      const job = await ownJob();
      const id = randomUUID();
      const lead = { id, jobId: job, name: 'Our lead', intent: PLAIN_INTENT };
      const file = { requestId: randomUUID(), document: await exportJob(database.db, job) };
      const [added, removed, taken] = await Promise.all([
        refusedWith(createLead(database.db, lead)),
        refusedWith(removeJob(database.db, job)),
        refusedWith(importInto(database.db, job, file)),
      ]);
      expect(['done', '404 not-found']).toContain(added);
      expect(['done', '404 not-found']).toContain(taken);
      expect(removed).toBe('done');
      expect((await board(database.db)).some((each) => each.id === job)).toBe(false);
      const unit = { id: randomUUID(), builder: 'Nell' };
      const own = await ownLead(await ownJob());
      const [started, gone] = await Promise.all([
        refusedWith(startUnit(database.db, own, unit)),
        refusedWith(removeLead(database.db, own)),
      ]);
      expect([started, gone].sort().join()).toMatch(/^(409 lead\.built,done|404 not-found,done)$/);
    }
  });
});

describe('the house as plain lines', () => {
  it('every row is there once, in the shape that the first line says', async () => {
    const at = '2026-03-02T10:00:00.000Z';
    const db = connectAtLeisure(database.url);
    await ownLead(await ownJob());
    const lines: string[] = [];
    for await (const chunk of plainLines(backupLines(db, { app: '0', at }), { app: '0', at }))
      lines.push(...chunk.trimEnd().split('\n'));
    await db.destroy();
    const [head, ...rest] = lines.map((line) => JSON.parse(line) as Record<string, unknown>);
    const { schemas } = head as { schemas: Record<string, object> };
    const ajv = new Ajv({ strict: false });
    const validators = Object.fromEntries(
      Object.entries(schemas).map(([is, schema]) => [is, ajv.compile(schema)]),
    );
    for (const line of rest) {
      const valid = validators[line['is'] as string];
      expect([line['is'], valid?.(line), valid?.errors]).toEqual([line['is'], true, null]);
      // Not everything is let through.
      expect(valid?.({ ...line, more: 1 })).toBe(false);
    }
    const said = (is: string) => rest.filter((line) => line['is'] === is).length;
    // Every table is in it but those that hold nothing of the house, or what follows from the rest.
    const NOT_OURS = ['request', 'shelf_piece', 'lead_summary', 'cut_plan'];
    const AS: Readonly<Record<string, string>> = {
      own_entry: 'own',
      lead_revision: 'revision',
      bench_event: 'record',
      reading: 'record',
      making: 'asked',
      kit_pick: 'pick',
      sold_by: 'sold',
      money: 'currency',
      shelf_event: 'shelf',
      input_list: 'inputs',
    };
    const wanted: Record<string, number> = {};
    for (const table of await tablesInOrder(database.db)) {
      if (NOT_OURS.includes(table)) continue;
      const is = AS[table] ?? table;
      wanted[is] = (wanted[is] ?? 0) + (await count(table));
    }
    expect(Object.fromEntries(Object.keys(wanted).map((is) => [is, said(is)]))).toEqual(wanted);
    for (const is of ['shelf', 'venue', 'inputs', 'sweep', 'look', 'price'])
      expect(said(is), is).toBeGreaterThan(0);
  });
});

describe('a download', () => {
  it('whose connection breaks in the middle fails, and takes nothing with it', async () => {
    const db = connectAtLeisure(database.url);
    await sql`insert into job (id, name, note) select gen_random_uuid(), 'job ' || n, '' from generate_series(1, 30000) n`.execute(
      db,
    );
    const file = houseFile('backup', database.url, { app: '0', at });
    const ended = new Promise((resolve) => {
      file.on('error', resolve);
      file.on('end', () => resolve('whole'));
    });
    await new Promise((resolve) => file.once('readable', resolve));
    await sql`
      select pg_terminate_backend(pid) from pg_stat_activity
      where datname = current_database() and pid <> pg_backend_pid()`.execute(db);
    file.resume();
    expect(await ended).toBeInstanceOf(Error);
    await db.destroy();
    // What a broken connection might still say is said by now: an error that nobody hears fails this run.
    await new Promise((resolve) => setTimeout(resolve, 200));
  });

  it('that nobody waits for any more lets go of its connection', async () => {
    const file = houseFile('plain', database.url, { app: '0', at });
    await new Promise((resolve) => file.once('readable', resolve));
    file.destroy();
    const db = connectAtLeisure(database.url);
    const others = async () =>
      Number(
        (
          await sql<{ n: string }>`
            select count(*) n from pg_stat_activity where datname = current_database() and query like 'fetch%'`.execute(
            db,
          )
        ).rows[0]?.n,
      );
    await expect.poll(others).toBe(0);
    await db.destroy();
  });
});

describe('room on the disk', () => {
  it('is told of the fullest, and not of what is not there', async () => {
    expect(await roomIn(['/nowhere'])).toEqual({ freeBytes: null, isLittle: false });
    const { freeBytes } = await roomIn(['/tmp', '/nowhere']);
    expect(freeBytes).toBeGreaterThan(0);
    // The kernel's own file system has no room at all.
    expect(await roomIn(['/tmp', '/proc'])).toEqual({ freeBytes: 0, isLittle: true });
  });
});

describe('a job travels with what was built of it', () => {
  it('every unit with its number, plan, readings and verdict comes into another house', async () => {
    const there = await throwawayDatabase();
    for (const job of await board(database.db)) {
      const file = plain(await exportJob(database.db, job.id));
      const id = randomUUID();
      await createJob(there.db, { id, name: file.name, note: file.note });
      const wanted = { requestId: randomUUID(), document: file };
      const taken = await importInto(there.db, id, wanted);
      expect(await importInto(there.db, id, wanted)).toEqual(taken);
      expect(taken.units.map(({ was, is }) => [was, is])).toEqual(
        file.units.map(({ number }) => [number, number]),
      );
      // What comes out again is what went in, but for ids and the moment at which the other house took it.
      const again = plain(await exportJob(there.db, id));
      const bare = (from: typeof file) => ({
        ...from,
        units: from.units.map(({ startedAt: _, records, ...unit }) => ({
          ...unit,
          records: records.map((record) => ({
            ...record,
            id: records.findIndex((each) => each.id === record.id),
            ...('after' in record && record.after !== undefined
              ? { after: records.findIndex((each) => each.id === record.after) }
              : {}),
          })),
        })),
      });
      expect(bare(again)).toEqual(bare(file));
    }
    const stands = async (db: typeof database.db) =>
      (await board(db)).flatMap((job) =>
        job.leads.map(({ name, units }) => ({ name, units: units.map(({ id: _, ...unit }) => unit) })),
      );
    expect(await stands(there.db)).toEqual(await stands(database.db));
    await there.drop();
  });

  it('into its own house it comes beside itself, under new numbers, pinned to what it was built to', async () => {
    const job = await ownJob();
    const lead = await ownLead(job);
    const unit = await startUnit(database.db, lead, { id: randomUUID(), builder: 'Nell' });
    const mended = { is: 'event', id: randomUUID(), kind: 'mended', at } as const;
    const reading = {
      is: 'reading',
      id: randomUUID(),
      probe: unit.plan.probes[0]?.id ?? '',
      answer: { kind: 'ohms', ohms: Infinity },
      after: mended.id,
      at,
    } as const;
    await appendRecords(database.db, unit.id, [mended, reading]);
    await saveLead(database.db, lead, {
      requestId: randomUUID(),
      base: 1,
      name: 'Our lead, longer',
      intent: { ...PLAIN_INTENT, length: { mm: 9000, datum: 'face' } },
    });
    const file = plain(await exportJob(database.db, job));
    expect(file.units).toMatchObject([
      { lead: 0, pinned: { name: 'Our lead' }, records: [{}, { answer: { ohms: 'OL' } }] },
    ]);
    const taken = await importInto(database.db, job, { requestId: randomUUID(), document: file });
    expect(taken.units[0]?.is).toBeGreaterThan(unit.number);
    const copy = await leadSheet(database.db, taken.leads[0]?.id ?? '');
    expect([copy.revision, copy.history.map(({ name }) => name), copy.units[0]?.revision]).toEqual([
      2,
      ['Our lead', 'Our lead, longer'],
      1,
    ]);
    const sheet = await unitSheet(database.db, copy.units[0]?.id ?? '');
    expect(sheet.readings).toMatchObject([{ answer: { ohms: Infinity }, after: sheet.events[0]?.id }]);
    expect(sheet.state).toEqual(stateOf(sheet.events));
  });

  it.each([
    ['a unit of no lead', (unit: Record<string, unknown>) => ({ ...unit, lead: 40 }), 'units[0].lead'],
    [
      'a number beyond all',
      (unit: Record<string, unknown>) => ({ ...unit, number: 2 ** 31 }),
      'units[0].number',
    ],
    ['no plan', (unit: Record<string, unknown>) => ({ ...unit, plan: {} }), 'units[0].plan'],
    [
      'an event of a step that is none',
      (unit: Record<string, unknown>) => ({
        ...unit,
        records: [{ is: 'event', id: randomUUID(), kind: 'done', operation: 'polish', at }],
      }),
      'records[0].operation',
    ],
  ])('%s: nothing is taken in, and the field is named', async (_, spoil, path) => {
    const [job] = await board(database.db);
    const file = plain(await exportJob(database.db, job?.id ?? ''));
    const document = { ...file, units: [spoil(file.units[0] as unknown as Record<string, unknown>)] };
    const id = await ownJob();
    const error: unknown = await importInto(database.db, id, { requestId: randomUUID(), document }).catch(
      (each: unknown) => each,
    );
    expect(error).toMatchObject({ status: 422 });
    expect((error as Refused).problems[0]?.path).toContain(path);
    expect((await board(database.db)).find((each) => each.id === id)?.leads).toEqual([]);
  });
});
