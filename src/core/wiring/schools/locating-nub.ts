import { school } from './types';

export const locatingNub = school({
  id: 'locating-nub',
  question: 'What becomes of the nub that keeps a control from turning?',
  choices: [
    {
      id: 'hole',
      name: 'given a hole of its own',
      gains: 'The control cannot turn on its wires.',
      costs: 'One more hole, and it has to be in its place.',
    },
    {
      id: 'ground-off',
      name: 'ground off',
      gains: 'One hole less.',
      costs: 'The nut alone keeps it from turning.',
    },
  ],
  default: 'hole',
  because: 'A control that turns breaks its wires off.',
  decides: 'bench',
  source: 'common practice',
});
