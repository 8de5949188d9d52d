import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leastWhole, program, type WholeProgram } from '.';

const all = { step: 0, many: 30, upTo: Infinity, nodes: 10_000, mayGoOn: () => true } as const;

/** Every whole answer with no unknown above `most`. */
function byTrying({ costs, rows }: Pick<WholeProgram, 'costs' | 'rows'>, most: number): number {
  let best = Infinity;
  const x = costs.map(() => 0);
  const from = (n: number): void => {
    if (n === x.length) {
      const keeps = rows.every(({ a, b }) => a.reduce((sum, each, m) => sum + each * (x[m] ?? 0), 0) <= b);
      if (keeps)
        best = Math.min(
          best,
          x.reduce((sum, each, m) => sum + each * (costs[m] ?? 0), 0),
        );
      return;
    }
    for (let is = 0; is <= most; is++) {
      x[n] = is;
      from(n + 1);
    }
    x[n] = 0;
  };
  from(0);
  return best;
}

describe('a program in whole numbers', () => {
  it('of two kinds of box that must hold seven: the linear program would break one', () => {
    // 3x + 2y ≥ 7 at 5 and 4: 2.33 of x cost 11.67, whole ones 13: one x and two y.
    const answer = leastWhole({ ...all, costs: [5, 4], rows: [{ a: [-3, -2], b: -7 }], step: 1 });
    expect(answer).toEqual({ x: [1, 2], value: 13, isProven: true });
  });

  it('is what trying everything finds, with its sums branched on first or not, and of a step or none', () => {
    const row = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 3, maxLength: 3 }),
        fc.array(fc.record({ a: row, b: fc.integer({ min: 1, max: 9 }) }), { minLength: 1, maxLength: 3 }),
        fc.record({ a: row, b: fc.integer({ min: 2, max: 12 }) }),
        fc.boolean(),
        (costs, least, most, isStepped) => {
          const rows = [...least.map(({ a, b }) => ({ a: a.map((each) => -each), b: -b })), most];
          const sums = isStepped ? least.map(({ a }) => a) : [];
          const answer = leastWhole({ ...all, costs, rows, sums, step: isStepped ? 1 : 0 });
          const best = byTrying({ costs, rows }, 9);
          expect(answer.isProven).toBe(true);
          expect(answer.value).toBeCloseTo(best, 6);
          if (answer.x)
            for (const { a, b } of rows)
              expect(a.reduce((sum, each, n) => sum + each * (answer.x?.[n] ?? 0), 0)).toBeLessThanOrEqual(b);
        },
      ),
      { numRuns: 200, seed: 5 },
    );
  });

  it('is found where what is left to a limit is less than one, and dear: that is not nothing because it is not one', () => {
    // The limit of 4.000001 leaves a millionth, of which a whole one would save 1000: no answer uses it up.
    const answer = leastWhole({
      ...all,
      costs: [1000, 1, 3],
      rows: [
        { a: [-1, -1, 0], b: -4 },
        { a: [0, 1, 2], b: 4.000001 },
        { a: [-1, 0, -1], b: -1 },
      ],
      sums: [[0, 1, 1]],
      upTo: 1010,
      step: 1,
    });
    expect(answer).toEqual({ x: [1, 3, 0], value: 1003, isProven: true });
  });

  it('is what trying everything finds, with limits between whole numbers and only near to the best looked for', () => {
    const row = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 4, maxLength: 4 }),
        fc.array(fc.record({ a: row, b: fc.integer({ min: 1, max: 9 }) }), { minLength: 2, maxLength: 3 }),
        fc.array(
          fc.record({ a: row, b: fc.integer({ min: 1, max: 12 }), over: fc.constantFrom(1e-6, 0.01, 0.4) }),
          {
            minLength: 1,
            maxLength: 2,
          },
        ),
        fc.integer({ min: 0, max: 30 }),
        (costs, least, most, more) => {
          const rows = [
            ...least.map(({ a, b }) => ({ a: a.map((each) => -each), b: -b })),
            ...most.map(({ a, b, over }) => ({ a, b: b + over })),
          ];
          const best = byTrying({ costs, rows }, 9);
          const upTo = Number.isFinite(best) ? best + more : 100;
          const answer = leastWhole({
            ...all,
            costs,
            rows,
            sums: least.map(({ a }) => a),
            step: 1,
            many: 36,
            upTo,
          });
          expect(answer.isProven).toBe(true);
          expect(answer.value).toBe(best > upTo ? Infinity : best);
        },
      ),
      { numRuns: 300, seed: 8 },
    );
  });

  it('of very many at once none is lost to what is put on top of each: 4 000 of one that costs a step', () => {
    const many = { ...all, many: 4000, costs: [1, 1], rows: [{ a: [-1, -1], b: -4000 }], step: 1 };
    expect(leastWhole({ ...many, upTo: 4000 }).value).toBe(4000);
    expect(leastWhole({ ...many, upTo: 3999 })).toEqual({ value: Infinity, isProven: true });
  });

  it('finds nothing below what is looked for, and says so; out of nodes it proves nothing', () => {
    const boxes = { ...all, costs: [5, 4], rows: [{ a: [-3, -2], b: -7 }], step: 1 };
    expect(leastWhole({ ...boxes, upTo: 12 })).toEqual({ value: Infinity, isProven: true });
    expect(leastWhole({ ...boxes, upTo: 13 }).value).toBe(13);
    expect(leastWhole({ ...boxes, nodes: 1 }).isProven).toBe(false);
    expect(leastWhole({ ...boxes, mayGoOn: () => false }).isProven).toBe(false);
  });
});

describe('a linear program that is gone on with', () => {
  const both = () => {
    const made = program([1, 1]);
    made.add([-2, -1], -4);
    made.add([-1, -3], -6);
    return made;
  };

  it('an unknown that is raised is at least that, and what is said of it later counts it whole', () => {
    const made = both();
    expect(made.solve()).toBe('optimal');
    expect(made.value()).toBeCloseTo(2.8, 9);
    made.raise(0, 2);
    expect(made.solve()).toBe('optimal');
    // x = 2, so y ≥ 4 ÷ 3.
    expect(made.unknowns()[0]).toBeCloseTo(2, 9);
    expect(made.value()).toBeCloseTo(2 + 4 / 3, 9);
    made.add([1, 0], 2.5);
    made.add([0, 1], 1);
    expect(made.solve()).toBe('infeasible');
    const wider = both();
    wider.raise(1, 5);
    expect(wider.solve()).toBe('optimal');
    expect(wider.unknowns()).toEqual([0, 5].map((is) => expect.closeTo(is, 9) as number));
  });

  it('is given up where it is surely above what is asked', () => {
    // After its first step it is 2, after the second 2.8.
    expect(both().solve({ above: 1.5 })).toBe('above');
    expect(both().solve({ above: 3 })).toBe('optimal');
    expect(both().solve({ mayGoOn: () => false })).toBe('optimal');
  });

  it('without what is too dear to bring in, its value is the same', () => {
    const made = program([1, 1, 50]);
    made.add([-2, -1, -1], -4);
    expect(made.solve()).toBe('optimal');
    const less = made.copy(10);
    less.add([1, 0, 0], 1);
    expect(less.solve()).toBe('optimal');
    expect(less.value()).toBeCloseTo(3, 9);
    expect(less.unknowns()[2]).toBe(0);
    expect(made.value()).toBeCloseTo(2, 9);
  });
});
