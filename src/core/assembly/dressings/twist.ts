import { dressing } from './kind';

export const twist = dressing({
  what: 'twist',
  name: 'Twist',
  is: 'construction',
  goesOn: 'before',
  closed: 'never',
});
