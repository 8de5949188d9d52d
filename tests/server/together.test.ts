import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nextTogether, stepsOf } from '../../src/core/bench';
import { createJob } from '../../src/server/jobs/service';
import { createLead, saveLead } from '../../src/server/leads/service';
import { unitPace } from '../../src/server/units/pace';
import { appendRecords } from '../../src/server/units/records';
import { giveUp, startUnit, unitSheet } from '../../src/server/units/service';
import { leadBatch, togetherWith } from '../../src/server/units/together';
import { putSetUps } from '../../src/server/workshop/service';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

async function newLead(): Promise<string> {
  const [jobId, id] = [randomUUID(), randomUUID()];
  await createJob(database.db, { id: jobId, name: `Job ${jobId}`, note: '' });
  await createLead(database.db, { id, jobId, name: 'Four of them', intent: PLAIN_INTENT });
  return id;
}
const started = async (lead: string, builder = 'Nell'): Promise<string> =>
  (await startUnit(database.db, lead, { id: randomUUID(), builder })).id;

/** The first steps of a unit, each so many seconds after the one before; what they ask is confirmed. */
async function work(
  unit: string,
  times: readonly number[],
  from = '2026-03-01T10:00:00.000Z',
): Promise<void> {
  const { plan } = await unitSheet(database.db, unit);
  let at = Date.parse(from);
  const event = (kind: 'open' | 'confirm' | 'done', operation?: string, text?: string) => ({
    is: 'event' as const,
    id: randomUUID(),
    kind,
    operation,
    text,
    at: new Date(at).toISOString(),
  });
  const events = [event('open')];
  times.forEach((seconds, n) => {
    const { id, confirm = [] } = plan.operations[n] ?? expect.fail();
    events.push(...confirm.map((each) => event('confirm', id, each)));
    at += seconds * 1000;
    events.push(event('done', id));
  });
  expect(await appendRecords(database.db, unit, events)).toMatchObject({ refused: [] });
}
const refusal = async (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: { status?: number; problems?: readonly { path: string }[] }) =>
      `${error.status} ${error.problems?.[0]?.path ?? ''}`,
  );

describe('units on the bench together', () => {
  it('are those of one lead, one revision and one plan that are neither in the log nor given up; alone there is no batch', async () => {
    const lead = await newLead();
    const first = await started(lead);
    expect((await togetherWith(database.db, first)).batch).toBeUndefined();
    const second = await started(lead, 'Tam');
    const gone = await started(lead);
    await giveUp(database.db, gone, {
      event: randomUUID(),
      why: 'cut short',
      back: [],
      at: new Date().toISOString(),
    });
    await saveLead(database.db, lead, {
      requestId: randomUUID(),
      base: 1,
      name: 'Four of them',
      intent: { ...PLAIN_INTENT, length: { mm: 9000, datum: 'face' } },
    });
    const later = await started(lead);
    const { units, batch } = await togetherWith(database.db, first);
    expect(units.map(({ id, builder }) => [id, builder])).toEqual([
      [first, 'Nell'],
      [second, 'Tam'],
    ]);
    expect(batch?.count).toBe(2);
    expect((await togetherWith(database.db, later)).units.map(({ id }) => id)).toEqual([later]);
    // What was given up is asked for as it is: there is nothing to work it with.
    expect((await togetherWith(database.db, gone)).batch).toBeUndefined();
    expect(await refusal(togetherWith(database.db, randomUUID()))).toMatch(/^404/);
  });

  it('say what is done of each and when the last of it was, so that the next step is the other’s first', async () => {
    const lead = await newLead();
    const [one, other] = [await started(lead), await started(lead)];
    await work(one, [40]);
    const { units, batch } = await togetherWith(database.db, other);
    const { events } = await unitSheet(database.db, one);
    expect(units.map((each) => [each.done.length, each.lastAt, each.events])).toEqual([
      [1, '2026-03-01T10:00:40.000Z', events.length],
      [0, undefined, 0],
    ]);
    expect(events.length).toBeGreaterThan(0);
    const { plan } = await unitSheet(database.db, one);
    const next = nextTogether(
      batch?.runs ?? [],
      stepsOf(plan),
      units.map((each) => ({ id: each.id, done: new Set(each.done), lastMs: 0 })),
      0,
    );
    expect(next).toMatchObject({ lead: other, step: plan.operations[0]?.id });
  });

  it('before they are started: how so many are made, with a title for each step; what is no number of leads is refused', async () => {
    const lead = await newLead();
    const batch = await leadBatch(database.db, lead, new URLSearchParams('count=4'));
    expect(batch).toMatchObject({ count: 4, optimal: true });
    const steps = batch.runs.flatMap((run) => run.steps);
    expect(new Set(steps).size).toBe(steps.length);
    expect(steps.filter((step) => !batch.titles[step])).toEqual([]);
    for (const count of ['', '1', '0', '-3', '2.5', '25', 'four', '1e99'])
      expect(await refusal(leadBatch(database.db, lead, new URLSearchParams({ count }))), count).toBe(
        '422 count',
      );
    expect(await refusal(leadBatch(database.db, randomUUID(), new URLSearchParams('count=2')))).toMatch(
      /^404/,
    );
  });

  it('go by the house’s own times for laying hands on a tool, as soon as they are settled; a tool named twice is refused', async () => {
    const lead = await newLead();
    const four = () => leadBatch(database.db, lead, new URLSearchParams('count=4'));
    const usual = await four();
    expect(usual.timed).toBe(0);
    await putSetUps(database.db, [{ tool: 'iron', seconds: 61 }]);
    const own = await four();
    // What the hands do in between lays no tool down.
    const held = own.runs.map(({ tool }) => tool).filter((tool) => tool !== 'hands');
    const irons = held.filter((tool, n) => tool.startsWith('iron') && tool !== held[n - 1]).length;
    expect([own.timed, own.setUpSeconds - usual.setUpSeconds]).toEqual([1, irons]);
    await expect(
      putSetUps(database.db, [
        { tool: 'iron', seconds: 2 },
        { tool: 'iron', seconds: 3 },
      ]),
    ).rejects.toMatchObject({ problems: [{ path: 'setUps[1].tool' }] });
    await putSetUps(database.db, []);
    expect(await four()).toEqual(usual);
  });
});

describe('how long steps take', () => {
  it('is by whoever builds it, else by the house; the unit itself and what nobody did are left out', async () => {
    const lead = await newLead();
    const [tams, nells, now] = [await started(lead, 'Tam'), await started(lead), await started(lead)];
    await work(tams, [200, 300, 50]);
    await work(nells, [60, 70]);
    await work(now, [999]);
    const { plan } = await unitSheet(database.db, now);
    const [cut, thread, third] = plan.operations.map(({ id }) => id);
    const { steps } = await unitPace(database.db, now);
    expect(steps[cut ?? '']).toEqual({ seconds: 60, low: 60, high: 60, of: 'builder' });
    // Both ends are threaded on: the second is of the same kind as what Nell has done.
    expect(steps[thread ?? '']).toMatchObject({ seconds: 70, of: 'builder' });
    const kind = plan.operations[2]?.kind;
    expect(steps[third ?? '']).toMatchObject(
      kind === plan.operations[1]?.kind ? { seconds: 70, of: 'builder' } : { seconds: 50, of: 'house' },
    );
    expect(steps['prove']).toBeUndefined();
    expect(await refusal(unitPace(database.db, randomUUID()))).toMatch(/^404/);
  });
});
