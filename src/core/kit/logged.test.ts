import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { costOf, loggedPace, minutesFor, USUAL_PACE } from '.';

const COURSE = [
  { id: 'cut', kind: 'cut' },
  { id: 'solder A.1', kind: 'solder' },
  { id: 'solder A.2', kind: 'solder' },
];
const unit = (cut: number, one: number, two: number) =>
  COURSE.map((step, n) => ({ ...step, seconds: [cut, one, two][n] ?? 0 }));

describe('how long a lead takes by the log', () => {
  it('is the sum of the medians of its own steps, not the median of sums', () => {
    // Cut: 60, 90, 600 → 90. First: 30, 40, 50 → 40. Second: 20, 200, 30 → 30. 160 s.
    const pace = loggedPace(COURSE, [unit(60, 30, 20), unit(90, 40, 200), unit(600, 50, 30)], []);
    expect(pace?.minutes).toBeCloseTo(160 / 60, 9);
    expect(pace?.says).toBe('by the log of 3 units of it, the median of each step');
  });

  it('between two it is halfway', () =>
    expect(loggedPace(COURSE.slice(0, 1), [unit(60, 0, 0), unit(90, 0, 0)], [])?.minutes).toBeCloseTo(
      1.25,
      9,
    ));

  it('a step that none of its units did is as long as steps of its kind', () => {
    const half = unit(60, 30, 0).slice(0, 2);
    const other = [{ id: 'solder B.3', kind: 'solder', seconds: 50 }];
    // 60 + 30 + the median of 30 and 50.
    const pace = loggedPace(COURSE, [half], [other]);
    expect(pace?.minutes).toBeCloseTo((60 + 30 + 40) / 60, 9);
    expect(pace?.says).toContain('1 of its 3 steps by steps of their kind');
    expect(loggedPace(COURSE, [], [unit(60, 30, 40)])?.says).toBe(
      'by the log of 1 unit of other leads, the median of each kind of step',
    );
  });

  it('with a step that nobody ever did there is none: the sum would be too short', () => {
    expect(loggedPace(COURSE, [], [])).toBeUndefined();
    expect(loggedPace(COURSE, [], [[{ id: 'cut', kind: 'cut', seconds: 60 }]])).toBeUndefined();
    expect(loggedPace([], [], [])).toBeUndefined();
    // One of which nothing was timed is not counted; one with a single step is.
    const cut = (seconds: number) => [{ id: 'cut', kind: 'cut', seconds }];
    expect(loggedPace([{ id: 'cut', kind: 'cut' }], [cut(60), [], cut(90)], [])).toEqual({
      minutes: 1.25,
      says: 'by the log of 2 units of it, the median of each step',
    });
    expect(loggedPace([{ id: 'cut', kind: 'cut' }], [], [cut(60), []])?.says).toContain('of 1 unit of other');
  });

  it('one unit that was left lying for hours among three does not move it', () =>
    fc.assert(
      fc.property(fc.integer({ min: 3600, max: 1e6 }), (long) => {
        const pace = loggedPace(COURSE, [unit(60, 30, 20), unit(60, 30, 20), unit(long, long, long)], []);
        return Math.abs((pace?.minutes ?? 0) - 110 / 60) < 1e-9;
      }),
    ));

  it('stands in the place of the handbook’s figures in what a lead costs', () => {
    const { assembly } = leadFor();
    const logged = { minutes: 21, says: 'by the log of 3 units of it' };
    const cost = costOf([], assembly, {}, { count: 5, hourly: 30, logged });
    // 21 min and a fifth of 10 of setting up, at 30 an hour.
    expect(cost.minutes).toBe(23);
    expect(cost.labour).toBeCloseTo(11.5, 9);
    expect(cost.pace).toBe('by the log of 3 units of it');
    expect(costOf([], assembly, {}, { count: 5 })).toMatchObject({
      minutes: minutesFor(assembly) + 2,
      pace: USUAL_PACE.source,
    });
  });
});
