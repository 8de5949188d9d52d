import type { DeviceWork } from './device';

export const recordPlayer: DeviceWork = {
  pads: 'cartridge-pads',
  open: {
    title: 'Open the record player',
    detail: [
      'Unplug it from the mains first. On a soft bed, platter off, arm locked.',
      'Lay the screws in a row in the order in which they come out.',
      'Open the strain relief and cut the tie.',
    ],
    confirm: ['it is unplugged from the mains', 'the arm is locked and the platter is off'],
  },
  off: {
    title: 'Note the old wiring, then take the old lead off',
    detail: [
      'A photograph, or in words: which pad has which wire.',
      'Unsolder or clip each; clean the pads with wick.',
    ],
  },
  through: ['Through the base and its strain relief, before anything is soldered.'],
  close: [
    'Melt check first: no core reads to a screen.',
    'Strain relief on the jacket, new tie, then the screws by hand, last out first in: the bosses strip.',
  ],
  source: 'common practice',
};
