import { progress, type BenchEvent, type WorkPlan } from '../../core/bench';
import { loggedPace, stepPaces, type LoggedPace, type StepPace, type TimedStep } from '../../core/kit';
import type { Database } from '../db';
import { leadPlan } from '../leads/plan';
import { missing } from '../refused';
import * as rows from './rows';

/** So many of its own units tell how long a lead takes, and so many of others, the newest of each. */
const [MOST_OWN, MOST_OTHERS] = [20, 24];

function timed(operations: WorkPlan['operations'], events: readonly BenchEvent[]): readonly TimedStep[] {
  const { seconds } = progress(operations, events);
  return operations.flatMap(({ id, kind }) => {
    const took = seconds.get(id);
    return took === undefined ? [] : [{ id, kind, seconds: took }];
  });
}

/** How long a lead takes by the log; `pace` is left out where it does not say. Errors: 404. */
export async function leadPace(db: Database, leadId: string): Promise<{ readonly pace?: LoggedPace }> {
  const { steps } = await leadPlan(db, leadId);
  const timesOf = async (of: 'own' | 'others', most: number): Promise<readonly (readonly TimedStep[])[]> =>
    (await rows.logged(db, leadId, of, most)).map(({ operations, events }) => timed(operations, events));
  const [mine, others] = await Promise.all([timesOf('own', MOST_OWN), timesOf('others', MOST_OTHERS)]);
  const pace = loggedPace(steps, mine, others);
  return pace ? { pace } : {};
}

/** How long each step of a unit takes, by whoever builds it, else by the house: from what was timed before it. Errors: 404. */
export async function unitPace(
  db: Database,
  id: string,
): Promise<{ readonly steps: Readonly<Record<string, StepPace>> }> {
  const unit = await rows.unit(db, id);
  if (!unit) throw missing('unit');
  const of = async (which: 'own' | 'others', most: number) =>
    (await rows.logged(db, unit.leadId, which, most))
      .filter((each) => each.id !== id)
      .map(({ builder, operations, events }) => ({
        builder,
        isSame: which === 'own',
        steps: timed(operations, events),
      }));
  const units = await Promise.all([of('own', MOST_OWN), of('others', MOST_OTHERS)]);
  return { steps: stepPaces(unit.plan.operations, units.flat(), unit.builder) };
}
