import { dressing } from './kind';

export const cell = dressing({ what: 'cell', name: 'Cell', is: 'hardware', goesOn: 'end', closed: 'never' });
