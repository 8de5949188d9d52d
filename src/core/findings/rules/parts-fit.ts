import { partsInShell } from '../../fit';
import type { Rule } from '../types';

export const partsFit: Rule = {
  id: 'parts-fit',
  what: 'Parts that do not go into the shell that they are built into.',
  source: 'sizes typical of the kind, from memory; room by the connector’s entry, nominal',
  find: ({ assembly }) =>
    partsInShell.of(assembly, {}).flatMap(({ verdict, at, has, takes }) =>
      verdict === 'not'
        ? [
            {
              severity: 'stop' as const,
              says: `The parts in the shell of end ${at} are ${has}; there is room for ${takes}.`,
              because:
                'A shell that is forced over them presses on their legs and on the joints. Smaller parts, a longer body, or a barrel or a box of their own.',
              hear: 'It cannot be closed; forced, a short or a break.',
              about: at,
              remedies: [],
            },
          ]
        : [],
    ),
};
