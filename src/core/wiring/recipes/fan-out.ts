import { connect, linkShells } from '../connect';
import { lay } from '../lay';
import { allOneToOne, isSpecial, lacksCable, other } from './shape';
import { type Recipe, wired } from './types';

export const fanOut: Recipe = {
  id: 'fan-out',
  name: 'fan-out, channel by channel',
  source: 'common practice; D-25 by AES59, pairs by the resistor code of IEC 60062 (cited, from memory)',
  suits: (ask) =>
    isSpecial(ask) || ask.ends.length < 3 || !allOneToOne(ask, 'balanced')
      ? other('It is for several balanced channels that part or come together.')
      : {
          is: 'right',
          why: `${ask.links.length} balanced channels, each to its own: every channel keeps its own pair and screen.`,
        },
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    linkShells(d, ask);
    d.because({
      says: 'Channel by channel, with a boot or ring of one colour at both ends of each.',
      source: 'common practice',
    });
    return wired;
  },
};
