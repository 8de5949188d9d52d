import { dressing } from './kind';

export const braid = dressing({
  what: 'braid',
  name: 'Braid by hand',
  is: 'construction',
  goesOn: 'before',
  closed: 'never',
});
