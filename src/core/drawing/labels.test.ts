import { describe, expect, it } from 'vitest';
import { boxOf, placed, roomOf, type Spot, type Wish } from './labels';

const wish = (key: string, more: Partial<Wish> = {}): Wish => ({
  key,
  text: 'A1',
  is: 'contact',
  size: 2,
  terminals: [],
  anchor: { x: 0, y: 0 },
  candidates: [{ x: 0, y: 0 }],
  ...more,
});

describe('how much room a label takes', () => {
  it.each([
    // By letter, of its height: W 0.95, A 0.72, a figure 0.64, i 0.36 as it is narrow, a 0.6; half a height at its sides.
    ['W', 0.95],
    ['M@', 1.9],
    ['A', 0.72],
    ['+−?', 2.16],
    ['2', 0.64],
    ['1', 0.64],
    ['i.', 0.72],
    ['ab', 1.2],
    ['', 0],
  ])('“%s”', (text, wide) => {
    const { x, y } = roomOf({ text, size: 2 });
    expect(x).toBeCloseTo(2 * (wide + 0.5), 9);
    expect(y).toBeCloseTo(2 * 1.16, 9);
  });
  it('round its middle', () => {
    const box = boxOf({ text: 'A', size: 1, at: { x: 10, y: 20 } });
    expect([box.x, box.y, box.width, box.height]).toEqual(
      [10 - 0.61, 20 - 0.58, 1.22, 1.16].map((each) => expect.closeTo(each, 9) as number),
    );
  });
});

describe('where labels stand', () => {
  const spot = (x: number, y: number, r = 0.5, of = 'thing'): Spot => ({ x, y, r, of });
  const at = (label?: { at: { x: number; y: number } }) => [label?.at.x, label?.at.y];

  it('where they are wished for, the best first', () => {
    const [one] = placed(
      [
        wish('a', {
          candidates: [
            { x: 3, y: 4 },
            { x: 0, y: 0 },
          ],
        }),
      ],
      [],
    );
    expect(at(one)).toEqual([3, 4]);
    expect(one?.leader).toBeUndefined();
  });

  it('the second place where the first hides something; not where that is its own, or beside it', () => {
    const candidates = [
      { x: 0, y: 0 },
      { x: 20, y: 0 },
    ];
    const put = (spots: readonly Spot[], key = 'a') => at(placed([wish(key, { candidates })], spots)[0]);
    expect(put([spot(0, 0)])).toEqual([20, 0]);
    expect(put([spot(0, 0, 0.5, 'a')])).toEqual([0, 0]);
    // Half of 3.72 wide, half of 2.32 high, and the spot’s half millimetre: from 2.36 on, and from 1.66, it is not hidden.
    expect(put([spot(2.35, 0)])).toEqual([20, 0]);
    expect(put([spot(2.37, 0)])).toEqual([0, 0]);
    expect(put([spot(-2.35, 0)])).toEqual([20, 0]);
    expect(put([spot(-2.37, 0)])).toEqual([0, 0]);
    expect(put([spot(0, 1.65)])).toEqual([20, 0]);
    expect(put([spot(0, 1.67)])).toEqual([0, 0]);
    expect(put([spot(0, -1.65)])).toEqual([20, 0]);
    expect(put([spot(0, -1.67)])).toEqual([0, 0]);
    // A large one far away reaches as far as it is large.
    expect(put([spot(0, 12, 11)])).toEqual([20, 0]);
    expect(put([spot(0, -12, 11)])).toEqual([20, 0]);
    expect(put([spot(-12.1, 0, 11.1)])).toEqual([20, 0]);
  });

  it('no two on each other: what finds no place goes beside, on a leader from its edge to what it is of', () => {
    const [first, second] = placed([wish('a'), wish('b')], []);
    expect(at(first)).toEqual([0, 0]);
    expect(first?.leader).toBeUndefined();
    // All round at 2.5 mm by 15° a step: at 75° it is the first that stands below, 2.32 mm lower.
    expect(at(second)).toEqual([
      expect.closeTo(2.5 * Math.cos((75 * Math.PI) / 180), 9),
      expect.closeTo(2.5 * Math.sin((75 * Math.PI) / 180), 9),
    ]);
    expect(second?.leader?.[1]).toEqual({ x: 0, y: 0 });
  });

  it('side by side where their edges meet', () => {
    const next = (x: number) => at(placed([wish('a'), wish('b', { candidates: [{ x, y: 0 }] })], [])[1]);
    expect(next(3.73)).toEqual([3.73, 0]);
    expect(next(3.71)).not.toEqual([3.71, 0]);
    const below = (y: number) => at(placed([wish('a'), wish('b', { candidates: [{ x: 0, y }] })], [])[1]);
    expect(below(2.33)).toEqual([0, 2.33]);
    expect(below(2.31)).not.toEqual([0, 2.31]);
  });

  it('farther and farther from what it is of until it hides nothing; in order 2.5, 4, 5.5, 7, 9', () => {
    const far = (r: number) => {
      const [one] = placed([wish('a')], [spot(0, 0, r)]);
      return Math.hypot(one?.at.x ?? 0, one?.at.y ?? 0);
    };
    // Free where it is off the spot in one direction: from 1.86 + r on to the right, from 1.16 + r on below.
    expect(far(1.3)).toBeCloseTo(2.5, 9);
    expect(far(1.4)).toBeCloseTo(4, 9);
    expect(far(2.8)).toBeCloseTo(4, 9);
    expect(far(2.9)).toBeCloseTo(5.5, 9);
    expect(far(5.8)).toBeCloseTo(7, 9);
    expect(far(5.9)).toBeCloseTo(9, 9);
  });

  it('letters stay on their core where they hide nine spots, a tenth is too many', () => {
    const on = (count: number) => {
      const spots = Array.from({ length: count }, (_, n) => spot(-0.5 + n * 0.1, 0, 0.1));
      return at(placed([wish('a', { is: 'letters' })], spots)[0]);
    };
    expect(on(9)).toEqual([0, 0]);
    expect(on(10)).not.toEqual([0, 0]);
  });

  it('a leader leaves at the side that looks to what it is of', () => {
    const [, second] = placed([wish('a', { size: 3 }), wish('b', { candidates: [] })], [spot(30, 0, 29)]);
    const [from, to] = second?.leader ?? [];
    const box = boxOf({ text: 'A1', size: 2, at: second?.at ?? { x: 0, y: 0 } });
    expect(to).toEqual({ x: 0, y: 0 });
    const onEdge = [
      Math.abs((from?.x ?? 0) - box.x),
      Math.abs((from?.x ?? 0) - box.x - box.width),
      Math.abs((from?.y ?? 0) - box.y),
      Math.abs((from?.y ?? 0) - box.y - box.height),
    ];
    expect(Math.min(...onEdge)).toBeLessThan(1e-9);
    // On the straight way to it.
    const middle = second?.at ?? { x: 0, y: 0 };
    expect((from?.x ?? 0) * middle.y - (from?.y ?? 0) * middle.x).toBeCloseTo(0, 9);
    expect(Math.hypot(from?.x ?? 0, from?.y ?? 0)).toBeLessThan(Math.hypot(middle.x, middle.y));
  });
});
