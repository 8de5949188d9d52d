import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { manyLeads } from '../../src/cli/many-leads';
import { courseHangsOn } from '../../src/core/bench';
import { findings } from '../../src/core/findings';
import { boardAsked } from '../../src/server/board/routes';
import { board, boardCounts, MOST, WHOLE } from '../../src/server/board/service';
import { connectAtLeisure } from '../../src/server/db';
import { createJob, jobNames } from '../../src/server/jobs/service';
import { createLead, leadSheet, saveLead } from '../../src/server/leads/service';
import { RULES_ARE } from '../../src/server/leads/comes-to';
import { summarise, unsummarised } from '../../src/server/leads/summary';
import { Refused } from '../../src/server/refused';
import { appendRecords } from '../../src/server/units/records';
import { startUnit, unitSheet } from '../../src/server/units/service';
import { standOf } from '../../src/server/units/stand';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
const jobId = randomUUID();
beforeAll(async () => {
  database = await throwawayDatabase();
  await createJob(database.db, { id: jobId, name: 'Harvest fair', note: '' });
});
afterAll(() => database.drop());

const asked = (query: string) => boardAsked(new URLSearchParams(query));
const onBoard = async (id: string, query = '') =>
  (await board(database.db, asked(query))).flatMap((job) => job.leads).find((lead) => lead.id === id);

describe('what is worked out once', () => {
  it('is that of the newest revision, and is worked out anew by other rules', async () => {
    const { db } = database;
    const sheet = await createLead(db, { id: randomUUID(), jobId, name: 'Fiddle', intent: PLAIN_INTENT });
    expect(sheet.found).toEqual(JSON.parse(JSON.stringify(findings(sheet.lead))));
    // A stage lead of one pair hangs on these, as it is made and as it comes back from the store.
    for (const each of [sheet, await leadSheet(db, sheet.id)]) {
      expect(each.hangs).toEqual(['colour', 'screen', 'shell', ...courseHangsOn(each.lead)]);
      expect(each.hangs).toEqual(expect.arrayContaining(['solder', 'cups', 'closing']));
    }
    expect(await onBoard(sheet.id)).toMatchObject({ name: 'Fiddle', stops: 0, built: 0 });
    // A plug at an output is a stop.
    const from = [{ port: 'microphone', family: 'xlr3', gender: 'plug' as const }];
    await saveLead(db, sheet.id, {
      requestId: randomUUID(),
      base: 1,
      name: 'Fiddle, backwards',
      intent: { ...PLAIN_INTENT, from },
    });
    expect(await onBoard(sheet.id)).toMatchObject({ name: 'Fiddle, backwards', revision: 2, stops: 1 });
    await sql`update lead_summary set rules = 'of another version', content = '{"found": []}' where lead_id = ${sheet.id}`.execute(
      db,
    );
    expect(await unsummarised(db)).toBe(sheet.id);
    expect(await onBoard(sheet.id)).toMatchObject({ name: 'Fiddle, backwards', stops: 1 });
    expect(await unsummarised(db)).toBeUndefined();
    const { rows } = await sql<{
      rules: string;
    }>`select rules from lead_summary where lead_id = ${sheet.id}`.execute(db);
    expect(rows).toEqual([{ rules: RULES_ARE }]);
  });

  it('is never an older revision in the place of a newer', async () => {
    const { db } = database;
    const { id, lead } = await createLead(db, {
      id: randomUUID(),
      jobId,
      name: 'Slow',
      intent: PLAIN_INTENT,
    });
    await saveLead(db, id, { requestId: randomUUID(), base: 1, name: 'Quick', intent: PLAIN_INTENT });
    await summarise(db, { id, revision: 1, lead });
    expect(await onBoard(id)).toMatchObject({ name: 'Quick' });
  });

  it('of a unit is where its events bring it, also where it was not kept', async () => {
    const { db } = database;
    const lead = await createLead(db, { id: randomUUID(), jobId, name: 'Built', intent: PLAIN_INTENT });
    const { id, plan } = await startUnit(db, lead.id, { id: randomUUID(), builder: 'Nell' });
    const [first, second] = plan.operations;
    const at = new Date().toISOString();
    await appendRecords(db, id, [{ is: 'event', id: randomUUID(), kind: 'done', operation: first?.id, at }]);
    const unit = { id, done: 1, of: plan.operations.length, next: second?.title, stage: 'bench' };
    expect((await onBoard(lead.id))?.units).toMatchObject([unit]);
    await sql`update unit set stand = null where id = ${id}`.execute(db);
    expect((await onBoard(lead.id))?.units).toMatchObject([unit]);
    const sheet = await unitSheet(db, id);
    expect(sheet.stand).toEqual(standOf(sheet.plan.operations, sheet.state));
  });

  it('shows those of many units that are being built, and how many there are', async () => {
    const { db } = database;
    const lead = await createLead(db, { id: randomUUID(), jobId, name: 'Many', intent: PLAIN_INTENT });
    for (let n = 0; n < MOST.units + 3; n++)
      await startUnit(db, lead.id, { id: randomUUID(), builder: 'Nell' });
    const shown = await onBoard(lead.id);
    expect(shown?.built).toBe(MOST.units + 3);
    expect(shown?.units).toHaveLength(MOST.units);
  });
});

