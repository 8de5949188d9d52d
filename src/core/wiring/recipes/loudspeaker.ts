import { connect } from '../connect';
import { lay } from '../lay';
import type { Ask } from '../types';
import { allOneToOne, isSpecial, lacksCable, other, practice } from './shape';
import { type Recipe, wired } from './types';

const bridged = (ask: Ask): boolean => ask.ends.some((end) => end.port.format === 'loudspeaker-bridged');

export const loudspeaker: Recipe = {
  id: 'loudspeaker',
  name: 'loudspeaker',
  source: 'common practice',
  suits: (ask) =>
    isSpecial(ask) || bridged(ask) || !allOneToOne(ask, 'loudspeaker')
      ? other('It is for amplifiers and loudspeakers.')
      : { is: 'right', why: 'Plus to plus and minus to minus, unscreened, in copper thick enough.' },
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    const onSleeve = ask.ends.some(({ channels }) => channels.some(({ roles }) => roles.minus === 'S'));
    d.because(
      practice(
        onSleeve
          ? 'Minus is on the sleeve, which is touched: never from an amplifier whose two legs are live. Amplifier off or muted before plugging.'
          : 'Nothing is tied to a shell or a sleeve. Amplifier off or muted before plugging.',
      ),
    );
    return wired;
  },
};

export const loudspeakerBridge: Recipe = {
  ...loudspeaker,
  id: 'loudspeaker-bridge',
  name: 'loudspeaker on a bridged amplifier',
  suits: (ask) =>
    isSpecial(ask) || !bridged(ask) || !allOneToOne(ask, 'loudspeaker')
      ? other('It is for bridged amplifier outputs.')
      : {
          is: 'right',
          why: 'Both legs of a bridged output are live: each goes to the loudspeaker and to nothing else.',
        },
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    d.because({
      says: 'Two live legs: never tie either to a shell, a sleeve or another amplifier. Which contacts they are on is the amplifier’s own.',
      source: 'common practice; defer to local code and licensed people where the voltage is high',
    });
    return wired;
  },
};
