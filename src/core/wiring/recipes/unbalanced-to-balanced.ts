import { needsTwoCores, on, pairFor, screenLine, shellLinks, straight } from './parts';
import type { Recipe } from './types';

export const unbalancedToBalanced: Recipe = {
  id: 'unbalanced-to-balanced',
  name: 'unbalanced output into balanced input',
  source: 'common practice',
  fit(ask) {
    if (ask.from.port.balanced || !ask.to.port.balanced)
      return { fits: false, why: 'It is for an unbalanced output into a balanced input.' };
    const problem = needsTwoCores(ask);
    return problem
      ? { fits: false, why: problem.says, problem }
      : {
          fits: true,
          why: 'The input can still reject hum if the return reaches its cold leg by its own core.',
        };
  },
  plan(ask) {
    const pair = pairFor(ask);
    const colour = { says: pair.says, school: 'colour' };
    const because = {
      says: 'The return goes to the cold leg by its own core, so that the input sees the source and not the ground between.',
      source: 'common practice',
    };
    return {
      plan: {
        lines: [
          ...screenLine(ask),
          straight(ask, 'hot', pair.hot, 'hot', colour),
          {
            role: 'cold',
            conductors: pair.cold,
            from: on(ask.from.roles.return, because),
            to: on(ask.to.roles.cold, because),
          },
        ],
        links: shellLinks(ask),
      },
      reasons: [because, colour],
    };
  },
};
