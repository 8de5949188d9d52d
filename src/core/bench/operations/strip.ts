import type { Assembly } from '../../assembly';
import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import type { Operation, Workplace } from '../types';

/** A leg beyond a break-out: cores of the trunk, without its jacket. */
const isLeg = (assembly: Assembly, span: string): boolean =>
  assembly.spans.find((each) => each.id === span)?.carries !== undefined;

/** Jacket and insulation off, mm by the connector’s entry. */
export const strip = ({ assembly, end, strips, schools }: Workplace): readonly Operation[] =>
  strips.map((each) => ({
    id: `strip-${end.id}-${each.span}`,
    kind: 'strip',
    end: end.id,
    ...(isLeg(assembly, each.span)
      ? {
          title: `Free ${formatLength(each.jacketMm, lengthSystem(schools))} of the leg’s conductors at end ${end.id}`,
        }
      : { title: `Strip ${formatLength(each.jacketMm, lengthSystem(schools))} of jacket at end ${end.id}` }),
    detail: isLeg(assembly, each.span)
      ? ['Thin heat-shrink goes over the leg up to here; cut the foil back and keep the drain.']
      : [
          'Score round and bend; never cut through to the cores.',
          'Take out filler and string. Only what has copper inside is a core.',
          'Offer it up to the connector before trimming anything.',
        ],
    caution: 'Blade away from the hand.',
  }));
