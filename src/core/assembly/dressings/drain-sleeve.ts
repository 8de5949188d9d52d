import { dressing } from './kind';

export const drainSleeve = dressing({
  what: 'drain-sleeve',
  name: 'Screen-wire sleeve',
  is: 'cover',
  goesOn: 'before',
  closed: 'at once',
});
