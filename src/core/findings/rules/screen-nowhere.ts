import { conductorsOf, conductorTerminal, joinedTerminals } from '../../assembly';
import type { Finding, Rule } from '../types';

export const screenNowhere: Rule = {
  id: 'screen-nowhere',
  what: 'A screen that is on at neither end.',
  source: 'common practice',
  find: ({ assembly }) => {
    const joined = joinedTerminals(assembly);
    return assembly.spans.flatMap((span): readonly Omit<Finding, 'rule'>[] => {
      const all = conductorsOf(assembly, span);
      const isOn = (id: string): boolean =>
        [span.from, span.to].some((body) => joined.has(conductorTerminal(span.id, id, body)));
      // A pair of a multipair that nothing is on goes on as a whole.
      const bare = all.filter(
        (each) =>
          each.is !== 'core' &&
          !isOn(each.id) &&
          all.some((core) => core.is === 'core' && core.pair === each.pair && isOn(core.id)),
      );
      return bare.map((each) => ({
        severity: 'caution',
        says: `The ${each.is} of ${span.id === 'W1' && assembly.spans.length === 1 ? 'the cable' : `the cable to ${span.to === 'a' ? span.from : span.to}`} is on at neither end.`,
        because: 'A screen that stands on nothing screens nothing.',
        hear: 'Hum and radio, as with no screen at all.',
        about: span.id,
        at: [span.from, span.to].map((body) => conductorTerminal(span.id, each.id, body)),
        remedies: [],
      }));
    });
  },
};
