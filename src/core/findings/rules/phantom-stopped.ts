import { pairsOf, roleTerminal } from '../../situation';
import type { Rule } from '../types';
import { solvedOf } from './solved';

const ROLES = ['hot', 'cold', 'screen'] as const;

export const phantomStopped: Rule = {
  id: 'phantom-stopped',
  what: 'Phantom that does not get to what needs it: a leg or the screen is not carried.',
  source: 'IEC 61938 (cited, from memory): fed between both legs and contact 1',
  find: (used) =>
    pairsOf(used.situation)
      .filter((pair) => pair.out.port.phantom === 'needs' && pair.in.port.phantom === 'gives')
      .flatMap(({ out: needs, in: giver }) => {
        const broken = ROLES.filter((role) => {
          const here = roleTerminal(needs, role);
          const there = roleTerminal(giver, role);
          return !here || !there || !used.direct(here, there);
        });
        if (broken.length === 0) return [];
        const name = needs.label === '' ? `end ${needs.end}` : `end ${needs.end}, ${needs.label}`;
        return [
          {
            severity: 'stop' as const,
            says: `The wiring stops phantom: the ${broken.join(' and the ')} ${broken.length > 1 ? 'are' : 'is'} not carried from end ${giver.end} to ${name}.`,
            because: `Phantom is fed on both legs and comes back along the screen: all three have to be carried.${solvedOf(
              used,
              needs,
              { dc: (says) => `the microphone gets ${says}` },
            )}`,
            hear: 'Nothing, or a microphone that fades and crackles.',
            about: `${needs.end}${needs.label}`,
            remedies: broken.includes('screen')
              ? [
                  {
                    says: 'Join the screen at both ends',
                    change: { kind: 'set' as const, path: 'schools.screen', value: 'both' },
                  },
                ]
              : [],
          },
        ];
      }),
};
