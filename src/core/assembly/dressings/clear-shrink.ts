import { dressing } from './kind';

export const clearShrink = dressing({
  what: 'clear-shrink',
  name: 'Clear heat-shrink',
  is: 'cover',
  goesOn: 'before',
  closed: 'end',
});
