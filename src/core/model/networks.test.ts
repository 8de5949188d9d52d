import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pairBraidStraight } from '../../../tests/builds/straight';
import type { Assembly } from '../assembly';
import { resistances, type ResistiveElement } from '.';

const lead = pairBraidStraight();
/** The straight lead with nothing joined and no copper: its ten terminals are bare nodes to hang resistors on. */
const nodesOnly: Assembly = {
  ...lead,
  spans: [],
  bodies: lead.bodies.map((body) => ({ ...body, joints: [], entries: [] })),
};
const NODES = ['A.1', 'A.2', 'A.3', 'A.shell', 'B.1', 'B.2', 'B.3', 'B.shell'] as const;

/**
 * An independent way to the same answer: star–mesh elimination. Each node but the two asked for is taken away, and every
 * pair of its neighbours is joined by the conductance g_i · g_j / Σg (the general star–mesh transform).
 */
function byElimination(elements: readonly ResistiveElement[], from: string, to: string): number {
  const siemens = new Map<string, number>();
  const key = (a: string, b: string): string => [a, b].sort().join('|');
  const add = (a: string, b: string, value: number): void => {
    if (a !== b) siemens.set(key(a, b), (siemens.get(key(a, b)) ?? 0) + value);
  };
  for (const { a, b, ohms } of elements) add(a, b, 1 / ohms);
  for (const node of NODES) {
    if (node === from || node === to) continue;
    const arms = [...siemens]
      .filter(([pair]) => pair.split('|').includes(node))
      .map(([pair, value]) => ({ pair, value, other: pair.split('|').find((each) => each !== node) ?? '' }));
    const total = arms.reduce((sum, arm) => sum + arm.value, 0);
    for (const arm of arms) siemens.delete(arm.pair);
    arms.forEach((one, n) => {
      for (const other of arms.slice(n + 1)) add(one.other, other.other, (one.value * other.value) / total);
    });
  }
  return 1 / (siemens.get(key(from, to)) ?? 0);
}

const element = fc.record({
  a: fc.constantFrom(...NODES),
  b: fc.constantFrom(...NODES),
  ohms: fc.double({ min: 0.01, max: 1e6, noNaN: true }),
});

describe('any network of resistors', () => {
  it('has the resistance that star–mesh elimination gives, open where that is open', () => {
    fc.assert(
      fc.property(fc.array(element, { minLength: 1, maxLength: 20 }), (drawn) => {
        const extra = drawn.filter(({ a, b }) => a !== b);
        const r = resistances(nodesOnly, { lengths: new Map(), extra });
        for (const [from, to] of [
          ['A.1', 'B.3'],
          ['A.2', 'A.3'],
          ['B.shell', 'A.1'],
        ] as const) {
          const expected = byElimination(extra, from, to);
          if (expected === Infinity) expect(r(from, to)).toBe(Infinity);
          else expect(Math.abs(r(from, to) / expected - 1)).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('never has more by adding a resistor (Rayleigh), and obeys the triangle', () => {
    fc.assert(
      fc.property(fc.array(element, { minLength: 2, maxLength: 14 }), (drawn) => {
        const extra = drawn.filter(({ a, b }) => a !== b);
        const all = resistances(nodesOnly, { lengths: new Map(), extra });
        const fewer = resistances(nodesOnly, { lengths: new Map(), extra: extra.slice(1) });
        const [ab, bc, ac] = [all('A.1', 'A.2'), all('A.2', 'B.1'), all('A.1', 'B.1')];
        return (
          all('A.1', 'B.1') <= fewer('A.1', 'B.1') * (1 + 1e-6) &&
          (ab === Infinity || bc === Infinity || ac <= (ab + bc) * (1 + 1e-6))
        );
      }),
    );
  });

  it('of zero ohms is one piece of metal, however it is reached', () => {
    const extra = [
      { a: 'A.1', b: 'A.2', ohms: 0 },
      { a: 'A.2', b: 'B.1', ohms: 0 },
      { a: 'B.1', b: 'B.2', ohms: 7 },
    ];
    const r = resistances(nodesOnly, { lengths: new Map(), extra });
    expect(r('A.1', 'B.1')).toBe(0);
    expect(r('A.1', 'B.2')).toBeCloseTo(7, 12);
  });
});
