import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { program } from '.';

/** Every corner of a program in two unknowns, by crossing each pair of its edges: the cheapest that no row forbids. */
function byCorners(
  costs: readonly [number, number],
  rows: readonly (readonly [number, number, number])[],
): number | undefined {
  const edges = [...rows, [-1, 0, 0], [0, -1, 0]] as const;
  const corners = edges.flatMap(([a, b, c], n) =>
    edges.slice(n + 1).flatMap(([d, e, f]) => {
      const by = a * e - b * d;
      return Math.abs(by) < 1e-9 ? [] : [[(c * e - b * f) / by, (a * f - c * d) / by] as const];
    }),
  );
  const good = corners.filter(([x, y]) => edges.every(([a, b, c]) => a * x + b * y <= c + 1e-7));
  return good.length === 0 ? undefined : Math.min(...good.map(([x, y]) => costs[0] * x + costs[1] * y));
}

const whole = (min: number, max: number) => fc.integer({ min, max });

describe('a linear program', () => {
  it('two mixtures: 2x + y ≥ 4, x + 3y ≥ 6 at 1 each is 2.8, at x 1.2 and y 1.6 (worked by hand)', () => {
    const both = program([1, 1]);
    both.add([-2, -1], -4);
    both.add([-1, -3], -6);
    expect(both.solve()).toBe('optimal');
    expect(both.value()).toBeCloseTo(2.8, 9);
    expect(both.unknowns()).toEqual([expect.closeTo(1.2, 9), expect.closeTo(1.6, 9)]);
    // A unit less of the first saves 0.4, of the second 0.2: 4 × 0.4 + 6 × 0.2 = 2.8.
    expect(both.prices()).toEqual([expect.closeTo(0.4, 9), expect.closeTo(0.2, 9)]);
  });

  it('from dear to cheap too: the most of 3x + 2y where x + y ≤ 4 and x ≤ 3 is 11', () => {
    const most = program([-3, -2]);
    most.add([1, 1], 4);
    most.add([1, 0], 3);
    expect(most.solve()).toBe('optimal');
    expect(most.value()).toBeCloseTo(-11, 9);
    // A row added afterwards mends it from where it was.
    most.add([0, 1], 0.5);
    most.solve();
    expect(most.value()).toBeCloseTo(-10, 9);
  });

  it('says where there is no answer', () => {
    const none = program([1]);
    none.add([1], 1);
    none.add([-1], -2);
    expect(none.solve()).toBe('infeasible');
    const more = program([-1, 0]);
    more.add([-1, 1], 1);
    expect(more.solve()).toBe('unbounded');
  });

  it('in two unknowns is the cheapest corner', () => {
    const row = fc.tuple(whole(-5, 5), whole(-5, 5), whole(-9, 9));
    fc.assert(
      fc.property(
        fc.tuple(whole(0, 5), whole(0, 5)),
        fc.array(row, { minLength: 1, maxLength: 6 }),
        (costs, rows) => {
          const made = program(costs);
          for (const [a, b, c] of rows) made.add([a, b], c);
          const ended = made.solve();
          const expected = byCorners(costs, rows);
          if (expected === undefined) expect(ended).toBe('infeasible');
          else {
            expect(ended).toBe('optimal');
            expect(made.value()).toBeCloseTo(expected, 6);
          }
        },
      ),
      { numRuns: 400, seed: 3 },
    );
  });

  it('of many unknowns proves itself: what it finds is allowed, and its prices forbid less', () => {
    const size = 8;
    const row = fc.tuple(fc.array(whole(0, 9), { minLength: size, maxLength: size }), whole(1, 30));
    fc.assert(
      fc.property(
        fc.array(whole(1, 9), { minLength: size, maxLength: size }),
        fc.array(row, { minLength: 3, maxLength: 12 }),
        (costs, rows) => {
          fc.pre(rows.every(([a]) => a.some((each) => each > 0)));
          const made = program(costs);
          for (const [a, b] of rows)
            made.add(
              a.map((each) => -each),
              -b,
            );
          expect(made.solve()).toBe('optimal');
          const [x, y] = [made.unknowns(), made.prices()];
          for (const [a, b] of rows)
            expect(a.reduce((sum, each, n) => sum + each * (x[n] ?? 0), 0)).toBeGreaterThan(b - 1e-6);
          // Weak duality: prices of no minus that no unknown costs less than prove Σ b·y to be a bound.
          for (const [n, cost] of costs.entries())
            expect(rows.reduce((sum, [a], r) => sum + (a[n] ?? 0) * (y[r] ?? 0), 0)).toBeLessThan(
              cost + 1e-6,
            );
          expect(Math.min(...x, ...y)).toBeGreaterThan(-1e-9);
          expect(rows.reduce((sum, [, b], r) => sum + b * (y[r] ?? 0), 0)).toBeCloseTo(made.value(), 6);
        },
      ),
      { numRuns: 200, seed: 4 },
    );
  });
});
