import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { dressed } from '../../src/core/dressing';
import { kit, pickKey } from '../../src/core/kit';
import { schoolsOf } from '../../src/core/lead';
import { createJob } from '../../src/server/jobs/service';
import { picksOf } from '../../src/server/leads/picked';
import { pick } from '../../src/server/leads/picks';
import { createLead, leadSheet, removeLead, saveLead } from '../../src/server/leads/service';
import { Refused } from '../../src/server/refused';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

async function newLead(): Promise<string> {
  const [jobId, id] = [randomUUID(), randomUUID()];
  await createJob(database.db, { id: jobId, name: 'Job', note: '' });
  await createLead(database.db, { id, jobId, name: 'Lead', intent: PLAIN_INTENT });
  return id;
}

describe('what is picked of a kit', () => {
  it('is kept line by line, changed, taken back, and sent with the lead', async () => {
    const id = await newLead();
    await pick(database.db, id, { line: 'a', is: 'picked' });
    await pick(database.db, id, { line: 'b', is: 'waived' });
    expect(await pick(database.db, id, { line: 'a', is: 'have' })).toEqual({
      picks: { a: 'have', b: 'waived' },
      laidOut: false,
    });
    // Said twice it is the same.
    await pick(database.db, id, { line: 'a', is: 'have' });
    expect((await leadSheet(database.db, id)).picks).toEqual({ a: 'have', b: 'waived' });
    expect((await pick(database.db, id, { line: 'b', is: 'open' })).picks).toEqual({ a: 'have' });
  });

  it('what there is to pick is what the kit has, each line once; another length is another line', async () => {
    const id = await newLead();
    const { lead, kit: sent, revision } = await leadSheet(database.db, id);
    const toPick = sent.map(pickKey);
    expect(toPick).toEqual(kit(dressed(lead), schoolsOf(lead)).map(pickKey));
    expect(new Set(toPick).size).toBe(toPick.length);
    const longer = await saveLead(database.db, id, {
      requestId: randomUUID(),
      base: revision,
      name: 'Lead',
      intent: { ...PLAIN_INTENT, length: { mm: 7000, datum: 'face' } },
    });
    const changed = longer.kit.map(pickKey).filter((line) => !toPick.includes(line));
    expect(changed).toEqual(['1 × Microphone cable, one pair, woven braid, 6966 mm']);
  });

  it('is all laid out when every line was said something of, and not before', async () => {
    const id = await newLead();
    const lines = (await leadSheet(database.db, id)).kit.map(pickKey);
    const states = ['picked', 'have', 'waived'] as const;
    const said: boolean[] = [];
    for (const [n, line] of lines.entries())
      said.push((await pick(database.db, id, { line, is: states[n % 3] ?? 'picked' })).laidOut);
    expect(said).toEqual(lines.map((_, n) => n === lines.length - 1));
    expect((await leadSheet(database.db, id)).laidOut).toBe(true);
    expect((await pick(database.db, id, { line: lines[0] ?? '', is: 'open' })).laidOut).toBe(false);
  });

  it('twenty at once at twenty lines are all there; of one line one of them stands', async () => {
    const id = await newLead();
    await Promise.all(
      Array.from({ length: 20 }, (_, n) => pick(database.db, id, { line: `line ${n}`, is: 'picked' })),
    );
    expect(Object.keys(await picksOf(database.db, id))).toHaveLength(20);
    await Promise.all(
      (['picked', 'have', 'waived'] as const).map((is) => pick(database.db, id, { line: 'line 0', is })),
    );
    expect(['picked', 'have', 'waived']).toContain((await picksOf(database.db, id))['line 0']);
  });

  it('of a lead that is not there it is refused, and goes with one that is taken out', async () => {
    const gone = pick(database.db, randomUUID(), { line: 'a', is: 'picked' });
    await expect(gone).rejects.toBeInstanceOf(Refused);
    const id = await newLead();
    await pick(database.db, id, { line: 'a', is: 'picked' });
    await removeLead(database.db, id);
    expect(await picksOf(database.db, id)).toEqual({});
  });
});
