import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { leadNamed } from '../examples/read';
import type { Database } from '../../src/server/db';
import { createJob } from '../../src/server/jobs/service';
import { createLead } from '../../src/server/leads/service';
import { gearOf } from '../../src/server/units/gear';
import { knownGood } from '../../src/server/units/known-good';
import { appendRecords } from '../../src/server/units/records';
import { startUnit, unitSheet } from '../../src/server/units/service';
import { throwawayDatabase } from '../support/database';
import { proveUnit, unitAt } from '../support/units';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

async function lead(db: Database, example: string, name: string, schools = {}): Promise<string> {
  const [jobId, id] = [randomUUID(), randomUUID()];
  const intent = leadNamed(example).intent;
  await createJob(db, { id: jobId, name: `Job ${name}`, note: '' });
  await createLead(db, { id, jobId, name, intent: { ...(intent as object), schools } });
  return id;
}

const atTheMeter = async (id: string): Promise<readonly string[]> =>
  (await startUnit(database.db, id, { id: randomUUID(), builder: 'Nell' })).plan.plugs;

describe('what the house measures with', () => {
  it('has a shorting plug once one is built and proven, for what is started from then on', async () => {
    const lines = await lead(database.db, 'stage-microphone', 'Trap door line');
    await lead(database.db, 'shorting-plug', 'Shorting plug');
    expect(await gearOf(database.db)).toEqual({ plugs: [] });
    const before = await startUnit(database.db, lines, { id: randomUUID(), builder: 'Nell' });
    const plug = await unitAt(database.db, /^Shorting plug/, 'prove');
    expect(await atTheMeter(lines)).toEqual([]);
    await proveUnit(database.db, plug);
    expect(await gearOf(database.db)).toEqual({ plugs: ['xlr3 socket'] });
    expect(await atTheMeter(lines)).toEqual(['xlr3 socket']);
    // A unit keeps what it was started with.
    expect((await unitSheet(database.db, before.id)).plan.plugs).toEqual([]);
  });

  it('has none that was passed by unmeasured, and no such unit is a known good one', async () => {
    const fresh = await throwawayDatabase();
    await lead(fresh.db, 'shorting-plug', 'Spare plug', { proving: 'spot' });
    const spare = await unitAt(fresh.db, /^Spare plug/, 'prove');
    const done = { is: 'event', kind: 'done', operation: 'prove', at: '2026-03-04T10:00:00Z' } as const;
    const { taken } = await appendRecords(fresh.db, spare.unit.id, [{ ...done, id: randomUUID() }]);
    expect(taken).toHaveLength(1);
    expect(await gearOf(fresh.db)).toEqual({ plugs: [] });
    const next = await startUnit(fresh.db, spare.unit.leadId, { id: randomUUID(), builder: 'Nell' });
    expect(await knownGood(fresh.db, next.id)).toEqual({ good: null });
    await fresh.drop();
  });
});
