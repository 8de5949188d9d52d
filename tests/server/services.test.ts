import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadWorld } from '../../demo/load';
import { WORLD } from '../../demo/world';
import { proofBy, provenOf, type BenchEvent } from '../../src/core/bench';
import { migrate, unmigrate } from '../../src/server/db';
import type { Answer, Check } from '../../src/core/proving';
import { board } from '../../src/server/board/service';
import { createJob } from '../../src/server/jobs/service';
import { createLead, leadSheet, removeLead, saveLead } from '../../src/server/leads/service';
import { Refused } from '../../src/server/refused';
import { startUnit, unitSheet } from '../../src/server/units/service';
import { builtAs } from '../support/proving';
import { appendEvents, appendReadings } from '../support/records';
import { throwawayDatabase } from '../support/database';
import type { Intent } from '../../src/core/wiring';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

const at = (seconds: number): string =>
  new Date(Date.parse('2026-03-02T10:00:00Z') + seconds * 1000).toISOString();
const status = async (work: Promise<unknown>): Promise<number> =>
  work.then(() => 200).catch((error: unknown) => (error instanceof Refused ? error.status : 500));

async function newLead(intent: Intent = PLAIN_INTENT): Promise<string> {
  const [jobId, id] = [randomUUID(), randomUUID()];
  await createJob(database.db, { id: jobId, name: 'Job', note: '' });
  await createLead(database.db, { id, jobId, name: 'Lead', intent });
  return id;
}

describe('schema', () => {
  it('goes up, down to nothing, and up again; twice at once runs it once', async () => {
    const fresh = await throwawayDatabase({ migrated: false });
    await Promise.all([migrate(fresh.db), migrate(fresh.db)]);
    await unmigrate(fresh.db);
    const tables = await sql<{
      count: string;
    }>`select count(*) from information_schema.tables where table_schema = 'public' and table_name not like 'kysely%'`.execute(
      fresh.db,
    );
    expect(tables.rows[0]?.count).toBe('0');
    await migrate(fresh.db);
    expect(await board(fresh.db)).toEqual([]);
    await fresh.drop();
  });

  it('revisions, events and readings can only be appended', async () => {
    const lead = await newLead();
    const unit = await startUnit(database.db, lead, { id: randomUUID(), builder: 'Nell' });
    await appendEvents(database.db, unit.id, [{ id: randomUUID(), kind: 'open', at: at(0) }]);
    for (const table of ['lead_revision', 'bench_event'])
      for (const change of [
        sql`delete from ${sql.table(table)}`,
        sql`update ${sql.table(table)} set created_at = now()`,
      ])
        await expect(change.execute(database.db)).rejects.toThrow(/append-only/);
  });

  it('writes are durable: nothing is acknowledged before it is on disk, pages carry checksums', async () => {
    for (const [setting, value] of [
      ['fsync', 'on'],
      ['synchronous_commit', 'on'],
      ['full_page_writes', 'on'],
      ['data_checksums', 'on'],
      ['listen_addresses', '127.0.0.1'],
    ]) {
      const shown = await sql<Record<string, string>>`show ${sql.ref(setting ?? '')}`.execute(database.db);
      expect(Object.values(shown.rows[0] ?? {})).toEqual([value]);
    }
  });
});

