import { resistances } from '../../model';
import { formatLength, formatResistance, ohms } from '../../quantity';
import { roleTerminal, type Channel } from '../../situation';
import { LOUDSPEAKER_SHARE as SHARE } from '../../signal';
import type { LeadInUse, Rule } from '../types';
import { besideOf, figuresOf } from './solved';

/** The two legs of a loudspeaker line without contacts and joints, Ω. */
function copperOf(
  { assembly, lengths }: LeadInUse,
  out: Channel | undefined,
  into: Channel | undefined,
): number {
  const between = resistances(assembly, { lengths });
  return (['plus', 'minus'] as const).reduce((sum, role) => {
    const [from, to] = [out && roleTerminal(out, role), into && roleTerminal(into, role)];
    return from === undefined || to === undefined ? sum : sum + between(from, to);
  }, 0);
}

export const loudspeakerLoss: Rule = {
  id: 'loudspeaker-loss',
  what: 'A loudspeaker lead whose copper is too thin for its length.',
  source: 'by the circuit; copper IEC 60228; 5 % of the load common practice',
  find: (used) =>
    figuresOf(used, 'loop')
      .flatMap((solved) => {
        const { figure, out, into } = solved;
        const load = into?.port.impedance ?? 0;
        const length = used.assembly.lengths[0];
        // Copper is what the gauge decides; contacts and joints are as they are whatever the cable.
        const copper = copperOf(used, out, into);
        if (!Number.isFinite(copper) || copper <= SHARE * load || !length) return [];
        const lost = besideOf(used, solved, 'cable')?.says ?? '';
        const damping = besideOf(used, solved, 'damping')?.says ?? '';
        const most = Math.floor((0.99 * length.mm * SHARE * load) / copper / 100) * 100;
        return [
          {
            severity: 'caution' as const,
            says: `The lead is thin for its length: ${lost}, and a damping factor of at most ${damping}.`,
            because: `Its copper is ${formatResistance(ohms(copper))}, more than 5 % of the ${load} Ω load; with contacts and joints the loop is ${figure.says}.`,
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
