import { connect, bodyOf, linkShells } from '../connect';
import { roleTerminal } from '../../situation';
import { lay } from '../lay';
import { allOneToOne, isSpecial, lacksCable, other } from './shape';
import { type Recipe, wired } from './types';

const talkback = (format: string): boolean => format === 'intercom' || format === 'headset';

/** One channel or several, unbalanced all the way: each on its centre, its screen the return. */
const straight = (id: string, name: string, suits: Recipe['suits']): Recipe => ({
  id,
  name,
  source: 'common practice',
  suits,
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) {
      connect(d, ask, run);
      const { out, in: into } = run.link;
      const [hot, supply] = [roleTerminal(into, 'hot'), roleTerminal(into, 'supply')];
      if (hot && supply && out.port.needs === 'plug-in power')
        d.link(bodyOf(ask, into.end), [hot, supply], {
          says: 'The supply reaches a two-wire microphone along its signal.',
          source: 'common practice',
        });
    }
    linkShells(d, ask);
    return wired;
  },
});

export const unbalancedStraight = straight('unbalanced-straight', 'unbalanced straight', (ask) =>
  isSpecial(ask) || !allOneToOne(ask, 'unbalanced') || ask.links.length > 1
    ? other('It is for one channel, unbalanced at both ends.')
    : {
        is: 'right',
        why: 'Both sides are unbalanced: centre to centre, screen to screen.',
      },
);

export const stereoStraight = straight('stereo-straight', 'stereo straight', (ask) =>
  isSpecial(ask) ||
  !allOneToOne(ask, 'unbalanced') ||
  ask.links.length < 2 ||
  ask.ends.some((end) => talkback(end.port.format))
    ? other('It is for a left and a right channel, unbalanced at both ends.')
    : { is: 'right', why: 'Left to left, right to right, return to return.' },
);

export const headsetSplit = straight('headset-split', 'headset to headphones and microphone', (ask) =>
  isSpecial(ask) ||
  !allOneToOne(ask, 'unbalanced') ||
  ask.ends.filter((end) => end.port.format === 'headset').length !== 1 ||
  ask.ends.length < 3
    ? other(
        'It is for a headset on one plug at one side, headphones and a microphone of their own at the other.',
      )
    : {
        is: 'right',
        why: 'Left, right and microphone each to their own; all three return to the one common contact.',
      },
);

export const talkbackStraight = straight('talkback-straight', 'headset or intercom straight', (ask) =>
  !allOneToOne(ask, 'unbalanced') || !ask.ends.every((end) => talkback(end.port.format))
    ? other('It is for headsets and intercom.')
    : {
        is: 'right',
        why: 'Microphone and earphones each to their own, with their own returns where there are any.',
      },
);
