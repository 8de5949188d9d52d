import { partWords } from './words';

export const battery = partWords({
  kind: 'battery',
  name: 'battery',
  value: (part) => (part.volts === undefined ? '' : `${part.volts} V`),
});
