import { ApiProblem } from '../app';

/** What an error of sending means for what was sent. */
export type Fate = 'again' | 'smaller' | 'held' | 'named' | 'split';
export function fateOf(error: unknown): Fate {
  if (!(error instanceof ApiProblem)) return 'again';
  const { status, more } = error;
  if (status === 413) return 'smaller';
  if (status === 0 || status === 408 || status === 429 || status >= 500) return 'again';
  if (status === 409 && Array.isArray(more['refused'])) return 'named';
  return status === 400 || status === 422 ? 'split' : 'held';
}
