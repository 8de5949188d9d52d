import { endsOf, type Assembly } from '../assembly';
import type { WorkPlan } from './plan';
import type { BenchState } from './state';

/**
 * Connectors that the iron was at, by their entry, and how many: those of ends at which a joint is soldered or crimped. Taken off again they
 * are salvaged, and not what is in the bag; what was only screwed on is as good as before.
 */
export function workedConnectors(
  { operations }: Pick<WorkPlan, 'operations'>,
  { done }: Pick<BenchState, 'done'>,
  assembly: Assembly,
): ReadonlyMap<string, number> {
  const isDone = new Set(done);
  const screwed = new Set(
    assembly.bodies.flatMap(({ joints }) => joints.flatMap(({ id, how }) => (how === 'screw' ? [id] : []))),
  );
  const ends = new Set(
    operations.flatMap(({ id, joint, end }) =>
      joint !== undefined && !screwed.has(joint) && end && isDone.has(id) ? [end] : [],
    ),
  );
  const worked = new Map<string, number>();
  for (const { id, connector } of endsOf(assembly))
    if (connector && ends.has(id)) worked.set(connector, (worked.get(connector) ?? 0) + 1);
  return worked;
}
