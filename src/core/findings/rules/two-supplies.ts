import { roleTerminal, type Channel } from '../../situation';
import type { Finding, Rule } from '../types';
import { figuresOf } from './solved';
import { PHANTOM_SUPPLIES } from '../../catalogue';

type Found = Omit<Finding, 'rule'>;

const gives = ({ port }: Channel): string | undefined =>
  port.phantom === 'gives'
    ? (port.supply ?? 'P48')
    : port.gives && `${port.gives.kind} of ${port.gives.volts} V`;

export const twoSupplies: Rule = {
  id: 'two-supplies',
  what: 'Two supplies on one line, and a supply that gives more than it may.',
  source: 'IEC 61938 for the limits (cited, from memory); by the circuit',
  find: (used) => {
    const givers = used.situation.channels.filter(
      (each) => gives(each) !== undefined && each.direction === 'receives',
    );
    const meeting = givers.flatMap((one, n) =>
      givers.slice(n + 1).flatMap((other): readonly Found[] => {
        const [a, b] = [roleTerminal(one, 'hot'), roleTerminal(other, 'hot')];
        if (a === undefined || b === undefined || one.end === other.end || !used.direct(a, b)) return [];
        return [
          {
            severity: 'caution',
            says: `Two supplies meet on one line: ${gives(one) ?? ''} at end ${one.end} and ${gives(other) ?? ''} at end ${other.end}.`,
            because: 'Each feeds into the other: switch one of them off, or part the two by a transformer.',
            hear: 'A thump when either is switched; a microphone that is fed wrongly.',
            about: one.end,
            at: [a, b],
            remedies: [],
          },
        ];
      }),
    );
    const over = figuresOf(used, 'drawn').flatMap(({ figure, out, into }): readonly Found[] => {
      // What phantom does to what is not made for it is another rule’s, and of a line that goes on nobody knows what it draws.
      if (out?.port.direction !== 'out' || out.port.phantom === 'harmed') return [];
      const supply =
        into && into.port.phantom === 'gives' ? PHANTOM_SUPPLIES[into.port.supply ?? 'P48'] : undefined;
      return !supply || figure.value * 1000 <= supply.limitMilliamps
        ? []
        : [
            {
              severity: 'stop',
              says: `The phantom at end ${into?.end ?? ''} gives ${(1000 * figure.value).toFixed(1)} mA, and ${supply.limitMilliamps} mA are its limit.`,
              because: `By the circuit, with what is plugged in: ${supply.volts} V through ${supply.feedOhms / 1000} kΩ a leg.`,
              hear: 'Microphones beside it fade or crackle; the supply gets hot.',
              about: into?.name ?? '',
              remedies: [],
            },
          ];
    });
    return [...meeting, ...over];
  },
};
