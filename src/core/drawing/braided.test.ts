import { describe, expect, it } from 'vitest';
import { braided, crossings, sayBraided, type Worked } from './braided';

const RED: Worked = { says: 'red', colour: 'RD', mm: 1.6 };
const BLACK: Worked = { says: 'black', colour: 'BK', mm: 1.6 };
const GREEN: Worked = { says: 'green', colour: 'GN', mm: 2 };

describe('a braid of three', () => {
  it('left over middle, right over middle; six crossings by hand', () =>
    // r b g → b r g → b g r → g b r → g r b → r g b → r b g
    expect(crossings(3, 6).map(({ over, under, left }) => ['rbg'[over], 'rbg'[under], left])).toEqual([
      ['r', 'b', 0],
      ['g', 'r', 1],
      ['b', 'g', 0],
      ['r', 'b', 1],
      ['g', 'r', 0],
      ['b', 'g', 1],
    ]));

  it('after six all lie as at the start, each having gone over and under as often as any other: it does not come apart', () => {
    const twelve = crossings(3, 12);
    for (const wire of [0, 1, 2])
      for (const six of [twelve.slice(0, 6), twelve.slice(6)]) {
        expect(six.filter(({ over }) => over === wire)).toHaveLength(2);
        expect(six.filter(({ under }) => under === wire)).toHaveLength(2);
      }
    expect(twelve.slice(6)).toEqual(twelve.slice(0, 6));
    // No wire goes over twice in a row: what lies between two others on both sides holds.
    for (const wire of [0, 1, 2]) {
      const ways = twelve.flatMap(({ over, under }) => (over === wire ? ['o'] : under === wire ? ['u'] : []));
      ways.forEach((way, n) => expect(way).not.toBe(ways[n + 1]));
    }
  });
});

describe('drawn', () => {
  it('every piece of a wire goes on where that above it ended; what goes over is drawn after what goes under', () => {
    const drawn = braided([RED, BLACK, GREEN]);
    const pieces = drawn?.things.filter(({ is }) => is === 'core') ?? [];
    for (const says of ['red', 'black', 'green']) {
      const own = pieces
        .filter((each) => each.says === says)
        .map(({ marks }) => (marks[0]?.is === 'curve' ? marks[0].points : []))
        .sort((a, b) => (a[0]?.y ?? 0) - (b[0]?.y ?? 0));
      expect(own).toHaveLength(7);
      own.slice(1).forEach((points, n) => expect(points[0]).toEqual(own[n]?.at(-1)));
    }
    crossings(3, 6).forEach(({ over, under }, row) => {
      const at = (wire: number): number =>
        pieces.findIndex(({ key }) => key === `${['red', 'black', 'green'][wire]} ${row}`);
      expect(at(over)).toBeGreaterThan(at(under));
    });
  });

  it('stands in the middle, its outer wires three half thicknesses to either side', () => {
    const across = (wires: readonly Worked[]): readonly number[] => {
      const marks = braided(wires)?.things.flatMap(({ is, marks }) => (is === 'core' ? marks : [])) ?? [];
      const xs = marks.flatMap((mark) => (mark.is === 'curve' ? mark.points.map(({ x }) => x) : []));
      return [...new Set(xs)].sort((a, b) => a - b);
    };
    const apart = (...wires: readonly Worked[]): number => 1.5 * Math.max(...wires.map(({ mm }) => mm));
    const three = apart(RED, BLACK, GREEN);
    expect(across([RED, BLACK, GREEN])).toEqual([-three, 0, three]);
    const two = apart(RED, BLACK);
    expect(across([RED, BLACK])).toEqual([-two / 2, two / 2]);
  });

  it('a twist of two; of four there is no picture', () => {
    expect(crossings(2, 3).map(({ over }) => over)).toEqual([0, 1, 0]);
    expect(braided([RED, BLACK])?.things.filter(({ is }) => is === 'core')).toHaveLength(14);
    expect(braided([RED, BLACK, GREEN, RED])).toBeUndefined();
    expect(sayBraided([RED, BLACK])).toMatch(/^red and black, .* twisted/);
    expect(sayBraided([RED, BLACK, GREEN])).toContain('the left one over the middle, then the right one');
  });
});
