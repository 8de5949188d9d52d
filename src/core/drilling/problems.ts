import type { ProblemList } from '../quantity';

/** Every problem that drilling a box can have, by code. */
export const DRILLING_PROBLEMS = {
  title: 'Drilling a box, or a cover',
  codes: {
    'box.measure': 'A measure of the box or cover that is no length.',
    'box.range': 'A measure that no box, or no cover, has.',
    'box.posts': 'Corner posts that leave no room between them.',
    'drill.no-box': 'A lead with no box, or no cover, to drill.',
    'drill.hole': 'A socket or wire whose hole is not known.',
    'drill.collides': 'Two things that would stand in each other inside, or holes with no room.',
  },
} as const satisfies ProblemList;
