import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Packing } from './packed';

describe('counts in words', () => {
  it('fit where there is enough of every kind, one by one, however many kinds and however high the counts', () => {
    const kinds = fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 30 });
    const asked = kinds.chain((most) =>
      fc.record({
        most: fc.constant(most),
        left: fc.tuple(...most.map((count) => fc.integer({ min: 0, max: count }))),
        wanted: fc.array(fc.tuple(...most.map((count) => fc.integer({ min: 0, max: Math.min(count, 12) }))), {
          minLength: 1,
          maxLength: 8,
        }),
      }),
    );
    fc.assert(
      fc.property(asked, ({ most, left, wanted }) => {
        const packing = new Packing(most);
        const words = packing.all(wanted.map((counts) => ({ counts })));
        const enough = wanted.flatMap((counts, n) =>
          counts.every((count, k) => count <= (left[k] ?? 0)) ? [n] : [],
        );
        const found = packing.fitting(words, 0, wanted.length, packing.left(left));
        expect(found).toEqual(enough);
        // What was found stands in the words of its own as well.
        const own = packing.some(words, found);
        expect(packing.fitting(own, 0, found.length, packing.left(left))).toEqual(found.map((_, n) => n));
        expect(packing.fitting(own, 0, found.length, packing.left(most.map(() => 0)))).toEqual(
          found.flatMap((n, m) => ((wanted[n] ?? []).every((count) => count === 0) ? [m] : [])),
        );
      }),
      { numRuns: 400, seed: 3 },
    );
  });

  it('of one kind as many as a word holds', () => {
    const packing = new Packing([3, 5]);
    expect(packing.size).toBe(1);
    const words = packing.all([{ counts: [3, 5] }, { counts: [3, 4] }, { counts: [0, 5] }]);
    expect(packing.fitting(words, 0, 3, packing.left([3, 4]))).toEqual([1]);
    expect(packing.fitting(words, 1, 3, packing.left([3, 5]))).toEqual([1, 2]);
    expect(packing.fitting(words, 0, 2, packing.left([3, 5]))).toEqual([0, 1]);
  });
});
