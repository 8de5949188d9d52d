import { dressing } from './kind';

export const boot = dressing({
  what: 'boot',
  name: 'Boot',
  is: 'cover',
  goesOn: 'before',
  closed: 'closing',
});
