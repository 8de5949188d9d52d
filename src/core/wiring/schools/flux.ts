import { school } from './types';

export const flux = school({
  id: 'flux',
  question: 'Whose flux?',
  choices: [
    {
      id: 'own',
      name: 'the solder’s own',
      gains: 'Nothing to wash off, nothing more to buy.',
      costs: 'Old or dull metal takes badly.',
    },
    {
      id: 'extra',
      name: 'extra rosin flux',
      gains: 'Wets at once, also what is old or dull: less time, less heat.',
      costs: 'A residue that is sticky and is washed off.',
    },
  ],
  default: 'own',
  because: 'New contacts and fresh strands need no more than is in the wire. Rosin only, either way.',
  decides: 'bench',
  source: 'common practice',
});
