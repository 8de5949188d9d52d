import { screenWiresOf } from '../../cutting';
import type { Operation, Workplace } from '../types';

/** Sleeve on screen wires, where the school has it. */
export const sleeve = ({ assembly, end, schools, strips }: Workplace): readonly Operation[] =>
  schools['screen-wire'] !== 'sleeved'
    ? []
    : strips.flatMap((strip): Operation[] => {
        const wires = screenWiresOf(assembly, strip);
        return wires.length === 0
          ? []
          : [
              {
                id: `sleeve-${end.id}-${strip.span}`,
                kind: 'sleeve',
                end: end.id,
                title:
                  wires.length === 1
                    ? `Sleeve the screen wire at end ${end.id}`
                    : `Sleeve the ${wires.length} drain wires at end ${end.id}`,
                detail: ['Over its whole bare length, leaving only what goes into the contact.'],
              },
            ];
      });
