import { describe, expect, it } from 'vitest';
import { stageOf } from '../../../tests/support/lines';
import { costOf, mayStand, patchOf, readLines, type Lines } from '.';

const EXAMPLE: Lines = {
  version: 1,
  lines: [
    { way: 1, state: 'good' },
    { way: 2, state: 'bad' },
    { way: 3, state: 'unknown' },
    { way: 4, state: 'good' },
    { way: 5, state: 'good' },
  ],
  inputs: [
    { id: 'bass', way: 2, weight: 3, phantom: false },
    { id: 'keys L', way: 3, weight: 1, pair: 'keys' },
    { id: 'keys R', way: 4, weight: 1, pair: 'keys' },
  ],
  costs: { move: 1, onUnknown: 5, pairApart: 3 },
};

/** The least cost over every way of standing: by trying each. */
function byHand(given: Lines): number {
  const { lines, inputs } = given;
  let best = Infinity;
  const ways: (number | undefined)[] = [];
  const taken = new Set<number>();
  const next = (n: number): void => {
    const input = inputs[n];
    if (!input) {
      best = Math.min(best, costOf(given, ways));
      return;
    }
    ways[n] = undefined;
    next(n + 1);
    for (const line of lines)
      if (mayStand(input, line) && !taken.has(line.way)) {
        taken.add(line.way);
        ways[n] = line.way;
        next(n + 1);
        taken.delete(line.way);
      }
    ways[n] = undefined;
  };
  next(0);
  return best;
}
/** The ways of a patch list, by input. */
const waysIn = (given: Lines, { inputs }: ReturnType<typeof patchOf>): readonly (number | undefined)[] =>
  given.inputs.map(({ id }) => inputs.find((each) => each.id === id)?.way);

describe('planning inputs anew', () => {
  it('the example: the bass and one side of the keys move, and the keys stay together on proven ways', () =>
    expect(patchOf(EXAMPLE)).toEqual({
      version: 1,
      inputs: [
        { id: 'bass', way: 1, moved: true },
        { id: 'keys L', way: 5, moved: true },
        { id: 'keys R', way: 4, moved: false },
      ],
      left: [],
      cost: 2,
      optimal: true,
    }));

  it('is never dearer than the best of all ways of standing, tried by hand: 120 stages', () => {
    for (let seed = 1; seed <= 120; seed++) {
      const given = stageOf(seed, 3 + (seed % 4), 2 + (seed % 5));
      const found = patchOf(given);
      expect(found.optimal, `${seed}`).toBe(true);
      expect(found.cost, `${seed}`).toBeCloseTo(byHand(given), 6);
    }
  });

  it('what it says is so: nobody on a bad way, nobody twice, none that phantom harms where it stays on, and the cost is that', () => {
    for (let seed = 200; seed < 240; seed++) {
      const given = stageOf(seed, 24, 20);
      const found = patchOf(given);
      const ways = waysIn(given, found);
      expect(new Set(found.inputs.map(({ way }) => way)).size).toBe(found.inputs.length);
      expect(found.inputs.length + found.left.length).toBe(given.inputs.length);
      given.inputs.forEach((input, n) => {
        const line = given.lines.find(({ way }) => way === ways[n]);
        if (ways[n] !== undefined) expect(line && mayStand(input, line)).toBe(true);
      });
      expect(found.cost).toBeCloseTo(costOf(given, ways), 6);
    }
  });

  it('laws: one more good line is never worse, nor is a line that turns out good; without harm nothing moves', () => {
    for (let seed = 300; seed < 320; seed++) {
      const given = stageOf(seed, 12, 10);
      const { cost } = patchOf(given);
      const more = patchOf({ ...given, lines: [...given.lines, { way: 99, state: 'good' }] });
      expect(more.cost).toBeLessThanOrEqual(cost + 1e-6);
      const proven = patchOf({
        ...given,
        lines: given.lines.map((line) => ({ ...line, state: 'good' as const })),
      });
      expect(proven.cost).toBeLessThanOrEqual(cost + 1e-6);
    }
    const whole = { ...EXAMPLE, lines: EXAMPLE.lines.map(({ way }) => ({ way, state: 'good' as const })) };
    expect(patchOf(whole)).toMatchObject({ cost: 0, left: [] });
  });

  it('a line whose phantom cannot be switched off takes no input that it harms, though there is no other', () => {
    const one = (phantom?: boolean): Lines => ({
      ...EXAMPLE,
      lines: [{ way: 1, state: 'good', phantom: true }],
      inputs: [{ id: 'ribbon', way: 1, weight: 2, ...(phantom === undefined ? {} : { phantom }) }],
    });
    expect(patchOf(one(false))).toMatchObject({ left: ['ribbon'], cost: 200 });
    expect(patchOf(one(true))).toMatchObject({ left: [], cost: 0 });
    expect(patchOf(one())).toMatchObject({ left: [], cost: 0 });
  });

  it('whom nobody misses stands all the same where that costs nothing, on the printed way first', () => {
    const one = (weight: number, state: 'good' | 'unknown'): Lines => ({
      ...EXAMPLE,
      lines: [
        { way: 1, state: 'good' },
        { way: 3, state },
      ],
      inputs: [{ id: 'spare', way: 3, weight }],
    });
    for (const state of ['good', 'unknown'] as const)
      expect(patchOf(one(0, state))).toMatchObject({ inputs: [{ way: 3, moved: false }], left: [], cost: 0 });
    // Where it would cost a move it is left: least cost is best.
    const away = { ...one(0, 'good'), lines: [{ way: 1, state: 'good' as const }] };
    expect(patchOf(away)).toMatchObject({ left: ['spare'], cost: 0 });
  });

  it.each([44, 48])('48 ways with %d inputs within a second', (count) => {
    for (let seed = 400; seed < 403; seed++) {
      const given = stageOf(seed, 48, count);
      const from = performance.now();
      const found = patchOf(given);
      expect(found.optimal).toBe(true);
      // Twice as long where the machine is busy.
      expect(performance.now() - from).toBeLessThan(2000);
    }
  });

  it('costs that have no common measure are met all the same', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const given = stageOf(seed, 5, 4);
      const odd = { ...given, costs: { move: Math.SQRT2, onUnknown: Math.PI, pairApart: Math.E } };
      expect(patchOf(odd).cost).toBeCloseTo(byHand(odd), 6);
    }
  });

  it('what is wrong with a file is named with its place', () => {
    const codes = (document: unknown): readonly string[] => {
      const read = readLines(document);
      return read.ok ? [] : read.problems.map(({ code, path }) => `${code} ${path ?? ''}`);
    };
    expect(codes(EXAMPLE)).toEqual([]);
    expect(codes({ ...EXAMPLE, lines: [...EXAMPLE.lines, { way: 1, state: 'good' }] })).toEqual([
      'patch.twice lines[5].way',
    ]);
    expect(codes({ ...EXAMPLE, inputs: [...EXAMPLE.inputs, { id: 'bass' }] })).toEqual([
      'patch.twice inputs[3].id',
    ]);
    expect(codes({ ...EXAMPLE, inputs: EXAMPLE.inputs.slice(0, 2) })).toEqual(['patch.pair inputs[1].pair']);
    const { costs: _, ...without } = EXAMPLE;
    expect(codes(without)).toEqual([expect.stringMatching(/ costs$/)]);
    expect(codes({ ...EXAMPLE, lines: [{ way: 1, state: 'fine' }] })[0]).toContain('lines[0].state');
  });
});
