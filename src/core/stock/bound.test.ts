import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dearest } from './bound';

/** What a pattern is worth at the most, by trying every one. */
function byTrying(
  kinds: readonly { readonly weight: number; readonly count: number }[],
  prices: readonly number[],
  room: number,
  floor: number,
): number {
  let best = 0;
  const from = (n: number, left: number, so: number): void => {
    const kind = kinds[n];
    if (!kind) {
      if (room - left >= floor) best = Math.max(best, so);
      return;
    }
    for (let many = 0; many <= kind.count && many * kind.weight <= left; many++)
      from(n + 1, left - many * kind.weight, so + many * (prices[n] ?? 0));
  };
  from(0, room, 0);
  return best;
}

describe('the pattern that is worth most', () => {
  const kind = fc.record({
    weight: fc.integer({ min: 1, max: 30 }),
    count: fc.integer({ min: 0, max: 4 }),
    price: fc.integer({ min: 0, max: 20 }),
  });

  it('is what trying every one finds, is worth what its pieces are, and goes in', () => {
    fc.assert(
      fc.property(
        fc.array(kind, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 0, max: 120 }),
        fc.constantFrom(0, 0.5),
        (some, room, share) => {
          const kinds = some.map(({ weight, count }, n) => ({
            id: `${n}`,
            mm: weight,
            weight,
            count,
            together: false,
          }));
          const prices = some.map(({ price }) => price);
          const floor = share * room;
          const found = dearest(kinds, prices, room, () => true, { floor });
          const sum = (of: (n: number) => number): number =>
            found.counts.reduce((total, count, n) => total + count * of(n), 0);
          expect(found.worth).toBeCloseTo(byTrying(kinds, prices, room, floor), 9);
          expect(found.most).toBe(found.worth);
          expect(sum((n) => prices[n] ?? 0)).toBeCloseTo(found.worth, 9);
          expect(sum((n) => kinds[n]?.weight ?? 0)).toBeLessThanOrEqual(room);
          found.counts.forEach((count, n) => expect(count).toBeLessThanOrEqual(kinds[n]?.count ?? 0));
          if (found.worth > 0) expect(sum((n) => kinds[n]?.weight ?? 0)).toBeGreaterThanOrEqual(floor);
        },
      ),
      { seed: 7, numRuns: 400 },
    );
  });

  it('says how much more there may be where it is stopped', () => {
    const kinds = Array.from({ length: 12 }, (_, n) => ({
      id: `${n}`,
      mm: 101 + 7 * n,
      weight: 101 + 7 * n,
      count: 9,
      together: false,
    }));
    const prices = kinds.map(({ weight }, n) => weight + (n % 3));
    const whole = dearest(kinds, prices, 2000, () => true, { most: 1e7 });
    const stopped = dearest(kinds, prices, 2000, () => true, { most: 30 });
    expect(stopped.worth).toBeLessThanOrEqual(whole.worth);
    expect(stopped.most).toBeGreaterThanOrEqual(whole.worth);
  });
});
