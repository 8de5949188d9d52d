import { describe, expect, it } from 'vitest';
import { program } from '../../src/core/optimum';
import { cutPlan, type CutProblem } from '../../src/core/stock';
import { runGlpsol } from '../support/glpsol';

const isLong = process.env['ANTLER_TEST_LONG'] === '1';

function chance(seed: number): (from: number, to: number) => number {
  let state = seed >>> 0;
  return (from, to) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return from + Math.floor((state / 2 ** 32) * (to - from + 1));
  };
}

/** A job of so many pieces: a few kinds of cut, reels, opened ones and offcuts; sometimes too little of them. */
function jobOf(seed: number, most: number): CutProblem {
  const int = chance(seed);
  const cuts: { id: string; mm: number; count: number }[] = [];
  for (let left = int(3, most); left > 0;) {
    const count = Math.min(left, int(1, 5));
    cuts.push({ id: `cut ${cuts.length}`, mm: int(8, 90) * 100, count });
    left -= count;
  }
  const need = cuts.reduce((sum, { mm, count }) => sum + mm * count, 0);
  const kerfMm = int(0, 2) * 2;
  const stock: { id: string; mm: number; kind: 'reel' | 'opened' | 'offcut' }[] = [];
  const add = (kind: 'reel' | 'opened' | 'offcut', mm: number): void =>
    void stock.push({ id: `${kind} ${stock.length}`, kind, mm });
  for (let n = int(0, 2); n > 0; n--) add('opened', int(40, 250) * 100);
  for (let n = int(0, 2); n > 0; n--) add('offcut', int(10, 90) * 100);
  for (let n = int(0, 3); n > 0; n--)
    add('reel', Math.max(6000, Math.round((need * int(30, 70)) / 10_000) * 100));
  if (stock.length === 0) add('reel', 20_000);
  return { version: 1, kerfMm, leastOffcutMm: int(0, 2) * 300, stock, cuts } as CutProblem;
}

/**
 * The same problem as a whole-number program: how many of each cut come from each piece, whether it is cut from, and whether
 * its rest is kept; level by level, each with those before it held.
 */
function byGlpsol({ kerfMm = 0, leastOffcutMm = 0, stock, cuts }: CutProblem): {
  readonly levels: readonly number[];
  readonly ms: number;
} {
  const [pieces, kinds] = [[...stock.keys()], [...cuts.keys()]];
  const x = (i: number, s: number): string => `x${i}_${s}`;
  const big = Math.max(...stock.map(({ mm }) => mm)) + kerfMm + 1;
  const rows: string[] = [];
  for (const i of kinds) rows.push(`${pieces.map((s) => x(i, s)).join(' + ')} <= ${cuts[i]?.count}`);
  const sums = (s: number, sign: string): string =>
    kinds.map((i) => `${sign} ${(cuts[i]?.mm ?? 0) + kerfMm} ${x(i, s)}`).join(' ');
  const many = cuts.reduce((sum, { count }) => sum + count, 0);
  for (const s of pieces) {
    const mm = stock[s]?.mm ?? 0;
    rows.push(`${sums(s, '+')} - ${mm + kerfMm} u${s} <= 0`);
    rows.push(`${kinds.map((i) => x(i, s)).join(' + ')} - u${s} >= 0`);
    rows.push(`${kinds.map((i) => x(i, s)).join(' + ')} - ${many} u${s} <= 0`);
    // What is left, not below 0: the last kerf may fall off the end. Exact where f says which of the two it is.
    rows.push(`r${s} ${sums(s, '+')} >= ${mm}`);
    rows.push(`r${s} ${sums(s, '+')} + ${big} f${s} <= ${mm + big}`);
    rows.push(`r${s} - ${big} f${s} <= 0`);
    // It is kept where it is long enough, else it is waste.
    rows.push(`r${s} - ${leastOffcutMm} k${s} >= 0`);
    rows.push(`w${s} - r${s} + ${big} k${s} - ${big} u${s} >= -${big}`);
    // One piece is held: its rest counts, and it is cut from.
    rows.push(`h${s} - u${s} <= 0`);
    rows.push(`l${s} - r${s} <= 0`);
    rows.push(`l${s} - ${big} h${s} <= 0`);
  }
  rows.push(`${pieces.map((s) => `h${s}`).join(' + ')} <= 1`);
  const goals = [
    ['Maximize', pieces.flatMap((s) => kinds.map((i) => x(i, s))).join(' + '), '>='],
    [
      'Minimize',
      pieces.flatMap((s) => (stock[s]?.kind === 'reel' ? [`u${s}`] : [])).join(' + ') || '0 u0',
      '<=',
    ],
    ['Minimize', pieces.map((s) => `w${s}`).join(' + '), '<='],
    ['Maximize', pieces.map((s) => `l${s}`).join(' + '), '>='],
  ] as const;
  const levels: number[] = [];
  let ms = 0;
  for (const [way, goal, sense] of goals) {
    const made = runGlpsol(
      [
        way,
        ` goal: ${goal}`,
        'Subject To',
        ...rows.map((row) => ` ${row}`),
        'General',
        ` ${pieces.flatMap((s) => kinds.map((i) => x(i, s))).join(' ')}`,
        'Binary',
        ` ${pieces.flatMap((s) => [`u${s}`, `k${s}`, `h${s}`, `f${s}`]).join(' ')}`,
        'End',
        '',
      ].join('\n'),
    );
    ms += made.ms;
    if (made.value === undefined) throw new Error('glpsol found no optimum');
    levels.push(made.value);
    rows.push(`${goal} ${sense} ${made.value}`);
  }
  return { levels, ms };
}

