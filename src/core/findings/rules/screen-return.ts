import { roleTerminal } from '../../wiring';
import type { Rule } from '../types';

export const screenReturn: Rule = {
  id: 'screen-return',
  source: 'common practice',
  find({ netlist, situation }) {
    const [from, to] = situation.channels;
    if (!from?.port.id.startsWith('microphone') || !to || from.port.phantom === 'needs') return [];
    const here = roleTerminal(from, 'screen');
    const there = roleTerminal(to, 'screen') ?? roleTerminal(to, 'return');
    if (here && there && netlist.netOf.get(here) === netlist.netOf.get(there)) return [];
    return [
      {
        severity: 'caution',
        says: 'The screen is not carried through on a microphone lead.',
        because:
          'The next microphone on it may need phantom, and a case that is not screened hums when it is touched.',
        hear: 'Hum when the microphone is held, and no sound at all from one that needs phantom.',
        about: from.end,
        remedies: [
          {
            says: 'Join the screen at both ends',
            change: { kind: 'set', path: 'schools.screen', value: 'both' },
          },
        ],
      },
    ];
  },
};
