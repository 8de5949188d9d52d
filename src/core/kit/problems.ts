import type { ProblemList } from '../quantity';

/** Every problem that a kit can be refused for, by code. */
export const KIT_PROBLEMS = {
  title: 'Kits',
  codes: {
    'kit.asked': 'A count, or a paper, that no kit is made for.',
    'kit.chain': 'A device of a chain that no lead leaves from, or comes to.',
  },
} as const satisfies ProblemList;