describe('a cutting plan beside glpsol', () => {
  const seeds = Array.from({ length: isLong ? 2000 : 200 }, (_, n) => n + 1);
  it(
    `of ${seeds.length} jobs of at most 20 pieces: the same optimum at every level`,
    { timeout: 600_000 },
    () => {
      let [ours, theirs] = [0, 0];
      for (const seed of seeds) {
        const job = jobOf(seed, 20);
        const begun = performance.now();
        const found = cutPlan(job);
        ours += performance.now() - begun;
        const { levels, ms } = byGlpsol(job);
        theirs += ms;
        const made = found.pieces.reduce((sum, { cuts }) => sum + cuts.length, 0);
        expect(found.optimal, `${seed}`).toBe(true);
        expect([made, found.reelsOpened], `${seed}`).toEqual(levels.slice(0, 2).map(Math.round));
        expect(found.wasteMm, `${seed}`).toBeCloseTo(levels[2] ?? NaN, 2);
        expect(found.longestRestMm, `${seed}`).toBeCloseTo(levels[3] ?? NaN, 2);
      }
      console.info(`cutting plans: ${(ours / theirs).toFixed(3)} of glpsol’s time`);
    },
  );
});

describe('the linear program beside glpsol', () => {
  it('of 40 programs: the same value', { timeout: 120_000 }, () => {
    for (let seed = 1; seed <= 40; seed++) {
      const int = chance(seed);
      const costs = Array.from({ length: int(2, 8) }, () => int(1, 20));
      const made = program(costs);
      const rows = Array.from({ length: int(2, 8) }, () => ({
        a: costs.map(() => int(0, 9)),
        b: int(1, 60),
      })).filter(({ a }) => a.some((each) => each > 0));
      for (const { a, b } of rows)
        made.add(
          a.map((each) => -each),
          -b,
        );
      expect(made.solve()).toBe('optimal');
      const { value } = runGlpsol(
        [
          'Minimize',
          ` goal: ${costs.map((cost, n) => `${cost} x${n}`).join(' + ')}`,
          'Subject To',
          ...rows.map(({ a, b }) => ` ${a.map((each, n) => `${each} x${n}`).join(' + ')} >= ${b}`),
          'End',
          '',
        ].join('\n'),
      );
      // It prints nine digits.
      expect(made.value()).toBeCloseTo(value ?? NaN, 4);
    }
  });
});
