import { dressingsAt, ownerOf } from '../../assembly';
import { ofSpan } from '../hand';
import type { Operation, Workplace } from '../types';

/** Sleeve on screen wires, where the school has it. */
export const sleeve = ({ assembly, body, end, strips }: Workplace): readonly Operation[] =>
  strips.flatMap((strip): Operation[] => {
    const here = dressingsAt(assembly, body.id).filter(
      ({ what, over }) => what === 'drain-sleeve' && ownerOf(over) === strip.span,
    );
    return here.length === 0
      ? []
      : [
          {
            id: `sleeve-${end.id}-${strip.span}`,
            kind: 'sleeve',
            end: end.id,
            title:
              here.length === 1
                ? `Sleeve the screen wire${ofSpan(assembly, body.id, strip.span)} at end ${end.id}`
                : `Sleeve the ${here.length} screen wires${ofSpan(assembly, body.id, strip.span)} at end ${end.id}`,
            detail: ['Over its whole bare length, leaving only what goes into the contact.'],
            dressings: here.map(({ id }) => id),
          },
        ];
  });
