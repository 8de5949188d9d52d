import { formatResistance } from '../../quantity';
import { partWords } from './words';

export const lamp = partWords({
  kind: 'lamp',
  name: 'lamp',
  value: (part) => (part.litOhms === undefined ? '' : `${formatResistance(part.litOhms)} when lit`),
});
