import type { DeviceWork } from './device';

export const headphones: DeviceWork = {
  pads: 'earpiece-pads',
  open: {
    title: 'Open the headphones',
    detail: [
      'The screws hide under the cushion. Lay them in a row.',
      'The wires inside are as thin as hair: nothing hangs by them.',
    ],
  },
  off: {
    title: 'Note the old wiring, then take the old lead off',
    detail: [
      'A photograph, or in words: which pad has which strand.',
      'Unsolder each, quickly; clean the pads.',
    ],
  },
  through: [
    'Through the old way in, with slack left inside; a knot or a tie where a pull would reach the pads.',
  ],
  close: [
    'Low-temperature hot glue where a tab would bend the cord too far, clear of the thin wires.',
    'Screws by hand; then the cushion.',
  ],
  source: 'common practice',
};
