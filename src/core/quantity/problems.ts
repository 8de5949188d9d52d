import type { ProblemList } from './problem-list';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const QUANTITY_PROBLEMS = {
  title: 'Typed figures, and the shape of documents',
  codes: {
    'length.missing': 'No length is given.',
    'length.unreadable': 'What was typed is no length.',
    'length.ambiguous': 'A length that can be read two ways, such as 1,500.',
    'length.negative': 'A length below nothing.',
    'length.zero': 'A length of nothing.',
    'resistance.unreadable': 'What was typed is no resistance and no OL.',
    'capacitance.unreadable': 'What was typed is no capacitance.',
    'volts.unreadable': 'What was typed is no voltage and no OL.',
    'temperature.unreadable': 'What was typed is no temperature.',
    'temperature.impossible': 'Below absolute zero.',
  },
} as const satisfies ProblemList;
