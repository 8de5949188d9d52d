import { school } from './types';

export const spareLength = school({
  id: 'spare-length',
  question: 'Is length left for working the ends, or for a later repair?',
  choices: [
    {
      id: 'none',
      name: 'none',
      gains: 'The lead is the length that was asked for.',
      costs: 'One repair makes it shorter.',
    },
    {
      id: 'one',
      name: 'one re-termination',
      gains: 'After one repair the lead is the length that was asked for.',
      costs: 'Until then it is longer.',
    },
    {
      id: 'work',
      name: '100 mm to work the ends',
      gains: 'The ends lie easily in the vice and are trimmed last, to the depth of the plug.',
      costs: 'About 100 mm of cable is cut off again.',
    },
  ],
  default: 'none',
  because: 'The length asked for is the length that was meant.',
  decides: 'lengths',
  source: 'common practice',
});
