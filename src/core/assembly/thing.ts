import type { Assembly } from './assembly';

/** What was built, in a word, by what it is made of: a box has no cable, a plug has one end and nothing else. */
export function thingOf({ bodies, spans }: Assembly): 'lead' | 'box' | 'plug' | 'barrel' {
  if (spans.length > 0) return 'lead';
  if (bodies.some(({ kind }) => kind === 'box')) return 'box';
  return bodies.flatMap(({ ends }) => ends).length === 1 ? 'plug' : 'barrel';
}
