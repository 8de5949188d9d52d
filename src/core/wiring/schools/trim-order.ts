import { school } from './types';

export const trimOrder = school({
  id: 'trim-order',
  question: 'Are conductors cut to length before they are tinned, or after?',
  choices: [
    {
      id: 'trim-first',
      name: 'trimmed, then tinned',
      gains: 'Strands are cut while they are soft, and nothing is tinned in vain.',
      costs: 'Tinning makes the ends round and uneven.',
    },
    {
      id: 'tin-first',
      name: 'tinned, then all cut blunt to one length',
      gains: 'Every end is square and as long as the next, with no strand standing out.',
      costs: 'One more step an end, and clippings of solder.',
    },
  ],
  default: 'trim-first',
  because: 'It is one step less, and a core that was cut too short is seen before it is tinned.',
  decides: 'bench',
  source: 'common practice',
});
