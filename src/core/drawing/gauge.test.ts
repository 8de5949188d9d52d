import { describe, expect, it } from 'vitest';
import { gaugeOf } from './gauge';

/** By hand: 60 mm set free; hot 30 mm of which 5 bare, cold the whole way, a screen cut off at the jacket. */
const drawn = gaugeOf({
  span: 'W1',
  body: 'A',
  freeMm: 60,
  jacketMm: 6,
  jacketColour: 'BK',
  wires: [
    { id: 'hot', says: 'white', colour: 'WH', mm: 30, bareMm: 5 },
    { id: 'cold', says: 'blue', colour: 'BU', mm: 60, bareMm: 4 },
    { id: 'screen', says: 'screen', colour: 'BK', mm: 0, bareMm: 0 },
  ],
});
const stretches = (key: string) =>
  drawn.things
    .filter((each) => each.key === key)
    .flatMap(({ marks }) =>
      marks.flatMap((mark) =>
        mark.is === 'box'
          ? [[mark.fill, mark.at.x - mark.width / 2, mark.at.x + mark.width / 2] as const]
          : [],
      ),
    );

describe('a strip gauge', () => {
  it('lies at true length: each wire ends its own length before the jacket’s edge, bare first', () => {
    expect(stretches('hot')).toEqual([
      ['copper', 30, 35],
      ['WH', 35, 60],
    ]);
    expect(stretches('cold')).toEqual([
      ['copper', 0, 4],
      ['BU', 4, 60],
    ]);
    expect(stretches('screen')).toEqual([]);
    expect(stretches('jacket')[0]?.[1]).toBe(60);
  });

  it('has a line each 10 mm from the raw end', () => {
    const lines = drawn.things.find(({ key }) => key === 'scale')?.marks ?? [];
    expect(lines.map((mark) => (mark.is === 'line' ? mark.points[0]?.x : Number.NaN))).toEqual([
      0, 10, 20, 30, 40, 50, 60,
    ]);
  });
});
