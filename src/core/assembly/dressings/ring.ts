import { dressing } from './kind';

export const ring = dressing({
  what: 'ring',
  name: 'Marking ring',
  is: 'mark',
  goesOn: 'before',
  closed: 'never',
});
