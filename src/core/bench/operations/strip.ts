import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import type { Strip } from '../../cutting';
import type { Operation, Workplace } from '../types';

/** What is done to set the conductors free, by whether there is a jacket over them. */
const FREED: Readonly<
  Record<
    Strip['jacket'],
    { readonly title: (long: string, end: string) => string; readonly detail: readonly string[] }
  >
> = {
  off: {
    title: (long, end) => `Strip ${long} of jacket at end ${end}`,
    detail: [
      'Score round and bend; never cut through to the cores.',
      'Take out filler and string. Only what has copper inside is a core.',
      'Offer it up to the connector before trimming anything.',
    ],
  },
  parted: {
    title: (long, end) => `Free ${long} of the leg’s conductors at end ${end}`,
    detail: ['Thin heat-shrink goes over the leg up to here; cut the foil back and keep the drain.'],
  },
  none: {
    title: (long, end) => `Leave ${long} of each wire free at end ${end}`,
    detail: [
      'There is no jacket to take off: hold the wires together behind it, by a clamp or a turn of shrink.',
      'Offer it up to the connector before trimming anything.',
    ],
  },
};

/** Jacket and insulation off, mm by the connector’s entry. */
export const strip = ({ end, strips, schools }: Workplace): readonly Operation[] =>
  strips.map((each) => {
    const { title, detail } = FREED[each.jacket];
    return {
      id: `strip-${end.id}-${each.span}`,
      kind: 'strip',
      end: end.id,
      title: title(formatLength(each.jacketMm, lengthSystem(schools)), end.id),
      detail: [...detail],
      caution: 'Blade away from the hand.',
    };
  });
