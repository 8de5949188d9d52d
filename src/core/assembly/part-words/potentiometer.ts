import { formatResistance } from '../../quantity';
import { partWords } from './words';

const LUGS: Readonly<Record<string, string>> = {
  cw: 'clockwise lug',
  ccw: 'anticlockwise lug',
  wiper: 'wiper lug',
};

export const potentiometer = partWords({
  kind: 'potentiometer',
  name: 'potentiometer',
  value: (part) => (part.trackOhms === undefined ? '' : formatResistance(part.trackOhms)),
  leg(lead) {
    const [gang, lug] = lead.includes('.') ? lead.split('.') : [undefined, lead];
    const name = LUGS[lug ?? ''];
    return name === undefined ? undefined : `the ${gang === undefined ? '' : `${gang} `}${name}`;
  },
  more: ({ gangs = [], taper }) => [
    ...(gangs.length > 1 ? [gangs.length === 2 ? 'dual' : `${gangs.length} gangs`] : []),
    ...(taper === undefined ? [] : [taper]),
  ],
});
