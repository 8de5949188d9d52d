import { screenWires } from '../../cutting';
import type { Operation, Workplace } from '../types';

export const sleeve = ({ assembly, end, schools }: Workplace): readonly Operation[] =>
  schools['screen-wire'] !== 'sleeved'
    ? []
    : screenWires(assembly, schools)
        .filter(({ strip }) => strip.end === end.id)
        .map(({ strip }) => ({
          id: `sleeve-${end.id}-${strip.span}`,
          kind: 'sleeve',
          end: end.id,
          title: `Sleeve the screen wire at end ${end.id}`,
          detail: ['Over its whole bare length, leaving only what goes into the contact.'],
        }));
