import { connectorOf, endById } from '../../assembly';
import { usualGender } from '../../catalogue';
import type { Channel } from '../../situation';
import type { Rule } from '../types';

export const direction: Rule = {
  id: 'direction',
  what: 'An XLR plug where a socket is wanted, or a socket where a plug is.',
  source: 'AES14 (cited, from memory)',
  find: ({ assembly, situation, slot }) =>
    firstOfEach(situation.channels).flatMap((channel) => {
      const end = endById(assembly, channel.end);
      const connector = end && connectorOf(assembly, end);
      // What a line that goes on ends in is its own; a panel's connector meets a lead and not the equipment.
      if (channel.port.direction === 'either' || connector?.mount === 'panel') return [];
      if (!connector?.meets || connector.meets === channel.port.direction) return [];
      const wanted = usualGender(connector.family, channel.port.direction);
      return [
        {
          severity: 'stop',
          says: `End ${channel.end} is a ${connector.gender}, but it meets ${channel.port.direction === 'out' ? 'an output, which is on pins' : 'an input, which is on holes'}.`,
          because:
            'XLR outputs are plugs and inputs are sockets, so a lead starts with a socket and ends with a plug.',
          hear: 'It will not go in.',
          about: channel.end,
          remedies: [
            {
              says: `Make end ${channel.end} a ${wanted}`,
              change: { kind: 'clear', path: `${slot(channel.end)}.gender` },
            },
          ],
        },
      ];
    }),
};

/** One channel of every end: what goes into a socket is the same for all of them. */
const firstOfEach = (channels: readonly Channel[]): readonly Channel[] =>
  channels.filter((channel, n) => channels.findIndex((each) => each.end === channel.end) === n);
