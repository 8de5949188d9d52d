import { dressing } from './kind';

export const tie = dressing({ what: 'tie', name: 'Cable tie', is: 'mark', goesOn: 'end', closed: 'at once' });
