import { caseTerminal, jointsOf } from '../../assembly';
import { capital } from '../../quantity';
import { isLive, rolePlaces } from '../../situation';
import type { Finding, Rule } from '../types';
import { sayOf } from './say';

export const caseEarth: Rule = {
  id: 'case-earth',
  what: 'The metal case of a device or a box, on the signal or on nothing.',
  source: 'common practice',
  find: ({ assembly, lead, netlist }) =>
    assembly.bodies
      .filter((body) => body.case)
      .flatMap((body): readonly Omit<Finding, 'rule'>[] => {
        const at = caseTerminal(body.id);
        const net = netlist.netOf.get(at);
        const on = lead.situations.flatMap(rolePlaces).filter((each) => netlist.netOf.get(each.at) === net);
        const live = on.find(({ role }) => isLive(role));
        const joined = assembly.bodies.some((each) =>
          jointsOf(each).some((joint) => joint.terminals.includes(at)),
        );
        if (live)
          return [
            {
              severity: 'stop' as const,
              says: `The chassis of the ${body.name} is on ${sayOf(live)}.`,
              because: 'A chassis is touched, and stands on earth: it shorts the signal to it.',
              hear: 'Loud hum or nothing.',
              about: at,
              at: [at, live.at],
              remedies: [],
            },
          ];
        return body.kind !== 'device' || (joined && (net?.terminals.length ?? 0) > 1)
          ? []
          : [
              {
                severity: 'caution' as const,
                says: `${capital(`the chassis of the ${body.name}`)} is earthed nowhere.`,
                because:
                  'What is metal around small signals has to stand on their ground, or it couples in what is around.',
                hear: 'Hum that changes when the metal is touched.',
                about: at,
                at: [at],
                remedies: [],
              },
            ];
      }),
};