describe('leads', () => {
  it('a retry of a creation makes one lead, with one revision', async () => {
    const jobId = randomUUID();
    await createJob(database.db, { id: jobId, name: 'Job', note: '' });
    const wanted = { id: randomUUID(), jobId, name: 'Once', intent: PLAIN_INTENT };
    await createLead(database.db, wanted);
    expect((await createLead(database.db, wanted)).history).toHaveLength(1);
  });

  it('of two edits of one revision the second gets 409 and what is there', async () => {
    const id = await newLead();
    const save = (name: string) =>
      saveLead(database.db, id, { requestId: randomUUID(), base: 1, name, intent: PLAIN_INTENT });
    const results = await Promise.allSettled([save('mine'), save('theirs')]);
    const lost = results.filter((result) => result.status === 'rejected');
    expect(lost).toHaveLength(1);
    expect(lost[0]?.reason).toMatchObject({ status: 409, more: { current: { revision: 2 } } });
    expect((await leadSheet(database.db, id)).history).toHaveLength(2);
  });

  it('a save goes on top of one of its own window that had no answer, taken or not; not on top of another’s', async () => {
    const id = await newLead();
    const [first, second, third] = [randomUUID(), randomUUID(), randomUUID()];
    const save = (requestId: string, name: string, after?: readonly string[]) =>
      saveLead(database.db, id, { requestId, base: 1, name, intent: PLAIN_INTENT, after });
    await save(first, 'First');
    expect(await status(save(randomUUID(), 'Another’s'))).toBe(409);
    // The second was never taken.
    expect((await save(third, 'Third', [first, second])).revision).toBe(3);
    expect((await save(third, 'Third', [first, second])).revision).toBe(3);
    const other = { requestId: randomUUID(), base: 3, name: 'Another’s', intent: PLAIN_INTENT };
    await saveLead(database.db, id, other);
    expect(await status(save(randomUUID(), 'Fourth', [first, second, third]))).toBe(409);
    expect((await leadSheet(database.db, id)).lead.name).toBe('Another’s');
  });

  it('a retry of a save answers as the first time; one that changes nothing makes no revision', async () => {
    const id = await newLead();
    const wanted = { requestId: randomUUID(), base: 1, name: 'Renamed', intent: PLAIN_INTENT };
    await saveLead(database.db, id, wanted);
    expect((await saveLead(database.db, id, wanted)).revision).toBe(2);
    expect((await saveLead(database.db, id, { ...wanted, requestId: randomUUID(), base: 2 })).revision).toBe(
      2,
    );
  });

  it('an intent that cannot be wired is refused with its field, and changes nothing', async () => {
    const id = await newLead();
    const wrong = saveLead(database.db, id, {
      requestId: randomUUID(),
      base: 1,
      name: 'x',
      intent: { ...PLAIN_INTENT, cable: 'instrument-coax' },
    });
    await expect(wrong).rejects.toMatchObject({ status: 422, problems: [{ path: 'intent.cable' }] });
    expect((await leadSheet(database.db, id)).revision).toBe(1);
  });

  it('one that was never built goes with its revisions; one that was started stays', async () => {
    const idle = await newLead();
    await saveLead(database.db, idle, {
      requestId: randomUUID(),
      base: 1,
      name: 'Second',
      intent: PLAIN_INTENT,
    });
    expect(await removeLead(database.db, idle)).toEqual({ removed: idle });
    expect(await status(leadSheet(database.db, idle))).toBe(404);
    const left = await sql`select 1 from lead_revision where lead_id = ${idle}`.execute(database.db);
    expect(left.rows).toEqual([]);
    expect(await status(removeLead(database.db, idle))).toBe(404);
    const built = await newLead();
    await startUnit(database.db, built, { id: randomUUID(), builder: 'Nell' });
    await expect(removeLead(database.db, built)).rejects.toMatchObject({
      status: 409,
      problems: [{ code: 'lead.built' }],
    });
    expect((await leadSheet(database.db, built)).units).toHaveLength(1);
  });

  it('taking one out and starting a unit of it at once: one of the two happens, and whole', async () => {
    for (let n = 0; n < 8; n++) {
      const id = await newLead();
      const [removed, started] = await Promise.all([
        status(removeLead(database.db, id)),
        status(startUnit(database.db, id, { id: randomUUID(), builder: 'Nell' })),
      ]);
      expect([
        [200, 404],
        [409, 200],
      ]).toContainEqual([removed, started]);
    }
  });

  it('edits are kept with the lead, and one that no longer goes is kept and said', async () => {
    const id = await newLead();
    const joint = (await leadSheet(database.db, id)).lead.assembly.bodies[0]?.joints[0]?.id ?? '';
    const edits = [{ kind: 'remove-joint', joint } as const];
    const save = { base: 1, name: 'Lead', intent: PLAIN_INTENT, edits };
    const saved = await saveLead(database.db, id, { ...save, requestId: randomUUID() });
    expect(saved.lead.edits).toEqual(edits);
    expect(saved.lead.assembly.bodies[0]?.joints.map((each) => each.id)).not.toContain(joint);
    const gone = [{ kind: 'remove-joint', joint: 'nowhere' } as const];
    const lapsed = await saveLead(database.db, id, {
      ...save,
      base: 2,
      edits: gone,
      requestId: randomUUID(),
    });
    expect(lapsed.lead.edits).toEqual(gone);
    expect(lapsed.lead.because.lapsed).toMatchObject([{ edit: 0 }]);
  });

  it('what does not exist is 404', async () => {
    expect(await status(leadSheet(database.db, randomUUID()))).toBe(404);
    expect(await status(unitSheet(database.db, randomUUID()))).toBe(404);
    expect(await status(startUnit(database.db, randomUUID(), { id: randomUUID(), builder: 'x' }))).toBe(404);
    expect(await status(appendEvents(database.db, randomUUID(), []))).toBe(404);
    expect(
      await status(
        createLead(database.db, { id: randomUUID(), jobId: randomUUID(), name: 'x', intent: PLAIN_INTENT }),
      ),
    ).toBe(404);
  });
});

