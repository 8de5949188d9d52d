import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { E24, nearestE24 } from '.';

describe('E24', () => {
  // IEC 60063: 24 values a decade; the series is 10^(n/24) rounded, with the historical exceptions from 2.7 to 4.7 and 8.2.
  it('has 24 values, each within 4 % of 10^(n/24)', () => {
    expect(E24).toHaveLength(24);
    E24.forEach((value, n) => expect(Math.abs(value / 10 ** (n / 24) - 1)).toBeLessThan(0.05));
  });

  it.each([
    [627.9, 620],
    [245.45, 240],
    [121.2, 120],
    [733.3, 750],
    [1485, 1500],
    [99_000, 100_000],
    [1.04, 1],
    [0.47, 0.47],
    [9.7, 10],
  ])('nearest to %s Ω is %s Ω', (ohms, expected) => expect(nearestE24(ohms)).toBe(expected));

  it('is never further off than half a step, and a value of the series is its own', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1e7, noNaN: true }), (ohms) => {
        const value = nearestE24(ohms);
        // The widest step of the series is from 1.3 to 1.5.
        expect(Math.abs(Math.log(value / ohms))).toBeLessThan(Math.log(1.5 / 1.3) / 2 + 1e-9);
        expect(nearestE24(value)).toBe(value);
      }),
    );
  });
});
