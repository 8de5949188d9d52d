import { school } from './types';

export const screen = school({
  id: 'screen',
  question: 'Where is the screen joined?',
  choices: [
    {
      id: 'both',
      name: 'both ends',
      gains: 'Full screening, a return for phantom, and a return where the cold is open.',
      costs: 'A ground difference drives current along it.',
    },
    {
      id: 'source',
      name: 'source end only',
      gains: 'No loop through the screen.',
      costs: 'Stops phantom. Radio gets in at the open end.',
    },
    {
      id: 'destination',
      name: 'receiving end only',
      gains: 'No loop through the screen.',
      costs: 'Stops phantom. Radio gets in at the open end.',
    },
  ],
  default: 'both',
  because: 'Needed on every microphone and phantom line, and good equipment does not mind it.',
  decides: 'wiring',
  source: 'common practice',
});
