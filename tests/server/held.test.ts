import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { dressed } from '../../src/core/dressing';
import { kit, pickKey } from '../../src/core/kit';
import { schoolsOf } from '../../src/core/lead';
import { cutId, cutPlan, stockOf, type ShelfEvent } from '../../src/core/stock';
import { createJob, putJobAway } from '../../src/server/jobs/service';
import { pick } from '../../src/server/leads/picks';
import { createLead } from '../../src/server/leads/service';
import { jobCuts } from '../../src/server/making/cuts';
import { heldOnShelf, holdForJob } from '../../src/server/making/held';
import { keepPlan } from '../../src/server/making/plans';
import { jobKit, settleMaking } from '../../src/server/making/service';
import { recordShelf, shelf } from '../../src/server/shelf/service';
import { startUnit, unitStock } from '../../src/server/units/service';
import { putCutting, putLevel } from '../../src/server/workshop/service';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';
import { leadFor } from '../support/leads';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());
/** Nothing lies there, and nothing is held, from before. */
beforeEach(async () => {
  const { pieces } = await shelf(database.db);
  const left = pieces.filter((each) => each.left > 0);
  if (left.length > 0)
    await recordShelf(
      database.db,
      left.map((each) => event(each.id, 'scrapped', each.left)),
    );
  await database.db.updateTable('job').set({ held_at: null }).execute();
});

const event = (
  piece: string,
  kind: ShelfEvent['kind'],
  amount: number,
  more: Partial<ShelfEvent> = {},
): ShelfEvent => ({ id: randomUUID(), piece, at: '2026-03-02T10:00:00.000Z', kind, amount, ...more });
async function takeIn(item: string, amount: number, more: Partial<ShelfEvent> = {}): Promise<string> {
  const piece = randomUUID();
  const as = { item, name: item, unit: 'pieces', sort: 'bag', place: 'drawer 2', ...more } as const;
  await recordShelf(database.db, [event(piece, 'taken-in', amount, as)]);
  return piece;
}
const REEL = { unit: 'mm', sort: 'reel', place: 'rack' } as const;
/** A job with one microphone lead of 6 m, so many times: a plug, a socket and 5.966 m of cable each. */
async function jobWith(count: number): Promise<{ job: string; lead: string }> {
  const [job, lead] = [randomUUID(), randomUUID()];
  await createJob(database.db, { id: job, name: `Tour ${job.slice(0, 4)}`, note: '' });
  await createLead(database.db, { id: lead, jobId: job, name: 'Bridge mic', intent: PLAIN_INTENT });
  await settleMaking(database.db, job, { lead, count, pairs: false });
  return { job, lead };
}
const left = async (piece: string): Promise<number | undefined> =>
  (await shelf(database.db)).pieces.find(({ id }) => id === piece)?.left;
const line = async (job: string, item: string) =>
  (await jobKit(database.db, job)).lines.find((each) => each.item === item);
const start = async (lead: string): Promise<string> => {
  const id = randomUUID();
  await startUnit(database.db, lead, { id, builder: 'Nell' });
  return id;
};

