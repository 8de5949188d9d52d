import { school } from './types';

export const solderKind = school({
  id: 'solder',
  question: 'Which solder?',
  choices: [
    {
      id: 'tin-lead',
      name: 'tin–lead, rosin',
      gains: 'Melts at 183 °C, easy and glossy.',
      costs: 'Lead: wash hands, no food at the bench.',
    },
    {
      id: 'lead-free',
      name: 'lead-free, rosin',
      gains: 'No lead.',
      costs: 'Melts at 217 to 227 °C, and a sound joint looks duller.',
    },
    {
      id: 'silver',
      name: 'silver-bearing, rosin',
      gains: 'Melts at 179 °C, strong on silvered contacts.',
      costs: 'Costs more.',
    },
  ],
  default: 'tin-lead',
  because: 'It forgives a hand that is learning. Rosin only, never acid flux.',
  decides: 'bench',
  source: 'common practice; melting points J-STD-006 (cited, from memory)',
});
