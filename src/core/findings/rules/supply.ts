import { pairsOf, roleTerminal } from '../../situation';
import type { Rule } from '../types';
import { solvedOf } from './solved';

type Pair = ReturnType<typeof pairsOf>[number];

/** One pair for every sender: what reaches it by two ways is said once. */
const firstOfEach = (pairs: readonly Pair[]): readonly Pair[] =>
  pairs.filter((pair, n) => pairs.findIndex((each) => each.out === pair.out) === n);

export const supplyHarm: Rule = {
  id: 'supply-harm',
  what: 'Plug-in power and T-power: direct current that stands on the signal itself.',
  source: 'T-power IEC 61938 (cited, from memory); plug-in power common practice',
  find: (used) =>
    firstOfEach(pairsOf(used.situation)).flatMap(({ out, in: into }) => {
      const supply = into.port.gives;
      // Where the supply has a contact of its own it is that which has to be joined.
      const [here, there] = [
        roleTerminal(out, 'hot'),
        roleTerminal(into, 'supply') ?? roleTerminal(into, 'hot'),
      ];
      if (!supply || !here || !there || out.port.needs === supply.kind) return [];
      if (!used.direct(here, there) || out.port.direction === 'either') return [];
      const wound = out.port.signal === 'microphone' || out.port.coil !== undefined;
      // A few volts through kilohms are nothing to an output; T-power’s milliamperes are.
      const harms = wound || supply.kind === 'T-power';
      return [
        {
          severity: harms ? ('stop' as const) : ('note' as const),
          says: `${supply.kind === 'T-power' ? 'T-power' : 'Plug-in power'} of ${supply.volts} V at end ${into.end} reaches the ${out.port.name}.`,
          because: `${wound ? 'Direct current through a moving coil or a ribbon holds it off centre, and can burn it.' : harms ? 'An output is not made for direct current from outside: it can lose its headroom, or its life.' : 'An output takes so little without harm; its own capacitor, if it has one, keeps it out.'}${solvedOf(used, out, { fed: (says) => `${says} goes through it` })}`,
          hear: harms
            ? 'Dull and distorted, or nothing ever again.'
            : 'Nothing, or a little thump as it is plugged in.',
          about: `${out.end}${out.label}`,
          remedies:
            supply.kind === 'plug-in power'
              ? [
                  {
                    says: 'Put a blocking capacitor in',
                    change: { kind: 'clear' as const, path: 'choices.block' },
                  },
                ]
              : [
                  {
                    says: 'Use an input without it',
                    change: {
                      kind: 'set' as const,
                      path: `${used.slot(into.end)}.port`,
                      value: 'microphone-input',
                    },
                  },
                ],
        },
      ];
    }),
};

export const supplyMissing: Rule = {
  id: 'supply-missing',
  what: 'A microphone that needs plug-in power or T-power, and does not get it.',
  source: 'common practice',
  find: ({ situation, slot, direct }) =>
    firstOfEach(pairsOf(situation)).flatMap(({ out, in: into }) => {
      const gives = into.port.gives?.kind === out.port.needs;
      const [from, to] = [roleTerminal(into, 'supply'), roleTerminal(out, 'hot')];
      const goesOn = into.port.direction === 'either';
      const apart = from !== undefined && to !== undefined && !direct(from, to);
      return out.port.needs !== undefined && (!gives || apart)
        ? [
            {
              severity: goesOn ? ('note' as const) : ('stop' as const),
              says: goesOn
                ? `The ${out.port.name} needs ${out.port.needs}: it has to come along the line that end ${into.end} goes on to.`
                : gives
                  ? `The ${out.port.name} gets no ${out.port.needs}: ${from ?? ''}, which gives it, is not joined to ${to ?? ''}.`
                  : `The ${out.port.name} gets no ${out.port.needs}: the ${into.port.name} gives none.`,
              because: gives
                ? 'This input has its supply on a contact of its own, which has to meet the signal in the plug.'
                : 'It needs its supply from the input it is plugged into.',
              hear: 'Nothing.',
              about: `${out.end}${out.label}`,
              remedies: gives
                ? []
                : out.port.needs === 'T-power' && into.roles.cold !== undefined
                  ? [
                      {
                        says: 'Use an input that gives it',
                        change: {
                          kind: 'set' as const,
                          path: `${slot(into.end)}.port`,
                          value: 'microphone-input-t-power',
                        },
                      },
                    ]
                  : [],
            },
          ]
        : [];
    }),
};
