import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byTrying, PROVEN_SHELVES, shelfOf, smallShelves } from '../../../tests/support/cutting';
import { ByColumns, type Round } from './by-columns';
import { modelOf, worthOf, type Model } from './model';
import { longestOf, stepOf, type Level } from './pricing';

/** Rounds until it is settled: the best that was found, and what it costs. */
function settled(model: Model, level: Level, costOf: (made: Round['made']) => number) {
  const columns = new ByColumns(model, level, () => true);
  let known = Infinity;
  let best: Round['made'];
  for (let nodes = 50; nodes < 1e6; nodes *= 4) {
    const { made, isProven } = columns.round(known, nodes);
    if (made && costOf(made) < known) [best, known] = [made, costOf(made)];
    expect(columns.atLeast).toBeLessThanOrEqual(known + 1e-6);
    if (isProven) return { best, known };
  }
  return expect.fail('not settled');
}

const problem = smallShelves({
  pieces: [1503, 2000, 2600, 3009, 4000],
  lengths: [300, 500, 700, 900, 1000, 1300, 2000],
});

describe('a level by its linear program over all ways to cut', () => {
  it('fewest reels, least waste and longest rest are what trying everything finds; bounds are never above', () => {
    let whole = 0;
    fc.assert(
      fc.property(problem, (document) => {
        const { cuts } = document;
        const [made = 0, reels = 0, waste = 0, longest = 0] = byTrying(document);
        if (made < cuts.reduce((sum, { count }) => sum + count, 0)) return;
        whole++;
        const model = modelOf(document);
        const wasteOf = (plan: Round['made']): number => worthOf(model, plan ?? []).waste;
        expect(settled(model, { reels }, wasteOf).known).toBeCloseTo(waste, 4);
        if (reels > 0) expect(settled(model, { reels: reels - 1 }, wasteOf).best).toBeUndefined();
        const far = longestOf(model);
        const rested = settled(
          model,
          { reels, waste, longerThan: 0 },
          (plan) => far - worthOf(model, plan ?? []).longest,
        );
        if (longest === 0) expect(rested.best).toBeUndefined();
        else expect(far - rested.known).toBeCloseTo(longest, 4);
        if (rested.best) expect(worthOf(model, rested.best)).toMatchObject({ drops: 0, reels });
      }),
      { numRuns: 100, seed: 17 },
    );
    expect(whole).toBeGreaterThan(40);
  });

  it('of sixty pieces, with no plan to begin with: what was proven of them by going through them piece by piece', () => {
    for (const { seed, reel, worth: proven } of PROVEN_SHELVES.filter(({ hard }) => !hard)) {
      const [reels, waste, longest] = proven;
      const model = modelOf(shelfOf(seed, reel));
      const worth = (plan: Round['made']) => worthOf(model, plan ?? []);
      const least = settled(model, { reels }, (plan) => worth(plan).waste);
      expect([seed, reel, least.known]).toEqual([seed, reel, waste]);
      const far = longestOf(model);
      const rested = settled(model, { reels, waste, longerThan: 0 }, (plan) => far - worth(plan).longest);
      expect([seed, reel, far - rested.known]).toEqual([seed, reel, longest]);
    }
  });

  it('of a shelf that is too short: the fewest left out, then of so many the same levels', () => {
    let short = 0;
    fc.assert(
      fc.property(problem, (of) => {
        const document = {
          ...of,
          stock: of.stock.slice(0, 3),
          cuts: of.cuts.map((cut) => ({ ...cut, count: cut.count + 1, together: false })),
        };
        const total = document.cuts.reduce((sum, { count }) => sum + count, 0);
        const [made = 0, reels = 0, waste = 0, longest = 0] = byTrying(document);
        if (made === total) return;
        short++;
        const model = modelOf(document);
        const worth = (plan: Round['made']) => worthOf(model, plan ?? []);
        const all = model.pieces.length;
        const drops = total - made;
        const fewest = settled(model, { drops: 'fewest', reels: all }, (plan) => worth(plan).drops);
        expect([fewest.known, worth(fewest.best).drops]).toEqual([drops, drops]);
        expect(settled(model, { drops, reels }, (plan) => worth(plan).waste).known).toBeCloseTo(waste, 4);
        if (reels > 0)
          expect(
            settled(model, { drops, reels: reels - 1 }, (plan) => worth(plan).waste).best,
          ).toBeUndefined();
        const far = longestOf(model);
        const rested = settled(
          model,
          { drops, reels, waste, longerThan: 0 },
          (plan) => far - worth(plan).longest,
        );
        if (longest === 0) expect(rested.best).toBeUndefined();
        else expect(far - rested.known).toBeCloseTo(longest, 4);
        if (rested.best) expect(worth(rested.best)).toMatchObject({ drops, reels });
      }),
      { numRuns: 80, seed: 5 },
    );
    expect(short).toBeGreaterThan(20);
  });

  it('rests are multiples of what all lengths share; of none where one is finer than a thousandth of a millimetre', () => {
    const of = (mm: number, kerfMm: number): number =>
      stepOf(
        modelOf({
          version: 1,
          kerfMm,
          leastOffcutMm: 600,
          stock: [{ id: 'reel', mm: 100_000, kind: 'reel' }],
          cuts: [{ id: 'a', mm, count: 2 }],
        }),
      );
    expect([of(5900, 0), of(5965, 5), of(5966, 3), of(5966.00004, 0)]).toEqual([100, 10, 1, 0]);
    expect(of(5966, 2.5)).toBeCloseTo(0.5, 9);
    expect(of(5966.25, 0)).toBeCloseTo(1.25, 9);
    expect(of(5966.001, 0)).toBeCloseTo(0.001, 9);
  });

  it('out of time it proves nothing', () => {
    const model = modelOf({
      version: 1,
      kerfMm: 0,
      leastOffcutMm: 600,
      stock: [{ id: 'reel', mm: 20_000, kind: 'reel' }],
      cuts: [{ id: 'a', mm: 6300, count: 3 }],
    });
    expect(new ByColumns(model, { reels: 1 }, () => false).round(Infinity, 100)).toEqual({ isProven: false });
    expect(new ByColumns(model, { reels: 1 }, () => true).round(Infinity, 100).isProven).toBe(true);
  });
});
