import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numbers } from '../../../tests/support/circuits';
import { Orders } from './order';
import { SparseSystem } from './sparse';

interface Complex {
  readonly re: number;
  readonly im: number;
}
type Matrix = readonly (readonly Complex[])[];

const times = (a: Complex, b: Complex): Complex => ({
  re: a.re * b.re - a.im * b.im,
  im: a.re * b.im + a.im * b.re,
});
const less = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im });
const over = (a: Complex, b: Complex): Complex => {
  const square = b.re ** 2 + b.im ** 2;
  return { re: (a.re * b.re + a.im * b.im) / square, im: (a.im * b.re - a.re * b.im) / square };
};
const size = ({ re, im }: Complex): number => Math.hypot(re, im);

/** The plain way: a full matrix by Gauss's elimination with the largest pivot. */
function dense(matrix: Matrix, right: readonly Complex[]): readonly Complex[] {
  const rows = matrix.map((row, n) => [...row, right[n] as Complex]);
  const count = rows.length;
  for (let c = 0; c < count; c++) {
    const best = rows
      .slice(c)
      .reduce((at, row, n) => (size(row[c] as Complex) > size(rows[at]?.[c] as Complex) ? n + c : at), c);
    [rows[c], rows[best]] = [rows[best] as Complex[], rows[c] as Complex[]];
    for (let r = 0; r < count; r++) {
      if (r === c) continue;
      const share = over(rows[r]?.[c] as Complex, rows[c]?.[c] as Complex);
      for (let k = c; k <= count; k++)
        (rows[r] as Complex[])[k] = less(rows[r]?.[k] as Complex, times(share, rows[c]?.[k] as Complex));
    }
  }
  return rows.map((row, n) => over(row[count] as Complex, row[n] as Complex));
}

/** A thinly filled matrix whose rows do not lie in the order of their pivots. */
function thin(seed: number): { readonly matrix: Matrix; readonly right: readonly Complex[] } {
  const next = numbers(seed);
  const count = 3 + Math.floor(next() * 22);
  const draw = (): Complex => ({ re: 4 * next() - 2, im: 4 * next() - 2 });
  const order = Array.from({ length: count }, (_, n) => n).sort(() => next() - 0.5);
  const matrix = order.map((main) =>
    Array.from({ length: count }, (_, c) =>
      c === main ? { re: 3 + next(), im: next() } : next() < 0.15 ? draw() : { re: 0, im: 0 },
    ),
  );
  return { matrix, right: Array.from({ length: count }, draw) };
}

function systemOf(matrix: Matrix): SparseSystem {
  const system = new SparseSystem(matrix.length);
  matrix.forEach((row, r) => row.forEach((each, c) => size(each) > 0 && system.slot(r, c)));
  return system;
}
function fill(system: SparseSystem, matrix: Matrix): void {
  system.clear();
  matrix.forEach((row, r) =>
    row.forEach((each, c) => {
      if (size(each) === 0) return;
      system.re[system.slot(r, c)] = each.re;
      system.im[system.slot(r, c)] = each.im;
    }),
  );
}
const solved = (system: SparseSystem, right: readonly Complex[], transposed = false): readonly Complex[] => {
  const [re, im] = [Float64Array.from(right, (each) => each.re), Float64Array.from(right, (each) => each.im)];
  if (transposed) system.solveTransposed(re, im);
  else system.solve(re, im);
  return Array.from(re, (real, n) => ({ re: real, im: im[n] as number }));
};
const same = (a: readonly Complex[], b: readonly Complex[]): void => {
  const scale = Math.max(1, ...b.map(size));
  a.forEach((each, n) => expect(size(less(each, b[n] as Complex))).toBeLessThan(1e-8 * scale));
};

