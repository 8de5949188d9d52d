import type { Assembly } from '../../core/assembly';
import { batchOf, inHands, stepsOf, type Batch, type WorkPlan } from '../../core/bench';

/** The order for so many, with what the hands do between two uses of a tool as runs of their own. It takes seconds of a trunk. */
export function batchFor({
  assembly,
  plan,
  count,
}: {
  readonly assembly: Assembly;
  readonly plan: Pick<WorkPlan, 'operations' | 'before'>;
  readonly count: number;
}): Batch {
  const { operations, before } = stepsOf(plan);
  const batch = batchOf(assembly, operations, before, count);
  return { ...batch, runs: inHands(assembly, operations, batch.runs) };
}
