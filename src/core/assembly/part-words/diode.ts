import { partWords } from './words';

export const diode = partWords({
  kind: 'diode',
  name: 'diode',
  way: (_, toward) => `its band (cathode) toward ${toward('cathode')}`,
  leg: (lead) => (lead === 'cathode' ? 'the banded end' : 'the plain end'),
  value: (part) => (part.forwardVolts === undefined ? '' : `${part.forwardVolts} V forward`),
});
