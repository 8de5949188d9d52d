import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const SIGNAL_PROBLEMS = {
  title: 'What a lead does to its signal, and sums',
  codes: {
    'signal.no-use': 'A lead that does not say what its ends meet.',
    'sum.choice': 'A choice that the sum does not have.',
    'sum.number': 'What was typed is no number.',
    'sum.range': 'A number out of range.',
    'sum.slot': 'Something that the sum does not ask.',
    'sum.unknown': 'A sum that there is not.',
  },
} as const satisfies ProblemList;
