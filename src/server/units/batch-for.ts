import type { Assembly } from '../../core/assembly';
import { batchOf, inHands, stepsOf, type Batch, type SetUps, type WorkPlan } from '../../core/bench';

/** The order for so many, with what the hands do between two uses of a tool as runs of their own. It takes seconds of a trunk. */
export function batchFor({
  assembly,
  plan,
  count,
  setUps,
}: {
  readonly assembly: Assembly;
  readonly plan: Pick<WorkPlan, 'operations' | 'before'>;
  readonly count: number;
  /** How long it takes at the house’s bench to lay hands on each tool, s. */
  readonly setUps: SetUps;
}): Batch {
  const { operations, before } = stepsOf(plan);
  const batch = batchOf(assembly, operations, before, count, { setUps });
  return { ...batch, runs: inHands(assembly, operations, batch.runs) };
}
