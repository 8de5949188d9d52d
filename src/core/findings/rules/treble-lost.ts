import { formatLength } from '../../quantity';
import type { Rule } from '../types';
import { figuresOf } from './solved';

/** The top of what is heard, Hz. */
const TOP = 20_000;

export const trebleLost: Rule = {
  id: 'treble-lost',
  what: 'Cable whose capacitance takes the treble of this source.',
  source: 'by the circuit; capacitance of cables typical, from memory',
  find: (used) => {
    const [worst] = figuresOf(used, 'minus3')
      // What is wound rings with its lead, and falls away above whatever is done.
      .filter(({ figure, out }) => figure.value < TOP && !out?.port.coil)
      .sort((a, b) => a.figure.value - b.figure.value);
    if (!worst) return [];
    const length = used.assembly.lengths[0];
    // The frequency goes as one over the capacitance, and that as the length; a little less for the figure’s own error.
    const most = length ? Math.floor((0.95 * length.mm * worst.figure.value) / TOP / 100) * 100 : 0;
    return [
      {
        severity: 'caution' as const,
        says: `The cable takes the treble: −3 dB at ${worst.figure.says}.`,
        because:
          'The source’s impedance and the cable’s capacitance make a low-pass; half the length doubles the frequency.',
        hear: 'Dull, as if a blanket lay over it.',
        about: worst.out?.end ?? '',
        remedies:
          most >= 200
            ? [
                {
                  says: `Keep it to ${formatLength(most)}, or drive it from a lower impedance`,
                  change: { kind: 'set' as const, path: 'length.mm', value: most },
                },
              ]
            : [],
      },
    ];
  },
};
