import { leadTerminal } from '../../assembly';
import { loadOhms, sourceOhms } from '../../model';
import { pairsOf, rolePlaces } from '../../situation';
import type { Finding, Rule } from '../types';

/** Higher than this the bass of a voice or an instrument goes, Hz (from memory). */
const BASS = 40;

export const bassLost: Rule = {
  id: 'bass-lost',
  what: 'A capacitor in line that is too small for what it feeds.',
  source: 'f = 1 ÷ 2πRC with the source and the load in series (circuit law)',
  find: ({ assembly, situation, netlist }) => {
    const live = rolePlaces(situation).filter(({ role }) => role === 'hot' || role === 'cold');
    return assembly.bodies
      .flatMap((body) => body.parts)
      .flatMap((part): readonly Omit<Finding, 'rule'>[] => {
        if (part.kind !== 'capacitor' || !part.farads) return [];
        const nets = ['a', 'b'].map((leg) => netlist.netOf.get(leadTerminal(part.id, leg)));
        const pairs = pairsOf(situation).filter(({ out, in: into }) =>
          nets.every((net) =>
            live.some(
              (each) => netlist.netOf.get(each.at) === net && (each.channel === out || each.channel === into),
            ),
          ),
        );
        const [pair] = pairs;
        if (!pair) return [];
        const load =
          1 /
          pairs.filter(({ out }) => out === pair.out).reduce((sum, each) => sum + 1 / loadOhms(each.in), 0);
        const hertz = 1 / (2 * Math.PI * part.farads * (sourceOhms(pair.out) + load));
        return hertz <= BASS
          ? []
          : [
              {
                severity: 'caution',
                says: `The capacitor ${part.id} takes the bass: −3 dB at ${hertz.toFixed(0)} Hz.`,
                because:
                  'With source and input it makes a high-pass: ten times the capacitance brings it down to a tenth.',
                hear: 'Thin, as over a telephone.',
                about: part.id,
                at: ['a', 'b'].map((leg) => leadTerminal(part.id, leg)),
                remedies: [
                  {
                    says: 'Put ten times as much in',
                    change: {
                      kind: 'edit',
                      edit: { kind: 'change-part', part: { ...part, farads: 10 * part.farads } },
                    },
                  },
                ],
              },
            ];
      });
  },
};
