import { needsTwoCores, pairFor, screenLine, shellLinks, straight } from './parts';
import type { Recipe } from './types';

export const balancedStraight: Recipe = {
  id: 'balanced-straight',
  name: 'balanced straight',
  source: 'common practice; contacts by AES14 (cited, from memory)',
  fit(ask) {
    if (!ask.from.port.balanced || !ask.to.port.balanced)
      return { fits: false, why: 'One side is unbalanced.' };
    const problem = needsTwoCores(ask);
    return problem
      ? { fits: false, why: problem.says, problem }
      : { fits: true, why: 'Both sides are balanced: hot to hot, cold to cold, screen to screen.' };
  },
  plan(ask) {
    const pair = pairFor(ask);
    const because = { says: pair.says, school: 'colour' };
    return {
      plan: {
        lines: [
          ...screenLine(ask),
          straight(ask, 'hot', pair.hot, 'hot', because),
          straight(ask, 'cold', pair.cold, 'cold', because),
        ],
        links: shellLinks(ask),
      },
      reasons: [because],
    };
  },
};
