import { school } from './types';

export const colour = school({
  id: 'colour',
  question: 'Which core is hot?',
  choices: [
    {
      id: 'lighter-hot',
      name: 'the lighter core',
      gains: 'Darker as the contact number rises: bare 1, white 2, black 3; red over black or blue.',
      costs: 'Studio multipair goes the other way.',
    },
    {
      id: 'coloured-hot',
      name: 'the coloured core',
      gains: 'Agrees with multipair, where white or clear is the cold of every pair.',
      costs: 'On white and black cable it makes black hot, which surprises most people.',
    },
  ],
  default: 'lighter-hot',
  because:
    'Stage cable is mostly white and black or red and black, and the lighter core comes first on either.',
  decides: 'wiring',
  source: 'common practice',
});