describe('units', () => {
  it('keep to the revision they were started at', async () => {
    const id = await newLead();
    const unit = await startUnit(database.db, id, { id: randomUUID(), builder: 'Nell' });
    await saveLead(database.db, id, {
      requestId: randomUUID(),
      base: 1,
      name: 'Longer',
      intent: { ...PLAIN_INTENT, length: { mm: 9000, datum: 'face' } },
    });
    const later = await unitSheet(database.db, unit.id);
    expect([later.revision, later.lead.intent?.length?.mm]).toEqual([1, 6000]);
    const second = await startUnit(database.db, id, { id: randomUUID(), builder: 'Nell' });
    expect([second.revision, second.number]).toEqual([2, unit.number + 1]);
  });

  it('an event sent twice, or by two windows at once, is recorded once', async () => {
    const unit = await startUnit(database.db, await newLead(), { id: randomUUID(), builder: 'Nell' });
    const events: BenchEvent[] = [
      { id: randomUUID(), kind: 'open', at: at(0) },
      { id: randomUUID(), kind: 'done', operation: 'cut-W1', at: at(60) },
    ];
    const answers = await Promise.all([
      appendEvents(database.db, unit.id, events),
      appendEvents(database.db, unit.id, events),
    ]);
    for (const { taken, refused } of answers) {
      expect(taken).toEqual(events.map((event) => event.id));
      expect(refused).toEqual([]);
    }
    expect((await unitSheet(database.db, unit.id)).events.map((event) => event.id)).toEqual(
      events.map((event) => event.id),
    );
  });

  it('what the bench cannot allow is refused and the rest is taken', async () => {
    const unit = await startUnit(database.db, await newLead(), { id: randomUUID(), builder: 'Nell' });
    const [cut, solder] = [randomUUID(), randomUUID()];
    const { taken, refused } = await appendEvents(database.db, unit.id, [
      { id: solder, kind: 'done', operation: 'solder-joint-A-1', at: at(0) },
      { id: cut, kind: 'done', operation: 'cut-W1', at: at(1) },
    ]);
    expect(taken).toEqual([cut]);
    expect(refused).toMatchObject([{ id: solder, problem: { code: 'bench.gate' } }]);
  });

  it('the proof is done only when the readings say good, and those from before a mend do not count', async () => {
    const unit = await startUnit(database.db, await newLead(), { id: randomUUID(), builder: 'Nell' });
    const { operations } = unit.plan;
    let clock = 0;
    const event = (kind: BenchEvent['kind'], operation?: string, text?: string): BenchEvent => ({
      id: randomUUID(),
      kind,
      operation,
      text,
      at: at((clock += 10)),
    });
    const proof = proofBy(unit.plan, unit.lead);
    const says = builtAs(provenOf(unit.lead), proof, unit.lead);
    const answer = (checks: readonly Check[], after?: string, otherwise?: Answer) =>
      appendReadings(
        database.db,
        unit.id,
        checks.map((check) => ({
          id: randomUUID(),
          probe: check.id,
          answer: otherwise ?? says(check),
          after,
          at: at((clock += 10)),
        })),
      );
    const readAll = (after?: string) => answer(proof.checks, after);
    const done = async (op: string) =>
      (await appendEvents(database.db, unit.id, [event('done', op)])).refused[0]?.problem.code;
    for (const op of operations.slice(
      0,
      operations.findIndex((each) => each.kind === 'prove'),
    )) {
      for (const what of op.confirm ?? [])
        await appendEvents(database.db, unit.id, [event('confirm', op.id, what)]);
      if (op.kind === 'measure') {
        // What lies open is looked at before it is closed; what is not as it should be is not passed.
        expect(await done(op.id)).toBe('bench.unmeasured');
        const checks = (op.checks ?? []).flatMap((id) => proof.check(id) ?? []);
        expect(checks.length).toBeGreaterThan(0);
        await answer(checks, undefined, { kind: 'no' });
        expect(await done(op.id)).toBe('bench.unmeasured');
        await answer(checks);
      }
      expect(await done(op.id)).toBeUndefined();
    }
    const prove = async () =>
      (await appendEvents(database.db, unit.id, [event('done', 'prove')])).refused[0]?.problem.code;
    expect(await prove()).toBe('bench.unproven');

    await readAll();
    expect(
      (await unitSheet(database.db, unit.id)).readings.some(
        (reading) => reading.answer.kind === 'ohms' && reading.answer.ohms === Infinity,
      ),
    ).toBe(true);
    // A bench whose clock is in the year 2099 mends: what is measured after it stands all the same.
    const mended = { ...event('mended', 'prove'), at: '2099-01-01T00:00:00.000Z' };
    await appendEvents(database.db, unit.id, [mended]);
    expect(await prove()).toBe('bench.unproven');
    // Readings that do not know of the mending do not stand after it.
    await readAll();
    expect(await prove()).toBe('bench.unproven');
    await readAll(mended.id);
    expect(await prove()).toBeUndefined();
  });
});

