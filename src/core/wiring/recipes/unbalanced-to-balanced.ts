import { connect, linkShells } from '../connect';
import { lay } from '../lay';
import { allOneToOne, isSpecial, lacksCable, other } from './shape';
import { type Recipe, wired } from './types';

const WHY = 'The input can still reject hum if the return reaches its cold leg by its own core.';

export const unbalancedToBalanced: Recipe = {
  id: 'unbalanced-to-balanced',
  name: 'unbalanced output into balanced input',
  source: 'common practice',
  suits: (ask) =>
    isSpecial(ask) || !allOneToOne(ask, 'balances') || ask.links.length > 1
      ? other('It is for one unbalanced output into one balanced input.')
      : { is: 'right', why: WHY },
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    linkShells(d, ask);
    return wired;
  },
};

export const stereoToBalancedPair: Recipe = {
  ...unbalancedToBalanced,
  id: 'stereo-to-balanced-pair',
  name: 'stereo unbalanced output into two balanced inputs',
  suits: (ask) =>
    isSpecial(ask) || !allOneToOne(ask, 'balances') || ask.links.length < 2
      ? other('It is for a stereo output into two balanced inputs.')
      : { is: 'right', why: `Left and right each as one unbalanced output into one balanced input. ${WHY}` },
};
