import { formatLength } from '../../quantity';
import { LOUDSPEAKER_SHARE as SHARE } from '../../signal';
import type { Rule } from '../types';
import { besideOf, figuresOf } from './solved';

export const loudspeakerLoss: Rule = {
  id: 'loudspeaker-loss',
  source: 'by the circuit; copper IEC 60228; 5 % of the load common practice',
  find: (used) =>
    figuresOf(used, 'loop')
      .flatMap((solved) => {
        const { figure, into } = solved;
        const load = into?.port.impedance ?? 0;
        const length = used.assembly.lengths[0];
        if (figure.value <= SHARE * load || !length) return [];
        const lost = besideOf(used, solved, 'cable')?.says ?? '';
        const damping = besideOf(used, solved, 'damping')?.says ?? '';
        // A little less for what the contacts and connectors add whatever the length.
        const most = Math.floor((0.95 * length.mm * SHARE * load) / figure.value / 100) * 100;
        return [
          {
            severity: 'caution' as const,
            says: `The lead is thin for its length: ${lost}, and a damping factor of at most ${damping}.`,
            because: `Its loop is ${figure.says}, more than 5 % of the ${load} Ω load.`,
            hear: 'Less level, and bass that is loose.',
            about: into?.end ?? '',
            remedies:
              most >= 500
                ? [
                    {
                      says: `Keep it to ${formatLength(most)}, or take thicker cable`,
                      change: { kind: 'set' as const, path: 'length.mm', value: most },
                    },
                  ]
                : [],
          },
        ];
      })
      .slice(0, 1),
};
