import { describe, expect, it } from 'vitest';
import { bandsOf } from './bands';

describe('the bands of a resistor', () => {
  // IEC 60062, from memory; the first is the example that every bench knows.
  it.each([
    [4700, 0.05, 'YE VT RD gold'],
    [470, 0.05, 'YE VT BN gold'],
    [470, 0.01, 'YE VT BK BK BN'],
    [20_000, 0.05, 'RD BK OG gold'],
    [20_000, 0.01, 'RD BK BK RD BN'],
    [1500, 0.02, 'BN GN BK BN RD'],
    [0.47, 0.05, 'YE VT silver gold'],
    [4.7, 0.1, 'YE VT gold silver'],
    [1_000_000, 0.05, 'BN BK GN gold'],
    [6810, 0.001, 'BU GY BN BN VT'],
    // Each tolerance to its limit, and what is closer than the next by that.
    [470, 0.0011, 'YE VT BK BK BU'],
    [470, 0.0025, 'YE VT BK BK BU'],
    [470, 0.005, 'YE VT BK BK GN'],
    [470, 0.0051, 'YE VT BK BK BN'],
    [470, 0.011, 'YE VT BK BK RD'],
    [470, 0.021, 'YE VT BN gold'],
    [470, 0.051, 'YE VT BN silver'],
  ])('%d Ω within %d', (ohms, tolerance, bands) => {
    expect(bandsOf(ohms, tolerance).join(' ')).toBe(bands);
  });

  it('a value with more figures than bands, none at all, or one that is off by more than the code says has none', () => {
    expect(bandsOf(4720, 0.05)).toEqual([]);
    expect(bandsOf(0)).toEqual([]);
    expect(bandsOf(470, 0.2)).toEqual([]);
    expect(bandsOf(1e12)).toEqual([]);
  });

  it('read back, as a hand would, they are the value', () => {
    const digits = ['BK', 'BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY', 'WH'];
    const read = (bands: readonly string[]): number => {
      const figures = bands.slice(0, -2).reduce((sum, band) => 10 * sum + digits.indexOf(band), 0);
      const times = bands.at(-2) ?? '';
      return figures * (times === 'gold' ? 0.1 : times === 'silver' ? 0.01 : 10 ** digits.indexOf(times));
    };
    for (const tolerance of [0.01, 0.05])
      for (const base of [
        10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91,
      ])
        for (const noughts of [-1, 0, 1, 2, 3, 4])
          expect(read(bandsOf(base * 10 ** noughts, tolerance)) / (base * 10 ** noughts)).toBeCloseTo(1, 9);
  });
});
