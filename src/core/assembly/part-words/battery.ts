import { partWords } from './words';

export const battery = partWords({
  kind: 'battery',
  name: 'battery',
  way: (_, toward) => `plus toward ${toward('pos')}`,
  leg: (lead) => (lead === 'pos' ? 'plus' : 'minus'),
  value: (part) => (part.volts === undefined ? '' : `${part.volts} V`),
});
