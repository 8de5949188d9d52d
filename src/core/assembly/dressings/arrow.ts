import { dressing } from './kind';

export const arrow = dressing({
  what: 'arrow',
  name: 'Arrow on the jacket',
  is: 'mark',
  goesOn: 'before',
  closed: 'end',
});
