import type { ProblemList } from '../quantity';

/** Every problem that a cutting problem can be refused for, by code. */
export const STOCK_PROBLEMS = {
  title: 'Stock and cutting',
  codes: {
    'stock.twice': 'An id that stands for two pieces of stock, or two cuts.',
    'stock.many': 'More cuts than are planned in one go.',
    'shelf.event':
      'What cannot have happened to a piece of the shelf: more taken than there is, or of a piece that is not there.',
  },
} as const satisfies ProblemList;
