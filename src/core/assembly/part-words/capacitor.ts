import { formatCapacitance } from '../../quantity';
import { partWords } from './words';

export const capacitor = partWords({
  kind: 'capacitor',
  name: 'capacitor',
  way: ({ plus }, toward) => (plus === undefined ? undefined : `plus toward ${toward(plus)}`),
  more: ({ plus }) => (plus === undefined ? [] : ['polarised']),
  value: (part) => (part.farads === undefined ? '' : formatCapacitance(part.farads)),
});
