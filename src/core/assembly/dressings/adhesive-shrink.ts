import { dressing } from './kind';

export const adhesiveShrink = dressing({
  what: 'adhesive-shrink',
  name: 'Heat-shrink with adhesive',
  is: 'cover',
  goesOn: 'before',
  closed: 'end',
});
