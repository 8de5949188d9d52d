import { partWords } from './words';

export const diode = partWords({
  kind: 'diode',
  name: 'diode',
  way: (_, toward) => `its band (cathode) toward ${toward('cathode')}`,
  value: (part) => (part.forwardVolts === undefined ? '' : `${part.forwardVolts} V forward`),
});
