import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. */
export const DESCRIBED_PROBLEMS = {
  title: 'A lead described from what is in the hand',
  codes: {
    'described.line': 'A line that is neither an end nor contacts that meet.',
    'described.ends': 'Fewer than two ends, more than nine, or one that is there twice.',
    'described.connector': 'An end whose connector is not known.',
    'described.contact': 'A contact that its end does not have.',
    'described.nothing': 'Ends, and no contacts that meet.',
    'described.unknown': 'Ends that no lead which is tried has.',
  },
} as const satisfies ProblemList;
