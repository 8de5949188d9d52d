import { connectorOf, endById } from '../../assembly';
import { amplifiesAtOnce, CONNECTORS } from '../../catalogue';
import { pairsOf } from '../../situation';
import type { Rule } from '../types';

/** The one whose collar mates no later. */
const SPRUNG = CONNECTORS.find(({ family, groundFirst }) => family === 'phono' && groundFirst);

export const thump: Rule = {
  id: 'thump',
  what: 'A plug that meets the signal before the ground, on an input that is amplified at once.',
  source: 'common practice',
  find: ({ assembly, situation, slot }) =>
    pairsOf(situation)
      .filter(({ in: into }) => {
        const end = endById(assembly, into.end);
        const connector = end && connectorOf(assembly, end);
        return amplifiesAtOnce(into.port) && connector?.family === 'phono' && !connector.groundFirst;
      })
      .map(({ in: into }) => ({
        severity: 'note' as const,
        says: `The phono plug at end ${into.end} mates its centre before its collar: mute or switch off before plugging.`,
        because: 'For a moment the input has the signal and no ground.',
        hear: 'A loud thump, which can destroy a tweeter.',
        about: into.end,
        remedies: SPRUNG
          ? [
              {
                says: `Take a ${SPRUNG.name.toLowerCase()}`,
                change: { kind: 'set' as const, path: `${slot(into.end)}.body`, value: SPRUNG.id },
              },
            ]
          : [],
      })),
};
