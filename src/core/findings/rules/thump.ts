import { connectorOf, endById } from '../../assembly';
import { pairsOf } from '../../situation';
import type { Rule } from '../types';

export const thump: Rule = {
  id: 'thump',
  what: 'A plug that meets the signal before the ground, on an input that is amplified at once.',
  source: 'common practice',
  find: ({ assembly, situation }) =>
    pairsOf(situation)
      .filter(({ in: into }) => {
        const end = endById(assembly, into.end);
        return (
          into.port.id.startsWith('powered-loudspeaker') &&
          (end && connectorOf(assembly, end)?.family) === 'phono'
        );
      })
      .map(({ in: into }) => ({
        severity: 'note' as const,
        says: `The phono plug at end ${into.end} mates its centre before its collar: mute or switch off before plugging.`,
        because: 'For a moment the input has the signal and no ground.',
        hear: 'A loud thump, which can destroy a tweeter.',
        about: into.end,
        remedies: [],
      })),
};
