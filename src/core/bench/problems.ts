import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const BENCH_PROBLEMS = {
  title: 'At the bench',
  codes: {
    'bench.unknown': 'A step that this unit does not have.',
    'bench.twice': 'A step that is done already.',
    'bench.gate': 'A step before what has to precede it.',
    'bench.confirm': 'Something to confirm that the step does not ask.',
    'bench.not-done': 'Undoing what is not done.',
    'bench.under': 'Undoing what later work rests on.',
    'bench.unfinished': 'Logging before everything is done.',
    'bench.given-up': 'Work on what was given up.',
    'bench.logged': 'Work on what is in the log.',
    'bench.unmeasured': 'Closing what was not measured while it was open.',
    'bench.unproven': 'Logging without readings that say good.',
  },
} as const satisfies ProblemList;