describe('what is looked for', () => {
  it('is found in any of the trade’s words, each of which is asked', async () => {
    const { db } = database;
    const name = 'Gallery run';
    const { id } = await createLead(db, { id: randomUUID(), jobId, name, intent: PLAIN_INTENT });
    const finds = async (text: string) =>
      (await onBoard(id, `find=${encodeURIComponent(text)}`)) !== undefined;
    for (const text of ['female', 'XLR male', 'mic cable', 'gallery', 'Gallery ru', 'braid', 'f to m'])
      expect(await finds(text), text).toBe(true);
    // It has no such connector, and is of one name only.
    for (const text of ['RCA', 'gallery speaker', 'gallery runs', 'Z'])
      expect(await finds(text), text).toBe(false);
  });
});

describe('20 000 leads', () => {
  it('are found, paged and folded, each look at them within its time', async () => {
    const { db } = database;
    const model = await createLead(db, { id: randomUUID(), jobId, name: 'Model', intent: PLAIN_INTENT });
    const leisure = connectAtLeisure(database.url);
    // Like the model in all but the name.
    await manyLeads(leisure, model.id, { jobs: 400, each: 50 });
    await leisure.destroy();

    const timed = async (query: string): Promise<number> => {
      const times: number[] = [];
      for (let round = 0; round < 7; round++) {
        const from = performance.now();
        await board(db, asked(query));
        times.push(performance.now() - from);
      }
      return times.sort((a, b) => a - b)[3] ?? 0;
    };
    const jobs = await board(db);
    expect(jobs).toHaveLength(MOST.jobs);
    const shown = jobs.flatMap((job) => job.leads);
    expect(shown.length).toBeLessThanOrEqual(MOST.open + MOST.leads);
    expect(jobs.at(-1)).toMatchObject({ count: 50, all: 50, of: 401, leads: [] });
    const [last] = await sql<{ seq: string }>`select max(seq)::text as seq from lead`
      .execute(db)
      .then((r) => r.rows);
    const [found, ...others] = await board(db, asked(`find=lead ${last?.seq}`));
    expect(others).toEqual([]);
    expect(found?.leads.map((lead) => lead.name)).toEqual([`Lead ${last?.seq}`]);
    expect((await board(db, asked('after=390'))).map((job) => job.count)).toEqual(Array(11).fill(50));
    const folded = jobs.at(-1)?.id ?? '';
    expect((await board(db, asked(`job=${folded}`)))[0]?.leads).toHaveLength(24);
    expect((await board(db, asked(`job=${folded}&after=48`)))[0]?.leads).toHaveLength(2);
    // All of them may be chosen where something is cut for one, not only those of the first page.
    const names = await jobNames(db);
    expect(names).toHaveLength(401);
    expect(names.map(({ id }) => id)).toContain(folded);
    expect(await boardCounts(db)).toMatchObject({ jobs: 401, demo: 0, jobsAway: 0 });
    // 50 ms on the bench; on a busy machine a few times that.
    for (const query of ['', 'after=390', `job=${folded}`, 'find=tour', `find=${last?.seq}`])
      expect(await timed(query), query).toBeLessThan(250);
  });

  it('what is asked wrongly is refused with the field', () => {
    for (const [query, path] of [
      ['after=x', 'after'],
      ['after=-1', 'after'],
      ['job=me', 'job'],
      ['find=%00', 'find'],
    ] as const)
      expect(() => asked(query)).toThrow(
        expect.objectContaining({ status: 422, problems: [expect.objectContaining({ path })] }) as Refused,
      );
    expect(asked('')).toEqual(WHOLE);
  });

  it('signs that mean something in a pattern stand for themselves', async () => {
    expect(await board(database.db, asked('find=%25'))).toEqual([]);
    expect(await board(database.db, asked('find=_'))).toEqual([]);
    expect(await board(database.db, asked(`find=${encodeURIComponent('\\')}`))).toEqual([]);
  });
});
