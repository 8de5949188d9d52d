import { dressing } from './kind';

export const box = dressing({
  what: 'box',
  name: 'Box',
  is: 'hardware',
  goesOn: 'before',
  closed: 'closing',
});
