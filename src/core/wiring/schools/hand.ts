import { school } from './types';

export const hand = school({
  id: 'hand',
  question: 'Which hand holds the iron?',
  choices: [
    {
      id: 'right',
      name: 'right',
      gains: 'Joints go from left to right, so the hand never crosses a finished one.',
      costs: 'None for a right-handed builder.',
    },
    {
      id: 'left',
      name: 'left',
      gains: 'Joints go from right to left, so the hand never crosses a finished one.',
      costs: 'None for a left-handed builder.',
    },
  ],
  default: 'right',
  because: 'Most builders hold it there.',
  decides: 'bench',
  source: 'common practice',
});
