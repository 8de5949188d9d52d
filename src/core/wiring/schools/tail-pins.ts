import { school } from './types';

export const tailPins = school({
  id: 'tail-pins',
  question: 'How do the pins of a test tail hold?',
  choices: [
    {
      id: 'soldered',
      name: 'soldered on',
      gains: 'Holds, and reads nothing.',
      costs: 'Hot work at each.',
    },
    {
      id: 'wound',
      name: 'strands wound on a wire pin, pinched, taped, shrunk',
      gains: 'No iron: made anywhere, and soon made anew.',
      costs: 'May work loose, and then reads like a bad contact.',
    },
  ],
  default: 'soldered',
  because: 'What a tail tells has to be of the connector, and not of the tail.',
  decides: 'bench',
  source: 'common practice',
});
