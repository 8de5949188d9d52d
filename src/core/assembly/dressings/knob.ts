import { dressing } from './kind';

export const knob = dressing({ what: 'knob', name: 'Knob', is: 'hardware', goesOn: 'end', closed: 'never' });
