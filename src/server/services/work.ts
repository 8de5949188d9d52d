import type { Assembly } from '../../core/assembly';
import {
  operationsOf,
  prerequisites,
  progress,
  sequence,
  type BenchEvent,
  type Operation,
} from '../../core/bench';
import { spanLengths } from '../../core/assembly';
import { judge, proofOf, type Reading, type Verdict } from '../../core/proving';
import { resolveSchools, type Intent } from '../../core/wiring';

/** What a unit is built by: the operations of the revision it is pinned to, and what must precede each. */
export interface Course {
  readonly operations: readonly Operation[];
  readonly before: ReadonlyMap<string, ReadonlySet<string>>;
}

export function courseOf(assembly: Assembly, intent: Intent): Course {
  const schools = resolveSchools(intent.schools);
  return { operations: sequence(assembly, schools), before: prerequisites(operationsOf(assembly, schools)) };
}

export const verdictOf = (assembly: Assembly, readings: readonly Reading[]): Verdict =>
  judge(proofOf(assembly, spanLengths(assembly)), readings);

/** Where a unit stands, in a word and a line for the board. */
export type Standing = {
  readonly stage: 'bench' | 'prove' | 'label' | 'logged';
  readonly done: number;
  readonly of: number;
  readonly next: string;
};

export function standingOf({ operations }: Course, events: readonly BenchEvent[]): Standing {
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
