import { leadTerminal } from '../../assembly';
import { sayVolts, stressOf } from '../../signal';
import type { Rule } from '../types';

/** What an electrolytic bears the wrong way round, V (from memory). */
const BACKWARD = 1;

export const capacitorTurned: Rule = {
  id: 'capacitor-turned',
  what: 'A polarised capacitor whose plus gets less than its minus.',
  source: 'by the circuit, with the supplies on; what an electrolytic bears backward from memory',
  find: ({ assembly, situation, lengths }) =>
    stressOf(assembly, situation, { lengths }).flatMap(({ part, volts }) => {
      if (part.kind !== 'capacitor' || part.plus === undefined) return [];
      const backward = part.plus === 'a' ? -volts : volts;
      if (backward <= BACKWARD) return [];
      return [
        {
          severity: 'stop' as const,
          says: `The capacitor ${part.id} is the wrong way round: its minus gets ${sayVolts(backward)} more than its plus.`,
          because: 'By the circuit, with the supplies on; an electrolytic bears next to nothing backward.',
          hear: 'It leaks, so that the supply comes through after all, crackles, and bursts in the end.',
          about: part.id,
          at: ['a', 'b'].map((leg) => leadTerminal(part.id, leg)),
          remedies: [
            {
              says: 'Turn it round',
              change: {
                kind: 'edit' as const,
                edit: {
                  kind: 'change-part' as const,
                  part: { ...part, plus: part.plus === 'a' ? ('b' as const) : ('a' as const) },
                },
              },
            },
          ],
        },
      ];
    }),
};
