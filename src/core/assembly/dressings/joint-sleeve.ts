import { dressing } from './kind';

export const jointSleeve = dressing({
  what: 'joint-sleeve',
  name: 'Sleeve over a joint',
  is: 'cover',
  goesOn: 'before',
  closed: 'at once',
});
