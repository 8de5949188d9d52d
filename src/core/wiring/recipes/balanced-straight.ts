import { connect, linkShells } from '../connect';
import { lay } from '../lay';
import { allOneToOne, isSpecial, lacksCable, other } from './shape';
import { type Recipe, wired } from './types';

export const balancedStraight: Recipe = {
  id: 'balanced-straight',
  name: 'balanced straight',
  source: 'common practice; contacts by AES14 (cited, from memory)',
  suits: (ask) =>
    isSpecial(ask) || ask.ends.length !== 2 || !allOneToOne(ask, 'balanced')
      ? other('It is for two ends that are both balanced.')
      : {
          is: 'right',
          why:
            ask.links.length === 1
              ? 'Both sides are balanced: hot to hot, cold to cold, screen to screen.'
              : `Both sides are balanced: hot to hot, cold to cold, screen to screen, on each of ${ask.links.length} channels.`,
        },
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    linkShells(d, ask);
    return wired;
  },
};