describe('a sparse system', () => {
  it('has the solution that full elimination gives, and so has its transpose', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
        const { matrix, right } = thin(seed);
        const system = systemOf(matrix);
        fill(system, matrix);
        fc.pre(system.factor() === undefined);
        same(solved(system, right), dense(matrix, right));
        const turned = matrix.map((_, r) => matrix.map((row) => row[r] as Complex));
        same(solved(system, right, true), dense(turned, right));
      }),
    );
  });

  it('fills no more than choosing the least fill among all places does (H. M. Markowitz, 1957, from memory)', () => {
    // A net of resistors, 14 by 14, each node to its neighbours and to ground.
    const side = 14;
    const count = side * side;
    const system = new SparseSystem(count);
    const values: (readonly [number, number])[] = [];
    const rows = Array.from({ length: count }, () => new Set<number>());
    for (let n = 0; n < count; n++)
      for (const [there, value] of [
        [n, 4.1],
        ...(n % side > 0 ? [[n - 1, -1]] : []),
        ...(n % side < side - 1 ? [[n + 1, -1]] : []),
        ...(n >= side ? [[n - side, -1]] : []),
        ...(n < count - side ? [[n + side, -1]] : []),
      ] as [number, number][]) {
        values.push([system.slot(n, there), value]);
        (rows[n] as Set<number>).add(there);
      }
    system.clear();
    for (const [slot, value] of values) system.re[slot] = value;
    expect(system.factor()).toBeUndefined();
    // By brute force: of all nodes that are left the one with the fewest neighbours, its neighbours joined to each other.
    const left = new Set(rows.keys());
    let filled = 0;
    while (left.size > 0) {
      let best = -1;
      for (const n of left) if (best < 0 || (rows[n]?.size ?? 0) < (rows[best]?.size ?? 0)) best = n;
      const near = [...(rows[best] as Set<number>)].filter((n) => n !== best);
      filled += 1 + 2 * near.length;
      left.delete(best);
      for (const a of near) {
        const row = rows[a] as Set<number>;
        row.delete(best);
        for (const b of near) row.add(b);
      }
    }
    expect(system.filled / filled).toBeLessThan(1.15);
  });

  it('told of some unknowns alone, and of several right sides together, is the same', () => {
    fc.assert(
      fc.property(fc.integer(), fc.nat(), fc.nat(), (seed, row, count) => {
        const { matrix } = thin(seed);
        const size = matrix.length;
        const system = systemOf(matrix);
        fill(system, matrix);
        expect(system.factor()).toBeUndefined();
        const sides = 1 + (count % 4);
        const rows = Array.from({ length: sides }, (_, d) => (row + 3 * d) % size);
        const whole = rows.map((at) => {
          const [re, im] = [new Float64Array(size), new Float64Array(size)];
          re[at] = 1;
          im[at] = -2;
          system.solve(re, im);
          return { re, im };
        });
        const [re, im] = [new Float64Array(size * sides), new Float64Array(size * sides)];
        rows.forEach((at, d) => {
          re[at * sides + d] = 1;
          im[at * sides + d] = -2;
        });
        system.solve(re, im, sides);
        rows.forEach((at, d) => {
          const unknowns = [(at + count) % size, (at + 2) % size];
          const [ownRe, ownIm] = [new Float64Array(size), new Float64Array(size)];
          ownRe[at] = 1;
          ownIm[at] = -2;
          const right = { re: ownRe.slice(), im: ownIm.slice() };
          system.solveAlong({ rows: [at], unknowns }, right, { re: ownRe, im: ownIm });
          for (let n = 0; n < size; n++) {
            expect(re[n * sides + d]).toBeCloseTo(whole[d]?.re[n] ?? 0, 12);
            expect(im[n * sides + d]).toBeCloseTo(whole[d]?.im[n] ?? 0, 12);
          }
          for (const unknown of unknowns) {
            expect(ownRe[unknown]).toBeCloseTo(whole[d]?.re[unknown] ?? 0, 12);
            expect(ownIm[unknown]).toBeCloseTo(whole[d]?.im[unknown] ?? 0, 12);
          }
        });
      }),
      { numRuns: 150 },
    );
  });

  it('goes along the order of another of the same pattern, and chooses its own where that does not hold', () => {
    const orders = new Orders();
    const steep = [
      [1, 1],
      [1, 0],
    ];
    const of = (values: readonly (readonly number[])[]): SparseSystem => {
      const system = new SparseSystem(2, orders);
      const slots = [
        [system.slot(0, 0), values[0]?.[0]],
        [system.slot(0, 1), values[0]?.[1]],
        [system.slot(1, 0), values[1]?.[0]],
        [system.slot(1, 1), values[1]?.[1]],
      ] as const;
      system.clear();
      for (const [slot, value = 0] of slots) system.re[slot] = value;
      expect(system.factor()).toBeUndefined();
      return system;
    };
    const solved = (system: SparseSystem): readonly number[] => {
      const re = Float64Array.of(1, 2);
      system.solve(re, new Float64Array(2));
      return [...re];
    };
    expect(solved(of(steep))).toEqual([2, -1]);
    const [before] = [orders.find(of(steep))];
    // The pivots of the first are nothing here.
    const turned = solved(
      of([
        [1e-20, 1],
        [1, 1],
      ]),
    );
    expect(turned[0]).toBeCloseTo(1, 12);
    expect(turned[1]).toBeCloseTo(1, 12);
    const diagonal = solved(
      of([
        [2, 1],
        [0, 4],
      ]),
    );
    expect(diagonal[0]).toBeCloseTo(0.25, 12);
    expect(diagonal[1]).toBeCloseTo(0.5, 12);
    expect(before).toBeDefined();
  });

  it('is factored again for other values along the same order, and chooses anew where that no longer holds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 100_000 }),
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        (seed, by) => {
          const { matrix, right } = thin(seed);
          const system = systemOf(matrix);
          fill(system, matrix);
          fc.pre(system.factor() === undefined);
          // Every other row is scaled: pivots that were good may now be small beside their row.
          const other = matrix.map((row, r) =>
            row.map((each, c) => ((r + c) % 2 === 0 ? { re: each.re * by, im: each.im * by } : each)),
          );
          fill(system, other);
          fc.pre(system.factor() === undefined);
          const x = solved(system, right);
          const scale = Math.max(1, by) * Math.max(1, ...x.map(size));
          const lacks = right.map((each, n) => {
            let [re, im] = [each.re, each.im];
            for (const [c, a] of (other[n] as Complex[]).entries()) {
              const { re: xRe, im: xIm } = x[c] as Complex;
              re -= a.re * xRe - a.im * xIm;
              im -= a.re * xIm + a.im * xRe;
            }
            return { re, im };
          });
          for (const lack of lacks) expect(Math.hypot(lack.re, lack.im)).toBeLessThan(1e-7 * scale);
          // The system reckons the same of itself.
          system.lacking(
            Float64Array.from(x, ({ re }) => re),
            Float64Array.from(x, ({ im }) => im),
            Float64Array.from(right, ({ re }) => re),
            Float64Array.from(right, ({ im }) => im),
          );
          lacks.forEach((lack, n) => {
            expect(Math.abs((system.restRe[n] as number) - lack.re)).toBeLessThan(1e-12 * scale);
            expect(Math.abs((system.restIm[n] as number) - lack.im)).toBeLessThan(1e-12 * scale);
          });
        },
      ),
    );
  });

  it('says which column nothing is left for, where rows depend on each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
        const { matrix } = thin(seed);
        const doubled = matrix.map((row, n) =>
          n === 1 ? (matrix[0] ?? row).map((each) => ({ re: 2 * each.re, im: 2 * each.im })) : row,
        );
        const system = systemOf(doubled);
        fill(system, doubled);
        expect(system.factor()).toBeTypeOf('number');
      }),
    );
  });

  it('keeps its work to what is filled: a chain of a thousand has three to a row', () => {
    const count = 1000;
    const system = new SparseSystem(count);
    const slots = Array.from({ length: count }, (_, n) => [
      system.slot(n, n),
      n > 0 ? system.slot(n, n - 1) : -1,
      n > 0 ? system.slot(n - 1, n) : -1,
    ]);
    system.clear();
    for (const [own = 0, before = -1, after = -1] of slots) {
      system.re[own] = 2.001;
      if (before >= 0) system.re[before] = -1;
      if (after >= 0) system.re[after] = -1;
    }
    expect(system.factor()).toBeUndefined();
    const start = performance.now();
    for (let n = 0; n < 20; n++) {
      system.factor();
      solved(
        system,
        Array.from({ length: count }, () => ({ re: 1, im: 0 })),
      );
    }
    // A full matrix of that size would take seconds.
    expect(performance.now() - start).toBeLessThan(1000);
  });
});
