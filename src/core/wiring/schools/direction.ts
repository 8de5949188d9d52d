import { school } from './types';

export const direction = school({
  id: 'direction',
  question: 'Does the lead have a direction?',
  choices: [
    {
      id: 'none',
      name: 'none',
      gains: 'Either end of the reel will do.',
      costs: 'Nothing tells which way it was meant.',
    },
    {
      id: 'print',
      name: 'the jacket’s print reads with the signal',
      gains: 'The end can be told by the print.',
      costs: 'The reel has to be looked at before each cut.',
    },
  ],
  default: 'none',
  because: 'Copper has none; a lead whose ends differ says so by its connectors.',
  decides: 'bench',
  source: 'common practice',
});
