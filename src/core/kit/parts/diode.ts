import { partWords } from './words';

export const diode = partWords({
  kind: 'diode',
  name: 'diode',
  value: (part) => (part.forwardVolts === undefined ? '' : `${part.forwardVolts} V forward`),
});
