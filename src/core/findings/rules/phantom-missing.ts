import type { Rule } from '../types';

export const phantomMissing: Rule = {
  id: 'phantom-missing',
  source: 'IEC 61938 (cited, from memory)',
  find: ({ situation }) =>
    situation.channels
      .filter(
        (channel) =>
          channel.port.phantom === 'needs' && !situation.channels.some((c) => c.port.phantom === 'gives'),
      )
      .map((channel) => {
        const input = situation.channels.find((other) => other.port.direction === 'in');
        return {
          severity: 'stop',
          says: `The ${channel.port.name} gets no phantom: the ${input?.port.name ?? 'other end'} gives none.`,
          because: 'It needs its supply from the input it is plugged into.',
          hear: 'Nothing.',
          about: channel.end,
          remedies:
            input?.port.id === 'microphone-input'
              ? [
                  {
                    says: 'Use an input with phantom on',
                    change: { kind: 'set', path: 'to.port', value: 'microphone-input-phantom' },
                  },
                ]
              : [],
        };
      }),
};
