import { formatResistance } from '../../quantity';
import { partWords } from './words';

export const resistor = partWords({
  kind: 'resistor',
  name: 'resistor',
  value: (part) => (part.ohms === undefined ? '' : formatResistance(part.ohms)),
});
