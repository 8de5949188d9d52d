import { array, boolean, number, object, string } from 'yup';
import { uuid, type Shape } from '../../core/quantity';
import { CUT_VERSION, cutId } from '../../core/stock';
import type { Database } from '../db';
import * as jobRows from '../jobs/rows';
import { inTransaction } from '../db';
import { missing } from '../refused';
import type { Planned } from './tables';

const [MOST_PIECES, MOST_CUTS] = [500, 5000] as const;
const much = number().min(0).max(1e9).required();
const name = string().required().max(300);

/** A cutting plan as it comes from a worker, with the number that the ids of all its cuts come from. */
export const plannedSchema = object({
  seed: uuid(),
  plan: object({
    version: number()
      .oneOf([CUT_VERSION] as const)
      .required(),
    pieces: array(
      object({
        stock: name,
        cuts: array(name).max(MOST_CUTS).required(),
        restMm: much,
      })
        .noUnknown()
        .required(),
    )
      .max(MOST_PIECES)
      .required(),
    reelsOpened: much,
    wasteMm: much,
    longestRestMm: much,
    short: array(object({ id: name, count: much, missingMm: much }).noUnknown().required())
      .max(MOST_CUTS)
      .optional()
      .default(undefined),
    optimal: boolean().required(),
    bound: object({ reelsOpened: much, wasteMm: much }).noUnknown().required(),
  })
    .noUnknown()
    .required(),
}).noUnknown();

export const planSchema = object({
  item: string().required('Say which cable.').max(120),
  planned: plannedSchema.required('Send the plan.'),
}).noUnknown();

/** A plan with the pieces of it that are cut, as the shelf has it. */
export interface PlanOfCable extends Planned {
  readonly item: string;
  readonly cut: readonly string[];
}

/** Keeps the plan of one cable of a job: everybody who cuts for it has the last one. Errors: 404. */
export async function keepPlan(
  db: Database,
  job: string,
  { item, planned }: Shape<typeof planSchema>,
): Promise<{ readonly item: string }> {
  await inTransaction(db, async (trx) => {
    if (!(await jobRows.holdJob(trx, job))) throw missing('job');
    const document = JSON.stringify(planned);
    await trx
      .insertInto('cut_plan')
      .values({ job_id: job, item, document })
      .onConflict((row) => row.columns(['job_id', 'item']).doUpdateSet({ document, at: new Date() }))
      .execute();
  });
  return { item };
}

/** The plans of a job, each with what of it is cut. */
export async function plansOf(db: Database, job: string): Promise<readonly PlanOfCable[]> {
  const rows = await db
    .selectFrom('cut_plan')
    .select(['item', 'document'])
    .where('job_id', '=', job)
    .orderBy('item')
    .execute();
  const firsts = new Map(
    rows.flatMap(({ item, document: { seed, plan } }) =>
      plan.pieces.map(({ stock }, n) => [cutId(seed, n, 0), { item, stock }] as const),
    ),
  );
  const known =
    firsts.size === 0
      ? []
      : await db
          .selectFrom('shelf_event')
          .select('id')
          .where('id', 'in', [...firsts.keys()])
          .execute();
  return rows.map(({ item, document }) => ({
    ...document,
    item,
    cut: known.flatMap(({ id }) => {
      const first = firsts.get(id);
      return first?.item === item ? [first.stock] : [];
    }),
  }));
}
