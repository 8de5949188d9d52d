import { partWords } from './words';

export const led = partWords({
  kind: 'led',
  name: 'LED',
  way: (_, toward) => `its long leg (anode) toward ${toward('anode')}`,
  leg: (lead) => (lead === 'anode' ? 'the long leg' : 'the short leg'),
  value: (part) => (part.forwardVolts === undefined ? '' : `${part.forwardVolts} V forward`),
});
