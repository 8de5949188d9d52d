import { pairsOf } from '../../situation';
import type { Rule } from '../types';

export const phantomMissing: Rule = {
  id: 'phantom-missing',
  what: 'A microphone that needs phantom, on an input that gives none.',
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
        // A line that goes on passes what is on it: whether that is phantom nobody here knows.
        const goesOn = input?.port.direction === 'either';
        return {
          severity: goesOn ? ('note' as const) : ('stop' as const),
          says: goesOn
            ? `The ${channel.port.name} needs phantom: it has to come along the line that end ${input.end} goes on to.`
            : `The ${channel.port.name} gets no phantom: the ${input?.port.name ?? 'other end'} gives none.`,
          because: goesOn
            ? 'It is fed by the input at the far end of that line, over all three contacts.'
            : 'It needs its supply from the input it is plugged into.',
          hear: goesOn ? 'Nothing, where that input gives none or a lead between stops it.' : 'Nothing.',
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
