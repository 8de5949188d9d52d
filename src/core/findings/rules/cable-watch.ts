import { cableOf } from '../../assembly';
import type { Finding, Rule } from '../types';

export const cableWatch: Rule = {
  id: 'cable-watch',
  what: 'What a cable’s own entry says to look out for.',
  source: 'the cable’s entry',
  find: ({ assembly }) =>
    [...new Set(assembly.spans.flatMap((span) => cableOf(assembly, span) ?? []))].flatMap(
      (cable): readonly Omit<Finding, 'rule'>[] => [
        ...(cable.conductiveLayer
          ? [
              {
                severity: 'note' as const,
                says: `${cable.name} has a black conductive layer over its core: peel it back past the screen.`,
                because: 'What is left of it bridges core and screen.',
                hear: 'Crackle, dull sound, or a reading between core and screen that should be none.',
                about: cable.id,
                remedies: [],
              },
            ]
          : []),
        ...(cable.watch
          ? [
              {
                severity: 'note' as const,
                says: `${cable.name}: ${cable.watch}`,
                because: 'It stands in the cable’s own entry.',
                hear: 'Nothing, where it is minded.',
                about: cable.id,
                remedies: [],
              },
            ]
          : []),
      ],
    ),
};
