import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allColumns, byTrying, named, smallShelves } from '../../../tests/support/cutting';
import { coveredBy } from './covered';
import { modelOf, type Model } from './model';
import { longestOf, Pricing, type Level, type Prices } from './pricing';

/** Prices at which nothing is worth anything: every column costs what it costs, and no plan less than nothing. */
const free = (model: Model, { sorts }: Pricing): Prices => ({
  kinds: model.kinds.map(() => 0),
  sorts: sorts.map(() => 0),
  reel: 0,
  waste: 0,
  holder: 0,
  drop: 0,
});

/** The cheapest plan of all columns there are, looked for without any hint. */
function cheapest(model: Model, level: Level, { upTo = 1e6, looks = 1e7 } = {}) {
  const pricing = new Pricing(model, level, () => true);
  const columns = allColumns(model, pricing.sorts, level);
  const prices = free(model, pricing);
  const found = coveredBy(model, { level, pricing, prices, lowest: 0 }, columns, {
    upTo,
    step: 1,
    looks,
    mayGoOn: () => true,
  });
  return { ...found, columns, sorts: pricing.sorts };
}

const problem = smallShelves();

describe('the cheapest exact cover by columns', () => {
  it('is the least waste and the longest rest that trying everything finds, and none where there is none', () => {
    let wasting = 0;
    fc.assert(
      fc.property(problem, (document) => {
        const [made = 0, reels = 0, waste = 0, longest = 0] = byTrying(document);
        if (made < document.cuts.reduce((sum, { count }) => sum + count, 0)) return;
        if (waste > 0) wasting++;
        const model = modelOf(document);
        const least = cheapest(model, { reels });
        expect(least.isProven).toBe(true);
        expect(least.value).toBeCloseTo(waste, 6);
        if (reels > 0) {
          const fewer = cheapest(model, { reels: reels - 1 });
          expect([fewer.x, fewer.isProven]).toEqual([undefined, true]);
        }
        const rested = cheapest(model, { reels, waste, longerThan: 0 });
        if (longest > 0) expect(longestOf(model) - rested.value).toBeCloseTo(longest, 6);
        expect(cheapest(model, { reels }, { upTo: waste - 1 }).x).toBeUndefined();
      }),
      { seed: 11, numRuns: 150 },
    );
    expect(wasting).toBeGreaterThan(10);
  });

  it('makes every cut just once, of pieces that are there, and of no more reels than it may', () => {
    fc.assert(
      fc.property(problem, (document) => {
        const model = modelOf(document);
        const reels = model.pieces.filter(({ isReel }) => isReel).length;
        const { x, columns, sorts } = cheapest(model, { reels });
        if (!x) return;
        model.kinds.forEach(({ count }, kind) =>
          expect(x.reduce((sum, many, n) => sum + many * (columns[n]?.counts[kind] ?? 0), 0)).toBe(count),
        );
        sorts.forEach(({ pieces }, sort) =>
          expect(
            x.reduce((sum, many, n) => sum + (columns[n]?.sort === sort ? many : 0), 0),
          ).toBeLessThanOrEqual(pieces.length),
        );
      }),
      { seed: 12, numRuns: 150 },
    );
  });

  it('proves nothing where it may not look at all of it', () => {
    const model = modelOf(
      named({
        leastOffcutMm: 600,
        stock: [3000, 3000, 3000].map((mm) => ({ mm, kind: 'reel' as const })),
        cuts: [700, 900, 1100].map((mm) => ({ mm, count: 3 })),
      }),
    );
    expect(cheapest(model, { reels: 3 }, { looks: 200 })).toMatchObject({ isProven: false });
    expect(cheapest(model, { reels: 3 }).isProven).toBe(true);
  });
});
