import { formatLength } from '../../quantity';
import { isBalanced } from '../../catalogue';
import type { Rule } from '../types';

export const unbalancedRun: Rule = {
  id: 'unbalanced-run',
  source: 'common practice; run lengths from memory',
  find({ assembly, situation }) {
    const noisy = situation.surroundings === 'stage' || situation.surroundings === 'wall';
    const limits = situation.channels.flatMap((c) =>
      c.port.longestUnbalancedM ? [c.port.longestUnbalancedM[noisy ? 'stage' : 'quiet']] : [],
    );
    const longest = assembly.lengths[0];
    if (
      limits.length === 0 ||
      !longest ||
      !situation.links.some(
        (link) =>
          !isBalanced(situation.channels[link.out]?.roles ?? {}) ||
          !isBalanced(situation.channels[link.in]?.roles ?? {}),
      )
    )
      return [];
    const limit = Math.min(...limits) * 1000;
    return longest.mm <= limit
      ? []
      : [
          {
            severity: 'caution',
            says: `${formatLength(longest.mm)} is long for an unbalanced run ${noisy ? 'among stage and mains wiring' : 'even in quiet surroundings'}: up to ${formatLength(limit)} is usual.`,
            because:
              'Whatever the ground and the field put on the screen adds straight to the signal, and the cable’s capacitance eats the top.',
            hear: 'Hum and buzz that change as the lead is moved, and dull highs from a high-impedance source.',
            about: longest.from,
            remedies: [
              {
                says: `Keep it to ${formatLength(limit)} and carry the rest balanced`,
                change: { kind: 'set', path: 'length.mm', value: limit },
              },
            ],
          },
        ];
  },
};
