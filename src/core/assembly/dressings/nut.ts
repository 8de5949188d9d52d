import { dressing } from './kind';

export const nut = dressing({ what: 'nut', name: 'Nut', is: 'hardware', goesOn: 'after', closed: 'closing' });
