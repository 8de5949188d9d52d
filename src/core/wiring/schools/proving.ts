import { school } from './types';

export const proving = school({
  id: 'proving',
  question: 'Is every lead put on the meter?',
  choices: [
    {
      id: 'every',
      name: 'every lead',
      gains: 'Nothing goes out that has not been measured.',
      costs: 'Some minutes a lead.',
    },
    {
      id: 'spot',
      name: 'spot checks',
      gains: 'A batch of like leads goes out quicker.',
      costs: 'What was passed by is not known to be good, and the log says so.',
    },
  ],
  default: 'every',
  because: 'Faults are rare and found at the worst moment: a show.',
  decides: 'bench',
  source: 'common practice',
});
