import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quantile } from './quantile';
import { sayTimeLeft, slowSteps, stepPaces, timeLeft, type TimedUnit } from './step-pace';

const COURSE = [
  { id: 'cut', kind: 'cut' },
  { id: 'solder A.1', kind: 'solder' },
];
const unit = (
  builder: string,
  isSame: boolean,
  ...times: readonly (readonly [string, string, number])[]
): TimedUnit => ({
  builder,
  isSame,
  steps: times.map(([id, kind, seconds]) => ({ id, kind, seconds })),
});

describe('how long a step takes', () => {
  it('quartiles of 10, 20, 30, 40, 50 are 20, 30, 40; between two it is a straight line', () => {
    expect([0.25, 0.5, 0.75].map((part) => quantile([50, 10, 40, 20, 30], part))).toEqual([20, 30, 40]);
    expect([0, 0.25, 0.5, 1].map((part) => quantile([10, 30], part))).toEqual([10, 15, 20, 30]);
    // Between two that are not the first: a quarter, a half and three quarters of the way from 10 to 20.
    expect([0.625, 0.75, 0.875].map((part) => quantile([0, 10, 20], part))).toEqual([12.5, 15, 17.5]);
    expect(quantile([], 0.5)).toBeNaN();
  });

  it('is the builder’s own of that step; else their own of its kind; else everybody’s of it; else everybody’s of its kind', () => {
    const of = (...units: readonly TimedUnit[]) => stepPaces(COURSE, units, 'Nell')['solder A.1'];
    const house = unit('Tam', false, ['solder C.9', 'solder', 90]);
    const same = unit('Tam', true, ['solder A.1', 'solder', 70]);
    const kind = unit('Nell', false, ['solder B.2', 'solder', 50]);
    const own = unit('Nell', true, ['solder A.1', 'solder', 30]);
    expect(of()).toBeUndefined();
    expect(of(house)).toEqual({ seconds: 90, low: 90, high: 90, of: 'house' });
    expect(of(house, same)?.seconds).toBe(70);
    expect(of(house, same, kind)).toEqual({ seconds: 50, low: 50, high: 50, of: 'builder' });
    expect(of(house, same, kind, own)?.seconds).toBe(30);
    expect(of(own, unit('Nell', true, ['solder A.1', 'solder', 50]))).toEqual({
      seconds: 40,
      low: 35,
      high: 45,
      of: 'builder',
    });
    // A step of the same name in another lead is that kind of step, and no more.
    expect(of(unit('Nell', false, ['solder A.1', 'cut', 1]))).toBeUndefined();
  });
});

describe('what is left', () => {
  const pace = (seconds: number, low = seconds, high = seconds) => ({
    seconds,
    low,
    high,
    of: 'builder' as const,
  });

  it('adds the medians; spreads of 30 and 40 s are 50 s together, as of steps that do not hang on each other', () => {
    const left = timeLeft([{ id: 'a' }, { id: 'b' }, { id: 'c' }], new Set(['c']), {
      a: pace(100, 70, 130),
      b: pace(200, 160, 240),
      c: pace(999),
    });
    expect(left).toEqual({ seconds: 300, low: 250, high: 350, untimed: 0 });
  });

  it('what waits by itself takes that long; what nobody did is counted beside, not as nothing', () => {
    expect(timeLeft([{ id: 'cool', seconds: 45 }, { id: 'new' }], new Set(), {})).toEqual({
      seconds: 45,
      low: 45,
      high: 45,
      untimed: 1,
    });
    // What was timed counts before what it is said to take.
    expect(timeLeft([{ id: 'cool', seconds: 45 }], new Set(), { cool: pace(60) }).seconds).toBe(60);
  });

  it('is never below nothing, and its middle lies between its ends', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(600), fc.nat(600), fc.nat(600)), { minLength: 1, maxLength: 9 }),
        (all) => {
          const paces = Object.fromEntries(
            all.map((three, n) => {
              const [low = 0, seconds = 0, high = 0] = [...three].sort((a, b) => a - b);
              return [`${n}`, pace(seconds, low, high)];
            }),
          );
          const left = timeLeft(
            all.map((_, n) => ({ id: `${n}` })),
            new Set(),
            paces,
          );
          return left.low >= 0 && left.low <= left.seconds && left.seconds <= left.high;
        },
      ),
    ));

  it.each([
    [{ seconds: 720, low: 540, high: 960, untimed: 0 }, 'about 12 min left, 9 to 16'],
    [
      { seconds: 720, low: 700, high: 730, untimed: 1 },
      'about 12 min left, and 1 step that nobody has timed yet',
    ],
    [{ seconds: 44, low: 10, high: 400, untimed: 0 }, 'less than a minute left'],
    [
      { seconds: 45, low: 45, high: 45, untimed: 2 },
      'about 1 min left, and 2 steps that nobody has timed yet',
    ],
    [{ seconds: 0, low: 0, high: 0, untimed: 7 }, undefined],
  ])('%j is said as “%s”', (left, says) => expect(sayTimeLeft(left)).toBe(says));
});

describe('steps that took long', () => {
  it('are those of half as long again as the upper quarter and a quarter of a minute more, with what they usually take', () => {
    const paces = { a: { seconds: 60, low: 50, high: 80, of: 'builder' as const } };
    const of = (seconds: number) =>
      slowSteps(
        [{ id: 'a' }, { id: 'b' }],
        new Map([
          ['a', seconds],
          ['b', 9999],
        ]),
        paces,
      );
    expect(of(120)).toEqual([]);
    expect(of(121)).toEqual([{ step: { id: 'a' }, seconds: 121, usually: 60 }]);
    const short = { a: { seconds: 4, low: 3, high: 5, of: 'builder' as const } };
    expect(slowSteps([{ id: 'a' }], new Map([['a', 20]]), short)).toEqual([]);
    expect(slowSteps([{ id: 'a' }], new Map([['a', 21]]), short)).toHaveLength(1);
  });
});
