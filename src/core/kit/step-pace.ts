import { quantile } from './quantile';
import type { TimedStep } from './logged';

/** How long a step usually takes: the median, and between what half of its times lay, s. */
export interface StepPace {
  readonly seconds: number;
  readonly low: number;
  readonly high: number;
  /** Whose times these are. */
  readonly of: 'builder' | 'house';
}

/** The timed steps of one unit: who built it, and whether it is of the lead that is asked for. */
export interface TimedUnit {
  readonly builder: string;
  readonly isSame: boolean;
  readonly steps: readonly TimedStep[];
}

/**
 * How long each step takes: by the builder’s own times of that step, else of steps of that kind, else by everybody’s times in the
 * same order. A step that nobody ever did is not in it.
 *
 * @param units what was timed before; the unit at hand is not among them
 * @param builder the name on the unit at hand
 */
export function stepPaces(
  operations: readonly { readonly id: string; readonly kind: string }[],
  units: readonly TimedUnit[],
  builder: string,
): Readonly<Record<string, StepPace>> {
  const mine = units.filter((unit) => unit.builder === builder);
  const timesOf = (among: readonly TimedUnit[], is: (step: TimedStep) => boolean): readonly number[] =>
    among.flatMap(({ steps }) => steps.filter(is).map(({ seconds }) => seconds));
  return Object.fromEntries(
    operations.flatMap(({ id, kind }) => {
      for (const [of, all] of [
        ['builder', mine],
        ['house', units],
      ] as const)
        for (const times of [
          timesOf(
            all.filter(({ isSame }) => isSame),
            (step) => step.id === id,
          ),
          timesOf(all, (step) => step.kind === kind),
        ])
          if (times.length > 0) {
            const [low, seconds, high] = [0.25, 0.5, 0.75].map((part) => quantile(times, part));
            return [[id, { seconds, low, high, of }] as const];
          }
      return [];
    }),
  ) as Readonly<Record<string, StepPace>>;
}

/** How long is left, s: the sum of the medians, and its spread as steps that do not hang on each other add up. */
export interface TimeLeft {
  readonly seconds: number;
  readonly low: number;
  readonly high: number;
  /** How many of the steps that are left nobody has timed yet: they are not in it. */
  readonly untimed: number;
}

/**
 * What is left of the work.
 *
 *     timeLeft([{ id: 'cut' }], new Set(), { cut: { seconds: 60, low: 50, high: 90, of: 'builder' } }); // → 60 s, 50 to 90
 */
export function timeLeft(
  operations: readonly { readonly id: string; readonly seconds?: number | undefined }[],
  done: ReadonlySet<string>,
  paces: Readonly<Record<string, StepPace>>,
): TimeLeft {
  let [seconds, below, above, untimed] = [0, 0, 0, 0];
  for (const { id, seconds: wait } of operations) {
    if (done.has(id)) continue;
    const pace = paces[id];
    if (pace) {
      seconds += pace.seconds;
      below += (pace.seconds - pace.low) ** 2;
      above += (pace.high - pace.seconds) ** 2;
    } else if (wait === undefined) untimed++;
    else seconds += wait;
  }
  return {
    seconds,
    low: Math.max(0, seconds - Math.sqrt(below)),
    high: seconds + Math.sqrt(above),
    untimed,
  };
}

/** In words: “about 12 min left, 9 to 16”; nothing where not one step that is left was ever timed. */
export function sayTimeLeft({ seconds, low, high, untimed }: TimeLeft): string | undefined {
  if (seconds === 0) return undefined;
  const minutes = (s: number): number => Math.max(1, Math.round(s / 60));
  const [from, about, to] = [minutes(low), minutes(seconds), minutes(high)];
  return [
    seconds < 45 ? 'less than a minute left' : `about ${about} min left`,
    ...(from < to && seconds >= 45 ? [`${from} to ${to}`] : []),
    ...(untimed > 0 ? [`and ${untimed} ${untimed === 1 ? 'step' : 'steps'} that nobody has timed yet`] : []),
  ].join(', ');
}

/** The steps that took half as long again as they usually do, and a quarter of a minute more: to be looked at, not blamed. */
export function slowSteps<T extends { readonly id: string }>(
  operations: readonly T[],
  took: ReadonlyMap<string, number>,
  paces: Readonly<Record<string, StepPace>>,
): readonly { readonly step: T; readonly seconds: number; readonly usually: number }[] {
  return operations.flatMap((step) => {
    const [seconds = 0, pace] = [took.get(step.id), paces[step.id]];
    return pace && seconds > 1.5 * pace.high && seconds > pace.high + 15
      ? [{ step, seconds, usually: pace.seconds }]
      : [];
  });
}
