import { school } from './types';

export const thirdStrand = school({
  id: 'third-strand',
  question: 'What is done with the third strand of a braid?',
  choices: [
    {
      id: 'open',
      name: 'left open at both ends',
      gains: 'Nothing can loop through it.',
      costs: 'It keeps out little.',
    },
    {
      id: 'source',
      name: 'drained to chassis at the source end',
      gains: 'Carries off what the field induces.',
      costs: 'One more joint, and only one end may have it.',
    },
    {
      id: 'destination',
      name: 'drained to chassis at the receiving end',
      gains: 'Carries off what the field induces.',
      costs: 'One more joint, and only one end may have it.',
    },
  ],
  default: 'open',
  because: 'A braid rejects by its lay; the third strand is there to make the braid.',
  decides: 'wiring',
  source: 'common practice',
});
