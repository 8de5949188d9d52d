import { formatResistance } from '../../quantity';
import { partWords } from './words';

export const potentiometer = partWords({
  kind: 'potentiometer',
  name: 'potentiometer',
  value: (part) => (part.trackOhms === undefined ? '' : formatResistance(part.trackOhms)),
  more: ({ gangs = [], taper }) => [
    ...(gangs.length > 1 ? [gangs.length === 2 ? 'dual' : `${gangs.length} gangs`] : []),
    ...(taper === undefined ? [] : [taper]),
  ],
});
