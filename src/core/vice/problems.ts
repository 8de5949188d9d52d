import type { ProblemList } from '../quantity';

/** Every problem that a drawing can be refused for, by code. */
export const VICE_PROBLEMS = {
  title: 'A lead as it lies in the vice',
  codes: {
    'drawing.end': 'An end that the lead does not have, or whose shape is not known.',
    'card.none': 'A card of a lead that has nothing to say on one.',
    'drawing.view': 'A side, hand, turn, channel or paper that there is not.',
  },
} as const satisfies ProblemList;
