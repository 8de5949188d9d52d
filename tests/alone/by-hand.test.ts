import { expect, it } from 'vitest';
import { netlist } from '../../src/core/assembly';
import { linesOf, pictureOf } from '../../src/core/drawing';
import { applyEdit, mainUse, type Edit, type Lead } from '../../src/core/lead';
import { inVice, type View } from '../../src/core/vice';
import { leadNamed } from '../examples/read';

const VIEW: View = { side: 'solder', hand: 'right', turn: 0 };

it('a change by hand, its nets, its lines in words and its drawing: 16 ms for two cores, 50 for eight channels', () => {
  const best = (id: string, edit: Edit): number => {
    const lead = leadNamed(id);
    const times = Array.from({ length: 12 }, () => {
      const start = performance.now();
      const changed = applyEdit(lead.assembly, edit);
      if (!changed.ok) return expect.fail(changed.problems[0]?.says);
      const now: Lead = { ...lead, assembly: changed.value };
      expect(netlist(now.assembly).nets.length).toBeGreaterThan(2);
      expect(linesOf(now.assembly, mainUse(now)).length).toBeGreaterThan(0);
      const vice = inVice(now, VIEW);
      const ends = vice.ends.flatMap((end) => vice.peeled(end) ?? []);
      expect(ends.map((end) => pictureOf(end).labels.length).every((count) => count > 0)).toBe(true);
      return performance.now() - start;
    });
    return Math.min(...times);
  };
  const two = best('stage-microphone', { kind: 'move', terminal: 'W1.white@b', to: 'B.3' });
  const eight = best('d25-to-eight-xlr', { kind: 'cut-back', at: 'W1.3-hot@a' });
  console.info(`changed by hand: two cores ${two.toFixed(1)} ms, eight channels ${eight.toFixed(1)} ms`);
  expect(two).toBeLessThan(16);
  expect(eight).toBeLessThan(50);
});
