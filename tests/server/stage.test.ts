import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_INPUTS, USUAL_PLUG, type Input, type Lamps, type Look } from '../../src/core/sweep';
import { createJob, removeJob } from '../../src/server/jobs/service';
import { recordLooks } from '../../src/server/stage/records';
import { patchPaper, sweepPlan } from '../../src/server/stage/planned';
import {
  beginSweep,
  keepInputs,
  keepVenue,
  setUpSweep,
  stageOf,
  sweepOf,
} from '../../src/server/stage/service';
import { throwawayDatabase } from '../support/database';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

const AT = '2026-03-02T18:00:00.000Z';
const look = (way: number, lamps: Lamps, more: Partial<Look> = {}): Look => ({
  id: randomUUID(),
  at: AT,
  by: 'Nell',
  way,
  kind: 'lamps',
  lamps,
  volts: undefined,
  ...more,
});
const input = (name: string, way: number, more: Partial<Input> = {}): Input => ({
  id: name,
  name,
  way,
  weight: 1,
  ...more,
});

/** A job with such inputs, and a hall of so many ways. */
async function hall(inputs: readonly Input[], ways = 6) {
  const [job, venue] = [randomUUID(), randomUUID()];
  await createJob(database.db, { id: job, name: 'Tour', note: '' });
  await keepInputs(database.db, job, { base: 0, list: { ...NO_INPUTS, inputs } });
  await keepVenue(database.db, {
    id: venue,
    base: 0,
    name: 'Hall',
    lines: Array.from({ length: ways }, (_, n) => ({ way: n + 1 })),
  });
  const begin = async (): Promise<string> => {
    const id = randomUUID();
    await beginSweep(database.db, { id, jobId: job, venueId: venue, by: 'Nell', at: AT });
    return id;
  };
  return { job, venue, begin };
}
const refusal = async (work: Promise<unknown>) => {
  const error = await work.then(
    () => undefined,
    (thrown: unknown) => thrown,
  );
  const { status, problems } = (error ?? {}) as { status?: number; problems?: readonly { code: string }[] };
  return [status, problems?.[0]?.code];
};

describe('inputs and venues', () => {
  it('are kept once however often they are sent; what another window changed meanwhile is not written over', async () => {
    const { job, venue } = await hall([input('bass', 1)]);
    const list = { ...NO_INPUTS, inputs: [input('bass', 1), input('keys', 2)] };
    expect(await keepInputs(database.db, job, { base: 1, list })).toEqual({ revision: 2 });
    // Its answer was lost, and it comes again.
    expect(await keepInputs(database.db, job, { base: 1, list })).toEqual({ revision: 2 });
    const other = { ...NO_INPUTS, inputs: [input('drum', 3)] };
    expect(await refusal(keepInputs(database.db, job, { base: 1, list: other }))).toEqual([
      409,
      'stage.changed',
    ]);
    expect((await stageOf(database.db, job)).list.inputs.map(({ name }) => name)).toEqual(['bass', 'keys']);
    expect(await keepInputs(database.db, job, { base: 2, list: other })).toEqual({ revision: 3 });
    const lines = [{ way: 1 }, { way: 2, name: 'gallery' }];
    expect(await refusal(keepVenue(database.db, { id: venue, base: 0, name: 'Hall', lines }))).toEqual([
      409,
      'stage.changed',
    ]);
    expect(await keepVenue(database.db, { id: venue, base: 1, name: 'Hall', lines })).toMatchObject({
      revision: 2,
    });
    expect(
      await refusal(
        keepVenue(database.db, { id: venue, base: 2, name: 'Hall', lines: [{ way: 1 }, { way: 1 }] }),
      ),
    ).toEqual([422, 'patch.twice']);
  });

  it('two who write a list at once: one is told', async () => {
    const { job } = await hall([]);
    const both = await Promise.all(
      ['bass', 'keys'].map((name) =>
        refusal(keepInputs(database.db, job, { base: 1, list: { ...NO_INPUTS, inputs: [input(name, 1)] } })),
      ),
    );
    expect(both.map(([status]) => status).sort()).toEqual([409, undefined]);
  });
});