describe('what the shelf holds for a job', () => {
  it('no other job counts on it, and no other’s unit takes it; its own does; let go it is everybody’s', async () => {
    const [tour, school] = [await jobWith(3), await jobWith(2)];
    const [plugs, reel] = [await takeIn('xlr3-plug', 4), await takeIn('pair-braid', 20_000, REEL)];
    expect(await line(school.job, 'xlr3-plug')).toMatchObject({ have: 4, short: 0 });
    await holdForJob(database.db, tour.job, true);
    expect((await jobKit(database.db, tour.job)).held).toBe(true);
    // 4 plugs less 3 held: one is there for the other; of 20 m less 3 × 5.966 m are 2.1 m, which is no lead.
    expect(await line(school.job, 'xlr3-plug')).toMatchObject({ have: 1, much: 2, short: 1 });
    expect(await line(school.job, 'pair-braid')).toMatchObject({ have: 20_000 - 3 * 5966, short: 2 * 5966 });
    expect(await line(tour.job, 'xlr3-plug')).toMatchObject({ have: 4, short: 0 });
    const unit = await start(school.lead);
    expect([await left(plugs), await left(reel)]).toEqual([3, 20_000]);
    const stock = await unitStock(database.db, unit);
    expect(stock.took.map(({ name }) => name)).toEqual(['xlr3-plug']);
    expect(stock.missing.some(({ unit: by, much }) => by === 'mm' && much === 5966)).toBe(true);
    await start(tour.lead);
    expect([await left(plugs), await left(reel)]).toEqual([2, 20_000 - 5966]);
    // What was started is held no longer: two more of it are.
    const held = (await heldOnShelf(database.db)).held.filter(({ job }) => job === tour.job);
    expect(held.map(({ item, much }) => [item, much])).toEqual(
      expect.arrayContaining([
        ['xlr3-plug', 2],
        ['pair-braid', 2 * 5966],
      ]),
    );
    await holdForJob(database.db, tour.job, false);
    expect(await line(school.job, 'xlr3-plug')).toMatchObject({ have: 2, short: 0 });
    expect((await heldOnShelf(database.db)).held).toEqual([]);
  });

  it('each held cut holds its kerf too, as the house cuts: 18.5 m less 3 × (5.966 + 0.2) m leave 2 mm', async () => {
    const [tour, school] = [await jobWith(3), await jobWith(1)];
    await takeIn('pair-braid', 18_500, REEL);
    await putCutting(database.db, { kerfMm: 200, leastOffcutMm: 600 });
    try {
      await holdForJob(database.db, tour.job, true);
      expect(await line(school.job, 'pair-braid')).toMatchObject({ have: 2 });
      const held = (await heldOnShelf(database.db)).held.filter(({ job }) => job === tour.job);
      expect(held).toContainEqual(expect.objectContaining({ item: 'pair-braid', much: 3 * 6166 }));
    } finally {
      await putCutting(database.db, { kerfMm: 0, leastOffcutMm: 600 });
    }
  });

  it('who held first goes first, however often it is said; a job that is put away holds nothing', async () => {
    const [first, second] = [await jobWith(2), await jobWith(2)];
    await takeIn('xlr3-plug', 3);
    await holdForJob(database.db, first.job, true);
    await holdForJob(database.db, second.job, true);
    await holdForJob(database.db, first.job, true);
    expect(await line(first.job, 'xlr3-plug')).toMatchObject({ have: 3, short: 0 });
    expect(await line(second.job, 'xlr3-plug')).toMatchObject({ have: 1, short: 1 });
    const of = async () =>
      (await heldOnShelf(database.db)).held
        .filter(({ item }) => item === 'xlr3-plug')
        .map(({ much }) => much);
    expect(await of()).toEqual([2, 1]);
    await putJobAway(database.db, first.job, true);
    expect(await of()).toEqual([2]);
  });

  it('twenty units of two jobs started at once: what is held is in one’s, the rest in the other’s', async () => {
    const [tour, school] = [await jobWith(10), await jobWith(10)];
    const plugs = await takeIn('xlr3-plug', 13);
    await holdForJob(database.db, tour.job, true);
    const units = await Promise.all(
      Array.from({ length: 20 }, (_, n) => start(n % 2 === 0 ? school.lead : tour.lead)),
    );
    const took = await Promise.all(
      units.map(async (id) =>
        (await unitStock(database.db, id)).took.some(({ name }) => name === 'xlr3-plug'),
      ),
    );
    expect(took.filter((had, n) => had && n % 2 === 1)).toHaveLength(10);
    expect(took.filter((had, n) => had && n % 2 === 0)).toHaveLength(3);
    expect(await left(plugs)).toBe(0);
  });

  it('what was salvaged is counted by itself, and goes into no unit by itself', async () => {
    const { job, lead } = await jobWith(1);
    const old = await takeIn('xlr3-plug', 2, { sort: 'salvaged', condition: 'worn', reused: 1 });
    expect(await line(job, 'xlr3-plug')).toMatchObject({ have: 0, salvaged: 2, short: 1 });
    await start(lead);
    expect(await left(old)).toBe(2);
  });
});

