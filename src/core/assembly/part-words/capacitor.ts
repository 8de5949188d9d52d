import { formatCapacitance } from '../../quantity';
import { partWords } from './words';

export const capacitor = partWords({
  kind: 'capacitor',
  name: 'capacitor',
  value: (part) => (part.farads === undefined ? '' : formatCapacitance(part.farads)),
});
