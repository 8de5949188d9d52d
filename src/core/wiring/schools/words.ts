import { school } from './types';

export const words = school({
  id: 'words',
  question: 'Plug and socket, or male and female?',
  choices: [
    {
      id: 'plug-socket',
      name: 'plug and socket',
      gains: 'Says what the part is.',
      costs: 'Some people hear “plug” as any connector on a cable.',
    },
    {
      id: 'male-female',
      name: 'male and female',
      gains: 'Usual in rental houses and on flight-case labels.',
      costs: 'Not used in standards.',
    },
  ],
  default: 'plug-socket',
  because: 'It is what the standards call them.',
  decides: 'words',
  source: 'common practice',
});
