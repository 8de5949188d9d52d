import { mendings } from '../mend';
import { HARM_AMPS } from '../../signal';
import type { Rule } from '../types';
import { sayOf } from './say';
import { figuresOf } from './solved';

export const outputsJoined: Rule = {
  id: 'outputs-joined',
  what: 'Two outputs on one wire.',
  source: 'circuit law; by the circuit',
  find: (used) =>
    used.miswired.flatMap((each) => {
      if (each.is !== 'outputs') return [];
      const { one, other } = each;
      const clash = figuresOf(used, 'clash')[0]?.figure;
      const harms = clash === undefined || clash.value > HARM_AMPS;
      return [
        {
          severity: harms ? ('stop' as const) : ('caution' as const),
          says: `Two outputs are on one wire: ${sayOf(one)} and ${sayOf(other)}.`,
          because: `Each drives the other’s output impedance${clash ? `: by the circuit ${clash.says} at nominal level` : ''}. They are summed through a resistor each, and never joined.`,
          hear: harms
            ? 'Distortion, one channel pulling the other down, hot output stages, in time a dead one.'
            : 'One channel pulls the other down: less level, and each is heard in what is left of the other.',
          about: one.at,
          at: [one.at, other.at],
          remedies: mendings(used, each),
        },
      ];
    }),
};
