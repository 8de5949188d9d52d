import { partWords } from './words';

export const led = partWords({
  kind: 'led',
  name: 'led',
  value: (part) => (part.forwardVolts === undefined ? '' : `${part.forwardVolts} V forward`),
});
