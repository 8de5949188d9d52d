import { dressing } from './kind';

export const washer = dressing({
  what: 'washer',
  name: 'Washer',
  is: 'hardware',
  goesOn: 'after',
  closed: 'never',
});
