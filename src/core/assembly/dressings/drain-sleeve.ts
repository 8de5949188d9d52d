import { dressing } from './kind';

export const drainSleeve = dressing({
  what: 'drain-sleeve',
  name: 'Sleeve for a drain',
  is: 'cover',
  goesOn: 'before',
  closed: 'at once',
});
