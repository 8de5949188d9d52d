import { pairsOf, roleTerminal } from '../../situation';
import type { Rule } from '../types';

export const screenReturn: Rule = {
  id: 'screen-return',
  what: 'A microphone line whose screen does not go through.',
  source: 'common practice',
  find: ({ direct, situation }) =>
    pairsOf(situation)
      .filter(
        ({ out }) =>
          out.port.signal === 'microphone' && out.port.direction === 'out' && out.port.phantom !== 'needs',
      )
      .filter(({ out, in: into }) => {
        const here = roleTerminal(out, 'screen') ?? roleTerminal(out, 'return');
        const there = roleTerminal(into, 'screen') ?? roleTerminal(into, 'return');
        return !here || !there || !direct(here, there);
      })
      .map(({ out }) => ({
        severity: 'caution' as const,
        says: 'The screen is not carried through on a microphone lead.',
        because:
          'The next microphone on it may need phantom, and a case that is not screened hums when it is touched.',
        hear: 'Hum when the microphone is held, and no sound at all from one that needs phantom.',
        about: out.end,
        remedies: [
          {
            says: 'Join the screen at both ends',
            change: { kind: 'set' as const, path: 'schools.screen', value: 'both' },
          },
        ],
      })),
};
