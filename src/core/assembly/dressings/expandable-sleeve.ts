import { dressing } from './kind';

export const expandableSleeve = dressing({
  what: 'expandable-sleeve',
  name: 'Expandable sleeve',
  is: 'cover',
  goesOn: 'before',
  closed: 'end',
});
