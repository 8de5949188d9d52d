import { school } from './types';

export const solderOrder = school({
  id: 'solder-order',
  question: 'Which joint is soldered first?',
  choices: [
    {
      id: 'screen-first',
      name: 'the screen',
      gains: 'The awkward one is done while there is room, and it then holds the cable.',
      costs: 'The thick joint heats the insert first.',
    },
    {
      id: 'screen-last',
      name: 'the screen last',
      gains: 'The cores are reached while nothing stiff stands beside them.',
      costs: 'The stiff one is placed where there is least room.',
    },
    {
      id: 'lowest-first',
      name: 'the lowest contact',
      gains: 'The same count every time.',
      costs: 'May put a finished joint in the way.',
    },
    {
      id: 'by-hand',
      name: 'away from the hand',
      gains: 'The hand never crosses a finished joint.',
      costs: 'The order differs from end to end, since plug and socket mirror each other.',
    },
  ],
  default: 'screen-first',
  because: 'The screen is the stiffest conductor and the hardest to place.',
  decides: 'bench',
  source: 'common practice',
});
