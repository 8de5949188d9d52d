import { dressing } from './kind';

export const label = dressing({ what: 'label', name: 'Label', is: 'mark', goesOn: 'end', closed: 'at once' });
