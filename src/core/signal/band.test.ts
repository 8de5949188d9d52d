import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fallsTo, largest } from '.';

describe('where a curve has fallen', () => {
  it('is the corner of a low-pass, to a part in ten thousand, wherever that lies', () => {
    fc.assert(
      fc.property(fc.double({ min: 30, max: 1e6, noNaN: true }), (corner) => {
        const level = (hertz: number): number => -10 * Math.log10(1 + (hertz / corner) ** 2);
        // From far below, the level there is the level at nothing.
        const found = fallsTo(level, 10 * Math.log10(2), 0.001 * corner, 1e9);
        expect(found / corner).toBeCloseTo(1, 4);
      }),
    );
  });
  it('is nowhere where it does not fall that far', () =>
    expect(fallsTo(() => -1, 3, 10, 1e6)).toBe(Infinity));
});

describe('the largest that keeps a limit', () => {
  it('is at the limit, or at an end where it is kept everywhere or nowhere', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 99, noNaN: true }), (limit) => {
        expect(largest((value) => value <= limit, 0, 100) / limit).toBeCloseTo(1, 4);
      }),
    );
    expect(largest(() => true, 1, 7)).toBe(7);
    expect(largest(() => false, 1, 7)).toBe(1);
  });
});
