import { pairsOf } from '../../situation';
import type { Rule } from '../types';

export const patchPhantom: Rule = {
  id: 'patch-phantom',
  what: 'A patch field that phantom is on.',
  source: 'common practice',
  find: ({ situation }) =>
    pairsOf(situation)
      .filter(
        ({ out, in: into }) =>
          [out, into].some(({ port }) => port.signal === 'patch') &&
          [out, into].some(({ port }) => port.phantom === 'gives'),
      )
      .map(({ in: into }) => ({
        severity: 'caution' as const,
        says: 'Phantom stands on a patch field: never patch while it is on.',
        because:
          'A TRS plug shorts its contacts in passing as it goes in: phantom then goes where it was not meant to.',
        hear: 'A loud crack; a damaged output or ribbon.',
        about: into.end,
        remedies: [],
      })),
};
