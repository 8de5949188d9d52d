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

/** Courses worked out lately, by the documents they come from: every open page asks for them every few seconds. */
const lately = new Map<string, Course>();
const MOST_KEPT = 500;

export function courseOf(assembly: Assembly, intent: Intent): Course {
  const key = JSON.stringify([assembly, intent.schools]);
  const known = lately.get(key);
  if (known) return known;
  const schools = resolveSchools(intent.schools);
  const course = {
    operations: sequence(assembly, schools),
    before: prerequisites(operationsOf(assembly, schools)),
  };
  const oldest = lately.size >= MOST_KEPT ? lately.keys().next().value : undefined;
  if (oldest !== undefined) lately.delete(oldest);
  lately.set(key, course);
  return course;
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
