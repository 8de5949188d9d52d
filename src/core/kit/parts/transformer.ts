import { formatResistance } from '../../quantity';
import { partWords } from './words';

export const transformer = partWords({
  kind: 'transformer',
  name: 'transformer',
  value: (part) =>
    part.windingOhms === undefined ? '' : `1:1, ${formatResistance(part.windingOhms)} a winding`,
});
