import { school } from './types';

export const contactsTinned = school({
  id: 'contacts',
  question: 'Are contacts tinned before the wire comes?',
  choices: [
    {
      id: 'tinned',
      name: 'tinned first',
      gains: 'The joint takes at once, with the least heat in the plastic.',
      costs: 'One more heating of each contact.',
    },
    {
      id: 'plain',
      name: 'not tinned',
      gains: 'One heating a contact.',
      costs: 'The wire has to be held for longer.',
    },
  ],
  default: 'tinned',
  because: 'Hotter and shorter beats cooler and longer.',
  decides: 'bench',
  source: 'common practice',
});
