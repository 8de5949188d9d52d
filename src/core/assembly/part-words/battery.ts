import { partWords } from './words';

export const battery = partWords({
  kind: 'battery',
  name: 'battery',
  way: (_, toward) => `plus toward ${toward('pos')}`,
  value: (part) => (part.volts === undefined ? '' : `${part.volts} V`),
});
