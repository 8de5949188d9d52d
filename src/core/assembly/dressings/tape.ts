import { dressing } from './kind';

export const tape = dressing({ what: 'tape', name: 'Tape', is: 'cover', goesOn: 'end', closed: 'at once' });
