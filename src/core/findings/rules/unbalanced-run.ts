import { formatLength } from '../../quantity';
import { isBalanced } from '../../catalogue';
import { pairsOf } from '../../situation';
import type { Rule } from '../types';
import { figuresOf, solvedOf } from './solved';

export const unbalancedRun: Rule = {
  id: 'unbalanced-run',
  what: 'An unbalanced run that is longer than is usual among this wiring.',
  source: 'common practice; run lengths from memory; by the circuit',
  find(used) {
    const { assembly, situation } = used;
    const place = situation.surroundings;
    const noisy = place !== 'studio' && place !== 'rack';
    const pairs = pairsOf(situation);
    const limits = situation.channels.flatMap((c) =>
      c.port.longestUnbalancedM ? [c.port.longestUnbalancedM[noisy ? 'stage' : 'quiet']] : [],
    );
    const longest = assembly.lengths[0];
    if (
      limits.length === 0 ||
      !longest ||
      !pairs.some((pair) => !isBalanced(pair.out.roles) || !isBalanced(pair.in.roles))
    )
      return [];
    const limit = Math.min(...limits) * 1000;
    const first = pairs[0]?.out;
    const treble = figuresOf(used, 'treble').find((each) => each.out === first && !first?.port.coil)?.figure;
    const dull = treble !== undefined && treble.value < -0.5;
    return longest.mm <= limit
      ? []
      : [
          {
            severity: 'caution',
            says: `${formatLength(longest.mm)} is long for an unbalanced run ${place === 'vehicle' ? 'beside an alternator' : noisy ? 'among stage and mains wiring' : 'even in quiet surroundings'}: up to ${formatLength(limit)} is usual.`,
            because: `Whatever the ground and the field put on the screen adds straight to the signal${dull ? ', and the cable’s capacitance eats the top' : ''}.${first ? solvedOf(used, first, { hum: (says) => `10 mV between the grounds hums ${says} under the signal`, ...(dull ? { treble: (says: string) => `20 kHz is at ${says} against 1 kHz` } : {}) }) : ''}`,
            hear: `Hum and buzz that change as the lead is moved${dull ? ', and dull highs' : ''}.`,
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