describe('a sweep', () => {
  it('is begun once; what two see at once is all there, each once, and who saw it', async () => {
    const { job, venue, begin } = await hall([input('bass', 1)]);
    const id = randomUUID();
    const asked = { id, jobId: job, venueId: venue, by: 'Nell', at: AT };
    await Promise.all([beginSweep(database.db, asked), beginSweep(database.db, asked)]);
    expect(await refusal(beginSweep(database.db, { ...asked, by: 'Ada' }))).toEqual([409, 'id.taken']);
    const mine = [look(1, 'both'), look(2, 'none')];
    const theirs = [
      look(2, 'both', { by: 'Ada', at: '2026-03-02T18:01:00.000Z' }),
      look(3, 'only 2', { by: 'Ada' }),
    ];
    const answers = await Promise.all([
      recordLooks(database.db, id, mine),
      recordLooks(database.db, id, theirs),
      recordLooks(database.db, id, mine),
    ]);
    for (const { refused } of answers) expect(refused).toEqual([]);
    const { looks } = await sweepOf(database.db, id);
    expect(looks).toHaveLength(4);
    expect(looks.map(({ by, way }) => `${by} ${way}`).sort()).toEqual(['Ada 2', 'Ada 3', 'Nell 1', 'Nell 2']);
    // The later look at 2 counts.
    expect(await sweepPlan(database.db, id)).toMatchObject({
      open: 3,
      repairs: [{ way: 3, says: 'only 2 lit' }],
    });
    const other = await begin();
    expect(await refusal(recordLooks(database.db, other, [mine[0] as Look]))).toEqual([409, 'id.taken']);
  });

  it('a clock that goes wrong decides nothing: what was seen last counts, also where its phone is an hour behind or ahead', async () => {
    const { begin } = await hall([]);
    const id = await begin();
    const hour = 3_600_000;
    /** A look so many minutes ago by a clock that is so much off, sent now. */
    const seen = (way: number, lamps: Lamps, minutesAgo: number, offMs: number) => {
      const there = Date.now() + offMs;
      return recordLooks(
        database.db,
        id,
        [look(way, lamps, { at: new Date(there - minutesAgo * 60_000).toISOString() })],
        new Date(there).toISOString(),
      );
    };
    // A phone an hour ahead saw it dark; then one that is right, and one an hour behind, saw it lit.
    await seen(1, 'none', 9, hour);
    await seen(1, 'both', 5, 0);
    await seen(2, 'both', 9, 0);
    await seen(2, 'none', 5, -hour);
    // Kept while its server was away: it comes late, and was seen before.
    await seen(3, 'both', 1, 0);
    await seen(3, 'none', 7, hour);
    const { repairs } = await sweepPlan(database.db, id);
    expect(repairs.map(({ way }) => way)).toEqual([2]);
    const { looks } = await sweepOf(database.db, id);
    for (const { at } of looks) expect(Math.abs(Date.now() - Date.parse(at))).toBeLessThan(15 * 60_000);
  });

  it('what cannot be is refused by its id, and the rest is recorded', async () => {
    const { begin } = await hall([]);
    const id = await begin();
    const [good, away, empty, silent] = [
      look(1, 'both'),
      look(99, 'both'),
      look(2, 'both', { kind: 'volts' }),
      look(3, 'both', { kind: 'note', text: ' ' }),
    ];
    const { taken, refused } = await recordLooks(database.db, id, [good, away, empty, silent]);
    expect(taken).toEqual([good.id]);
    expect(refused.map((each) => [each.id, each.problem.path])).toEqual([
      [away.id, 'way'],
      [empty.id, 'volts'],
      [silent.id, 'text'],
    ]);
  });

  it('starts from the last result of its venue, also of another job; what failed before stands there', async () => {
    const { begin, venue } = await hall([input('bass', 2)]);
    const first = await begin();
    await recordLooks(database.db, first, [look(1, 'both'), look(2, 'none'), look(3, 'flicker')]);
    // Another company in the same hall.
    const job = randomUUID();
    await createJob(database.db, { id: job, name: 'Choir', note: '' });
    await keepInputs(database.db, job, { base: 0, list: { ...NO_INPUTS, inputs: [input('alto', 2)] } });
    const second = randomUUID();
    await beginSweep(database.db, { id: second, jobId: job, venueId: venue, by: 'Ada', at: AT });
    const before = await sweepPlan(database.db, second);
    expect(before.repairs.map(({ way, says, mayBe, place }) => [way, says, mayBe, place])).toEqual([
      [2, 'none lit', '1 open, 2 and 3 open, or all shorted', expect.stringContaining('strain relief')],
      [3, 'flickers', 'a contact or a joint that comes and goes', expect.stringContaining('Where it moves')],
    ]);
    expect(before.moves[0]).toMatchObject({
      name: 'alto',
      from: 2,
      because: 'way 2 was bad when it was last looked at',
    });
    // Good the last time is not proven tonight, unless that counts.
    expect(before.open).toBe(4);
    await setUpSweep(database.db, second, { plug: USUAL_PLUG, trusts: true });
    const trusting = await sweepPlan(database.db, second);
    expect([trusting.open, trusting.moves[0]?.to]).toEqual([3, 1]);
    // Looked at tonight it is what it is tonight; and twice of twice is said.
    await recordLooks(database.db, second, [look(2, 'both'), look(3, 'flicker')]);
    const after = await sweepPlan(database.db, second);
    expect(after.moves[0]).toMatchObject({ to: 2, because: '' });
    expect(after.repairs).toMatchObject([{ way: 3, bad: 2, looked: 2 }]);
    expect((await sweepOf(database.db, second)).earlier.map(([way]) => way)).toEqual([1, 2, 3]);
    // A sweep of before does not know what came after it.
    expect((await sweepOf(database.db, first)).earlier).toEqual([]);
  });

  it('by meter, on another supply: what is right there is wrong on P48', async () => {
    const { begin } = await hall([]);
    const id = await begin();
    await recordLooks(database.db, id, [
      { ...look(1, 'both'), kind: 'volts', lamps: undefined, volts: [24, 24.1, 0] },
    ]);
    expect((await sweepPlan(database.db, id)).repairs.map(({ way }) => way)).toEqual([1]);
    await setUpSweep(database.db, id, { plug: { ...USUAL_PLUG, supply: 'P24' }, trusts: false });
    expect((await sweepPlan(database.db, id)).repairs).toEqual([]);
    // The next sweep of that hall begins with it.
    const { truth } = await sweepOf(database.db, await begin());
    expect(truth.plug.supply).toBe('P24');
  });

  it('stays with its venue when the job is taken out', async () => {
    const { job, begin } = await hall([input('bass', 1)]);
    const id = await begin();
    await recordLooks(database.db, id, [look(1, 'none')]);
    await removeJob(database.db, job);
    expect(await sweepOf(database.db, id)).toMatchObject({
      job: undefined,
      list: { inputs: [] },
      before: [{ id: 'mute' }, { id: 'on' }],
    });
    expect((await sweepPlan(database.db, id)).repairs).toHaveLength(1);
  });

  it('of nothing there is none', async () => {
    expect(await refusal(sweepOf(database.db, randomUUID()))).toEqual([404, 'not-found']);
    expect(await refusal(recordLooks(database.db, randomUUID(), [look(1, 'both')]))).toEqual([
      404,
      'not-found',
    ]);
    expect(await refusal(stageOf(database.db, randomUUID()))).toEqual([404, 'not-found']);
    const { begin } = await hall([]);
    expect(await refusal(patchPaper(database.db, await begin(), new URLSearchParams('page=legal')))).toEqual([
      400,
      'kit.asked',
    ]);
  });
});
