import { school } from './types';

export const shrinkTime = school({
  id: 'shrink-time',
  question: 'When is shrink closed?',
  choices: [
    {
      id: 'each',
      name: 'at each end, as soon as it is seen and measured',
      gains: 'Nothing is left lying open, and an end is finished before the next is begun.',
      costs: 'The heat gun comes out at every end.',
    },
    {
      id: 'last',
      name: 'all of it when every joint is made',
      gains: 'The gun comes out once, and every joint can be mended until then.',
      costs: 'Ends lie open until the last, and a sleeve may be forgotten.',
    },
  ],
  default: 'each',
  because: 'What is closed cannot be forgotten.',
  decides: 'bench',
  source: 'common practice',
});
