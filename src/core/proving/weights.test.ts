import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { faultsOf } from '.';

/**
 * How often one thing happens against another (common practice: a core off its joint before all else, then a bad joint and two
 * that are exchanged, then a short; all others alike, and what takes two slips half as often), by how its id begins.
 */
const OFTEN: readonly (readonly [begins: RegExp, weight: number])[] = [
  // A conductor has its side in its name; a contact, a case and a link have none.
  [/^open:[^@]+@/, 4],
  [/^high:/, 2],
  [/^(?:crossed|reversed):/, 2],
  [/^short:/, 1.5],
  [/^(?:crossed|reversed) twice:/, 0.5],
  [/^moved:|^misplaced:/, 0.5],
];

describe('what happens often is looked for first', () => {
  it('every fault of every example has the weight of its kind', () => {
    const seen = new Set<string>();
    for (const example of EXAMPLES) {
      const { assembly, situations } = leadOf(example);
      if (assembly.bodies.reduce((sum, { joints }) => sum + joints.length, 0) > 60) continue;
      for (const { id, weight } of faultsOf(assembly, situations[0])) {
        const known = OFTEN.find(([begins]) => begins.test(id));
        expect([id, weight]).toEqual([id, known?.[1] ?? 1]);
        seen.add(known ? String(known[0]) : id.replace(/[: ].*/, ''));
      }
    }
    for (const kind of [...OFTEN.map(([begins]) => String(begins)), 'channels', 'touch', 'leak', 'melted'])
      expect([...seen]).toContain(kind);
  });
});
