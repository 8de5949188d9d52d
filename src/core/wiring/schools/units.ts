import { school } from './types';

export const units = school({
  id: 'units',
  question: 'Metres or feet?',
  choices: [
    {
      id: 'metric',
      name: 'metres and millimetres',
      gains: 'No fractions.',
      costs: 'None where the tape is metric.',
    },
    {
      id: 'inch',
      name: 'feet and inches',
      gains: 'Matches an inch tape, to the sixteenth.',
      costs: 'Rounds to the nearest sixteenth.',
    },
  ],
  default: 'metric',
  because: 'Connector makers’ strip lengths are in millimetres.',
  decides: 'words',
  source: 'common practice',
});
