import { dressing } from './kind';

export const jointSleeve = dressing({
  what: 'joint-sleeve',
  name: 'Joint sleeve',
  is: 'cover',
  goesOn: 'before',
  closed: 'at once',
});
