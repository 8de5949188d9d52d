import { MOST_TOGETHER, setUpsOf, type Batch, type SetUps } from '../../core/bench';
import { beside } from '../beside';
import type { Database } from '../db';
import { workPlanOf } from '../leads/plan';
import * as leadRows from '../leads/rows';
import { missing, Refused } from '../refused';
import { remembered } from '../remembered';
import { atBench, type UnitAtBench } from './at-bench';
import type { batchFor } from './batch-for';
import { house } from '../workshop/rows';
import { gearOf } from './gear';
import * as rows from './rows';

/** Units of one lead that are on the bench at the same time, and the order in which they are worked together. */
export interface Together {
  readonly units: readonly UnitAtBench[];
  /** Nothing where there is one alone. */
  readonly batch?: Batch;
  /** How many tools the house has timed. */
  readonly timed?: number;
}

/** What a plan comes to for so many: it never changes. */
const batches = remembered<Batch>(32);

function known(about: string, of: Parameters<typeof batchFor>[0]): Promise<Batch> {
  const key = `${about} ${of.count} ${JSON.stringify(of.setUps)} ${of.plan.operations.map(({ id }) => id).join(',')}`;
  return batches(key, () => beside('batchFor', of));
}

/** How long it takes at the house’s bench to lay hands on each tool that it has timed, s. */
const houseSetUps = async (db: Database): Promise<SetUps> => setUpsOf((await house(db)).setUps ?? []);

/** What is on the bench beside a unit, alike to the step, and how they are worked together. Errors: 404. */
export async function togetherWith(db: Database, id: string): Promise<Together> {
  const unit = await rows.unit(db, id);
  const lead = unit && (await leadRows.leadAt(db, unit.leadId, unit.revision));
  if (!unit || !lead) throw missing('unit');
  const units = await atBench(db, unit, MOST_TOGETHER);
  if (units.length < 2 || !units.some((each) => each.id === id)) return { units };
  const { assembly } = lead;
  const about = `${unit.leadId} ${unit.revision}`;
  const setUps = await houseSetUps(db);
  return {
    units,
    timed: Object.keys(setUps).length,
    batch: await known(about, { assembly, plan: unit.plan, count: units.length, setUps }),
  };
}

/** How so many of a lead would be made together today, with the titles of its steps. */
export type LeadBatch = Batch & {
  readonly titles: Readonly<Record<string, string>>;
  /** How many tools the house has timed. */
  readonly timed: number;
};

/** How so many of a lead would be made together. Errors: 404; 422 where that is no number of leads. */
export async function leadBatch(db: Database, id: string, query: URLSearchParams): Promise<LeadBatch> {
  const count = Number(query.get('count'));
  if (!Number.isInteger(count) || count < 2 || count > MOST_TOGETHER)
    throw new Refused(422, [
      {
        code: 'query.count',
        says: `count must be how many are made together: 2 to ${MOST_TOGETHER}.`,
        path: 'count',
      },
    ]);
  const [stored, gear, setUps] = await Promise.all([leadRows.leadById(db, id), gearOf(db), houseSetUps(db)]);
  if (!stored) throw missing('lead');
  const plan = await workPlanOf(stored, gear);
  const batch = await known(`${id} ${stored.revision}`, {
    assembly: stored.lead.assembly,
    plan,
    count,
    setUps,
  });
  return {
    ...batch,
    timed: Object.keys(setUps).length,
    titles: Object.fromEntries(plan.operations.map((operation) => [operation.id, operation.title])),
  };
}
