import type { BenchState, Operation } from '../../core/bench';

/** Where a unit stands, in a word and a line for the board. */
export interface Stand {
  readonly stage: 'bench' | 'prove' | 'label' | 'logged' | 'given up';
  readonly done: number;
  readonly of: number;
  readonly next: string;
}

/** How far a unit is, from its plan and where its work stands. */
export function standOf(
  operations: readonly Pick<Operation, 'id' | 'kind' | 'title'>[],
  state: BenchState,
): Stand {
  const done = new Set(state.done);
  const counts = { done: done.size, of: operations.length };
  if (state.givenUp) return { stage: 'given up', ...counts, next: 'given up' };
  if (state.logged) return { stage: 'logged', ...counts, next: 'in the log' };
  const current = operations.find((operation) => !done.has(operation.id));
  if (!current) return { stage: 'label', ...counts, next: 'enter it in the log' };
  return {
    stage: current.kind === 'prove' ? 'prove' : current.kind === 'label' ? 'label' : 'bench',
    ...counts,
    next: current.title,
  };
}
