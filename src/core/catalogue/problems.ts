import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const OWN_PROBLEMS = {
  title: 'Connectors and cables of the workshop’s own',
  codes: {
    'own.id': 'Sent to the address of another entry.',
    'own.name': 'No name.',
    'own.conductors': 'No core, or two conductors of one name.',
    'own.jacketMm': 'No thickness.',
    'own.ohmsPerKm': 'No resistance of a core.',
    'own.contacts': 'Two contacts of one name.',
    'own.taken': 'A name that the catalogue has already.',
    'own.views': 'A contact with no place on the face.',
  },
} as const satisfies ProblemList;
