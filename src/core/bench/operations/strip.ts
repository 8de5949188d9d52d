import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import type { Operation, Workplace } from '../types';

export const strip = ({ end, strips, schools }: Workplace): readonly Operation[] =>
  strips.map((each) => ({
    id: `strip-${end.id}-${each.span}`,
    kind: 'strip',
    end: end.id,
    title: `Strip ${formatLength(each.jacketMm, lengthSystem(schools))} of jacket at end ${end.id}`,
    detail: [
      'Score round and bend; never cut through to the cores.',
      'Take out filler and string. Only what has copper inside is a core.',
      'Offer it up to the connector before trimming anything.',
    ],
    caution: 'Blade away from the hand.',
  }));
