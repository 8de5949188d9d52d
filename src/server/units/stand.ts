import { progress, type BenchEvent, type WorkPlan } from '../../core/bench';

/** Where a unit stands, in a word and a line for the board. */
export interface Stand {
  readonly stage: 'bench' | 'prove' | 'label' | 'logged';
  readonly done: number;
  readonly of: number;
  readonly next: string;
}

/** How far a unit is, from its plan and events. */
export function standOf({ operations }: WorkPlan, events: readonly BenchEvent[]): Stand {
  const state = progress(operations, events);
  const counts = { done: state.done.size, of: operations.length };
  if (state.logged) return { stage: 'logged', ...counts, next: 'in the log' };
  const { current } = state;
  if (!current) return { stage: 'label', ...counts, next: 'enter it in the log' };
  return {
    stage: current.kind === 'prove' ? 'prove' : current.kind === 'label' ? 'label' : 'bench',
    ...counts,
    next: current.title,
  };
}
