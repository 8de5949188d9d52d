import type { ProblemList } from '../quantity';

/** Every problem that a work box can be refused for, by code. */
export const WORKBOX_PROBLEMS = {
  title: 'Work boxes',
  codes: { 'workbox.need': 'A need that is named twice, on no occasion, or that is not there.' },
} as const satisfies ProblemList;
