import { school } from './types';

export const spareLength = school({
  id: 'spare-length',
  question: 'Is length left for a later repair?',
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
  ],
  default: 'none',
  because: 'The length asked for is the length that was meant.',
  decides: 'lengths',
  source: 'common practice',
});
