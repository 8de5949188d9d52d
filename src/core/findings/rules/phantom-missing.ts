import { pairsOf } from '../../situation';
import type { Rule } from '../types';

export const phantomMissing: Rule = {
  id: 'phantom-missing',
  source: 'IEC 61938 (cited, from memory)',
  find: (used) =>
    used.situation.channels
      .filter(
        (channel) =>
          channel.port.phantom === 'needs' &&
          !used.situation.channels.some((each) => each.port.phantom === 'gives'),
      )
      .map((channel) => {
        const input = pairsOf(used.situation).find((pair) => pair.out === channel)?.in;
        return {
          severity: 'stop' as const,
          says: `The ${channel.port.name} gets no phantom: the ${input?.port.name ?? 'other end'} gives none.`,
          because: 'It needs its supply from the input it is plugged into.',
          hear: 'Nothing.',
          about: `${channel.end}${channel.label}`,
          remedies:
            input?.port.id === 'microphone-input'
              ? [
                  {
                    says: 'Use an input with phantom on',
                    change: {
                      kind: 'set' as const,
                      path: `${used.slot(input.end)}.port`,
                      value: 'microphone-input-phantom',
                    },
                  },
                ]
              : [],
        };
      }),
};
