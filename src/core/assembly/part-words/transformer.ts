import { formatResistance } from '../../quantity';
import { partWords } from './words';

export const transformer = partWords({
  kind: 'transformer',
  name: 'transformer',
  way: (_, toward) => `its starts on ${toward('p1')} and ${toward('s1')}`,
  value: (part) =>
    part.windingOhms === undefined ? '' : `1:1, ${formatResistance(part.windingOhms)} a winding`,
});
