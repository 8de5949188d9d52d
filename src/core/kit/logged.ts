import { quantile } from './quantile';

/** How long one step of a unit took, s. */
export interface TimedStep {
  readonly id: string;
  readonly kind: string;
  readonly seconds: number;
}

/** How long one lead takes by what was logged, and whose log that is. */
export interface LoggedPace {
  readonly minutes: number;
  readonly says: string;
}

const median = (all: readonly number[]): number | undefined =>
  all.length === 0 ? undefined : quantile(all, 0.5);

/** One list for each key, in the order in which they came. */
function grouped(steps: readonly TimedStep[], key: (step: TimedStep) => string): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  for (const step of steps) groups.set(key(step), [...(groups.get(key(step)) ?? []), step.seconds]);
  return groups;
}

const units = (count: number): string => `${count} ${count === 1 ? 'unit' : 'units'}`;

/**
 * How long a lead takes by the log: each of its steps the median of that step in its own units, else of steps of that kind in
 * units of other leads. Undefined where a step was never done by anybody: a sum with a hole in it would be too short.
 *
 *     loggedPace([{ id: 'cut', kind: 'cut' }], [[{ id: 'cut', kind: 'cut', seconds: 90 }]], []); // → 1.5 min, by 1 unit of it
 */
export function loggedPace(
  operations: readonly { readonly id: string; readonly kind: string }[],
  mine: readonly (readonly TimedStep[])[],
  others: readonly (readonly TimedStep[])[],
): LoggedPace | undefined {
  const own = grouped(mine.flat(), ({ id }) => id);
  const kinds = grouped([...mine, ...others].flat(), ({ kind }) => kind);
  const steps = operations.map(({ id, kind }) => ({
    isOwn: own.has(id),
    seconds: median(own.get(id) ?? kinds.get(kind) ?? []),
  }));
  const seconds = steps.flatMap((step) => step.seconds ?? []);
  if (steps.length === 0 || seconds.length < steps.length) return undefined;
  const borrowed = steps.filter(({ isOwn }) => !isOwn).length;
  const timed = mine.filter((each) => each.length > 0).length;
  return {
    minutes: seconds.reduce((sum, each) => sum + each, 0) / 60,
    says:
      borrowed === steps.length
        ? `by the log of ${units(others.filter((each) => each.length > 0).length)} of other leads, the median of each kind of step`
        : `by the log of ${units(timed)} of it, the median of each step${borrowed > 0 ? `; ${borrowed} of its ${steps.length} steps by steps of their kind` : ''}`,
  };
}