describe('the cuts of a job', () => {
  it('what the builder has a piece of is not cut', async () => {
    const { job, lead } = await jobWith(2);
    expect((await jobCuts(database.db, job)).cuts.map(({ toCut }) => toCut)).toEqual([2]);
    const of = leadFor();
    const cable = kit(dressed(of), schoolsOf(of)).find(({ item }) => item === 'pair-braid') ?? expect.fail();
    await pick(database.db, lead, { line: pickKey(cable), is: 'have' });
    expect((await jobCuts(database.db, job)).cuts).toEqual([]);
  });

  it('its plan is one for everybody; what of it is cut the shelf says, bad stretches and all', async () => {
    const { job, lead } = await jobWith(3);
    const reel = await takeIn('pair-braid', 19_000, { ...REEL, sort: 'opened' });
    await recordShelf(database.db, [
      { ...event(reel, 'marked', 0, { fromMm: 6500, toMm: 6600 }), amount: undefined } as ShelfEvent,
    ]);
    const { cuts, pieces } = await jobCuts(database.db, job);
    const [cut] = cuts;
    if (!cut) return expect.fail();
    const plan = cutPlan({
      version: 1,
      kerfMm: 0,
      leastOffcutMm: 600,
      stock: stockOf(pieces, 'pair-braid'),
      cuts: [{ id: cut.id, mm: cut.mm, count: cut.toCut }],
    });
    expect(plan.pieces.map(({ stock, cuts: made }) => [stock, made.length])).toEqual(
      expect.arrayContaining([
        [reel, 1],
        [`${reel}@0`, 2],
      ]),
    );
    const seed = randomUUID();
    await keepPlan(database.db, job, { item: 'pair-braid', planned: { seed, plan } });
    expect((await jobCuts(database.db, job)).plans).toEqual([{ item: 'pair-braid', seed, plan, cut: [] }]);
    const at = plan.pieces.findIndex(({ stock }) => stock === reel);
    await recordShelf(database.db, [
      { ...event(reel, 'cut', cut.mm, { lead, span: cut.span }), id: cutId(seed, at, 0) },
    ]);
    const now = await jobCuts(database.db, job);
    expect(now.plans[0]?.cut).toEqual([reel]);
    expect(now.cuts[0]?.toCut).toBe(2);
    await keepPlan(database.db, job, { item: 'pair-braid', planned: { seed: randomUUID(), plan } });
    expect((await jobCuts(database.db, job)).plans[0]?.cut).toEqual([]);
  });

  it('what each cut costs decides whether there is enough: 3 × 5.966 m of 17.9 m with a blade, not with a saw of 3 mm', async () => {
    const { job } = await jobWith(3);
    await takeIn('pair-braid', 3 * 5966 + 5, REEL);
    expect(await line(job, 'pair-braid')).toMatchObject({ short: 0 });
    await putCutting(database.db, { kerfMm: 3, leastOffcutMm: 500 });
    // The last kerf falls off its end: two of 3 mm are one too many.
    expect(await line(job, 'pair-braid')).toMatchObject({ short: 5966 });
    await putCutting(database.db, { kerfMm: 0, leastOffcutMm: 600 });
    const of = { item: 'xlr3-plug', name: 'Plug', unit: 'pieces' } as const;
    expect((await putLevel(database.db, { ...of, least: 10 })).levels).toEqual([{ ...of, least: 10 }]);
    expect((await putLevel(database.db, { ...of, least: 4 })).levels).toEqual([{ ...of, least: 4 }]);
    expect((await putLevel(database.db, { ...of, least: null })).levels).toEqual([]);
  });
});
