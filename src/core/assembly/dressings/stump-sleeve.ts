import { dressing } from './kind';

export const stumpSleeve = dressing({
  what: 'stump-sleeve',
  name: 'Sleeve over a stump',
  is: 'cover',
  goesOn: 'before',
  closed: 'at once',
});
