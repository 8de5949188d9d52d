import { coresOf } from '../cores';
import { screenLine, shellLinks, straight } from './parts';
import type { Recipe } from './types';

export const unbalancedStraight: Recipe = {
  id: 'unbalanced-straight',
  name: 'unbalanced straight',
  source: 'common practice',
  fit: (ask) =>
    ask.from.port.balanced || ask.to.port.balanced
      ? { fits: false, why: 'One side is balanced.' }
      : { fits: true, why: 'Both sides are unbalanced: centre to centre, screen to screen.' },
  plan(ask) {
    const cores = coresOf(ask.cable).map((core) => core.id);
    const because = {
      says:
        cores.length === 1
          ? 'The one core is the signal.'
          : `All ${cores.length} cores are joined on the signal contact: nothing is left floating.`,
      source: 'common practice',
    };
    return {
      plan: {
        lines: [
          ...screenLine(ask, 'The screen is the return, so it is joined at both ends.'),
          straight(ask, 'hot', cores, 'hot', because),
        ],
        links: shellLinks(ask),
      },
      reasons: [because],
    };
  },
};
