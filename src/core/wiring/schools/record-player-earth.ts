import { school } from './types';

export const recordPlayerEarth = school({
  id: 'record-player-earth',
  question: 'How is a record player earthed?',
  choices: [
    {
      id: 'separate',
      name: 'separate earth wire',
      gains: 'Arm and chassis are earthed without touching the signal.',
      costs: 'One more wire and terminal; hums when it is forgotten.',
    },
    {
      id: 'unified',
      name: 'returns joined to the chassis inside, no earth wire',
      gains: 'Two plugs and nothing else.',
      costs: 'Hums as a loop when an earth wire is fitted as well.',
    },
  ],
  default: 'separate',
  because: 'It leaves the maker’s wiring alone, and most preamplifiers have the terminal.',
  decides: 'wiring',
  source: 'common practice',
});
