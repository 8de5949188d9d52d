import { joinedTerminals, leadsOf, leadTerminal, sayTerminal } from '../../assembly';
import { capital } from '../../quantity';
import type { Rule } from '../types';

export const loosePart: Rule = {
  id: 'loose-part',
  what: 'A leg of a part that goes nowhere, or a part whose legs are all on one metal: it does nothing.',
  source: 'common practice',
  find: ({ assembly, netlist }) =>
    assembly.bodies.flatMap((body) => {
      const joined = joinedTerminals(assembly);
      return body.parts.flatMap((part) => {
        const legs = leadsOf(part).map((leg) => leadTerminal(part.id, leg));
        const loose = legs.filter((leg) => !joined.has(leg));
        const nets = new Set(legs.map((leg) => netlist.netOf.get(leg)?.name));
        if (loose.length > 0)
          return loose.map((leg) => ({
            severity: 'stop' as const,
            says: `${capital(sayTerminal(assembly, leg))} goes nowhere.`,
            because:
              'A part with a leg in the air is not in the circuit, and the leg finds metal sooner or later.',
            hear: 'The level, the sound or the lamp is not what the part is there for.',
            about: leg,
            at: [leg],
            remedies: [],
          }));
        return nets.size === 1 && legs.length > 1
          ? [
              {
                severity: 'stop' as const,
                says: `${part.id} is bridged: all its legs are one metal.`,
                because: 'A part that is bridged does nothing.',
                hear: 'The level, the sound or the lamp is not what the part is there for.',
                about: part.id,
                at: legs,
                remedies: [],
              },
            ]
          : [];
      });
    }),
};
