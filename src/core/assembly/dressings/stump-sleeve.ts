import { dressing } from './kind';

export const stumpSleeve = dressing({
  what: 'stump-sleeve',
  name: 'Stump sleeve',
  is: 'cover',
  goesOn: 'before',
  closed: 'at once',
});
