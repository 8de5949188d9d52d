import { connect, linkShells } from '../connect';
import { isOneToOne } from '../links';
import { lay } from '../lay';
import { kindOf, lacksCable, other, practice } from './shape';
import { type Recipe, wired } from './types';

export const insert: Recipe = {
  id: 'insert',
  name: 'insert, send and return',
  source: 'common practice',
  suits: (ask) =>
    ask.ends.some((end) => end.port.format === 'insert') &&
    ask.links.length === 2 &&
    isOneToOne(ask.links) &&
    ask.links.every((link) => kindOf(link) !== 'loudspeaker')
      ? {
          is: 'right',
          why: 'The send to the device’s input, its output to the return, one common return. Some desks send on the ring: the order was asked for.',
        }
      : other('It is for an insert on one side, an input and an output on the other.'),
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    d.because(practice('Mark the legs: send into the device’s input, return from its output.'));
    linkShells(d, ask);
    return wired;
  },
};
