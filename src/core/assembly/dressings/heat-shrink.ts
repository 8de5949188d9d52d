import { dressing } from './kind';

export const heatShrink = dressing({
  what: 'heat-shrink',
  name: 'Heat-shrink',
  is: 'cover',
  goesOn: 'before',
  closed: 'end',
});
