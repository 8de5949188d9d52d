import type { ProblemList } from '../quantity';

/** Every problem that lines and their inputs can have, by code. */
export const SWEEP_PROBLEMS = {
  title: 'Lines and inputs',
  codes: {
    'patch.twice': 'A way or an input that stands there twice.',
    'patch.pair': 'A pair that is not two inputs.',
    'venue.line': 'A line of a venue that cannot be read; which is beside it.',
    'patch.port': 'An input that is nothing that the catalogue has.',
  },
} as const satisfies ProblemList;
