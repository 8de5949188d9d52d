import { capital } from '../../quantity';
import type { Operation, Workplace } from '../types';
import { hasCable, sayEnd } from './at';
import { sayDressing } from './dressing';

/** Gluing a plug shut, where the school has it: when it is proven, since it opens no more. */
export const seal = (place: Workplace): readonly Operation[] => {
  const { assembly, body, end, schools } = place;
  if (schools['closing'] !== 'glued' || body.kind !== 'shell' || !hasCable(place)) return [];
  const here = assembly.dressings.filter(
    ({ what, over, closed }) =>
      what === 'adhesive-shrink' && closed === 'end' && (over === end.id || over === body.id),
  );
  return [
    {
      id: `seal-${end.id}`,
      kind: 'seal',
      end: end.id,
      title: `Glue ${sayEnd(place)} shut`,
      detail: [
        'Thread lock on metal threads only: it cracks plastic boots and inserts.',
        ...here.map(
          (each) => `${capital(sayDressing(each, schools))}. In one quick movement, before it sets.`,
        ),
        'Then every path once more: heat and glue can do harm. It opens no more: a repair cuts it off and takes a new one.',
      ],
      caution: 'Glue: fresh air, off skin and eyes.' + (here.length > 0 ? ' The heat gun stays hot.' : ''),
      ...(here.length > 0 ? { dressings: here.map(({ id }) => id) } : {}),
    },
  ];
};
