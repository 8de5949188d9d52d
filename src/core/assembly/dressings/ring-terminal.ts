import { dressing } from './kind';

export const ringTerminal = dressing({
  what: 'ring-terminal',
  name: 'Ring terminal',
  is: 'hardware',
  goesOn: 'before',
  closed: 'closing',
});
