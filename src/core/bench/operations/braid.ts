import { conductorsOf, spanById, type Assembly } from '../../assembly';
import { COLOURS } from '../../catalogue';
import { cuts } from '../../cutting';
import { formatLength, sayList } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import type { Operation } from '../types';

/** Wires made into a cable by hand: braided, or twisted. */
export const braid = (assembly: Assembly, schools: Schools): readonly Operation[] => {
  const byHand = assembly.dressings.filter(({ what }) => what === 'braid' || what === 'twist');
  if (byHand.length === 0) return [];
  const pieces = cuts(assembly, schools);
  return byHand.flatMap(({ what, over }): readonly Operation[] => {
    const span = spanById(assembly, over);
    if (!span) return [];
    const colours = conductorsOf(assembly, span).map(({ colour }) => COLOURS[colour]);
    const system = lengthSystem(schools);
    const longer = pieces.find((each) => each.span === span.id)?.wires ?? [];
    const most = Math.max(0, ...longer.map(({ mm }) => mm));
    const isBraid = what === 'braid';
    return [
      {
        id: `braid-${span.id}`,
        kind: 'braid',
        title: isBraid ? `Braid ${sayList(colours)}` : `Twist ${sayList(colours)} together`,
        detail: isBraid
          ? [
              'Gather one end in shrink or a clamp, and hold that still.',
              'Outer over middle, left and right by turns, tight, the crossings even. Pull each right through, and free the tails below as they tangle.',
              `Gather the other end, and leave enough loose for the plug.${most > 0 ? ` It took ${formatLength(most, system)} of wire.` : ''}`,
            ]
          : [
              'Hold one end still, turn the other; even turns, no kinks. Let it relax, then gather both ends.',
            ],
        confirm: ['it is gathered at both ends'],
      },
    ];
  });
};