describe('a house that proves by spot checks', () => {
  it('passes an unmeasured lead by; one that was put on the meter goes by its readings', async () => {
    let clock = 0;
    const built = async () => {
      const id = await newLead({ ...PLAIN_INTENT, schools: { proving: 'spot' } });
      const unit = await startUnit(database.db, id, { id: randomUUID(), builder: 'Nell' });
      const { operations } = unit.plan;
      const before = operations.slice(
        0,
        operations.findIndex((op) => op.kind === 'prove'),
      );
      const step = (kind: BenchEvent['kind'], operation: string, text?: string): BenchEvent => ({
        id: randomUUID(),
        kind,
        operation,
        text,
        at: at((clock += 10)),
      });
      await appendEvents(
        database.db,
        unit.id,
        before.flatMap((op) => [
          ...(op.confirm ?? []).map((what) => step('confirm', op.id, what)),
          step('done', op.id),
        ]),
      );
      return { unit, prove: () => appendEvents(database.db, unit.id, [step('done', 'prove')]) };
    };
    expect((await (await built()).prove()).refused).toEqual([]);
    const measured = await built();
    await appendReadings(database.db, measured.unit.id, [
      { id: randomUUID(), probe: 'A.1~B.1', answer: { kind: 'ohms', ohms: Infinity }, at: at((clock += 10)) },
    ]);
    expect((await measured.prove()).refused[0]?.problem.code).toBe('bench.unproven');
  });
});

describe('demo', () => {
  it('is at least two jobs and eight leads in different stages, and loads through the same doors as the app', async () => {
    const demo = await throwawayDatabase();
    await demo.db.transaction().execute(loadWorld);
    const jobs = await board(demo.db);
    expect(jobs.map((job) => job.name)).toEqual(WORLD.map((job) => job.name));
    expect(jobs.flatMap((job) => job.leads).length).toBeGreaterThanOrEqual(8);
    const stages = new Set(
      jobs.flatMap((job) => job.leads.flatMap((lead) => lead.units.map((unit) => unit.stage))),
    );
    expect(stages).toEqual(new Set(['bench', 'prove', 'logged']));
    await demo.drop();
  });
});
