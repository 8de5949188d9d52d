import type { ProblemList } from '../quantity';

/** Every problem that drilling a box can have, by code. */
export const DRILLING_PROBLEMS = {
  title: 'Drilling a box',
  codes: {
    'box.measure': 'A measure of the box that is no length.',
    'box.range': 'A measure that no box has.',
    'box.posts': 'Corner posts that leave no room between them.',
    'drill.no-box': 'A lead with no box to drill.',
    'drill.hole': 'A socket whose hole is not known.',
    'drill.collides': 'Two things that would stand in each other inside.',
  },
} as const satisfies ProblemList;
