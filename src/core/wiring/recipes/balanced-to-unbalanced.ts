import { connect, linkShells } from '../connect';
import { lay } from '../lay';
import { blockChoices, blocked } from './blocking';
import { coldChoice, coldOf } from './cold';
import { allOneToOne, isSpecial, lacksCable, other } from './shape';
import { type Recipe, wired } from './types';

export const balancedToUnbalanced: Recipe = {
  id: 'balanced-to-unbalanced',
  name: 'balanced output into unbalanced input',
  source: 'common practice',
  suits: (ask) =>
    isSpecial(ask) || !allOneToOne(ask, 'unbalances')
      ? other('It is for a balanced output into an unbalanced input.')
      : {
          is: 'right',
          why: 'A balanced output into an unbalanced input: what is done with the cold leg depends on the output.',
        },
  lacks: lacksCable,
  asks: (ask) => [...ask.links.slice(0, 1).map(coldChoice), ...blockChoices(ask)],
  wire(ask, d) {
    const runs = lay(d, ask, ask.links);
    const instead = blocked(ask, d, ask.links);
    for (const run of runs) {
      const out = instead(run.link);
      connect(d, ask, run, { ...coldOf(ask, run.link), ...(out ? { instead: { out } } : {}) });
    }
    linkShells(d, ask);
    return wired;
  },
};
