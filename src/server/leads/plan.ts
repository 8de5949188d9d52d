import type { Gear, WorkPlan } from '../../core/bench';
import { beside } from '../beside';
import type { Database } from '../db';
import { missing } from '../refused';
import { remembered } from '../remembered';
import { house } from '../workshop/rows';
import type { Planned } from './planned-for';
import * as rows from './rows';

/** How a lead would be built and proven today. */
export interface LeadPlan extends Planned {
  readonly revision: number;
}

/** What a revision comes to by one meter, and by the gear of the house: it never changes. */
const plans = remembered<Planned>(64);
const workPlans = remembered<WorkPlan>(32);

const about = ({ id, revision, savedAt }: rows.StoredLead, by: unknown): string =>
  `${id} ${revision} ${savedAt} ${JSON.stringify(by)}`;

/** How a lead would be built in its newest revision. Errors: 404. */
export async function leadPlan(db: Database, id: string): Promise<LeadPlan> {
  const [stored, { meter }] = await Promise.all([rows.leadById(db, id), house(db)]);
  if (!stored) throw missing('lead');
  const { revision, lead } = stored;
  return {
    revision,
    ...(await plans(about(stored, meter), () => beside('leadPlanFor', { lead, meter }))),
  };
}

/** The plan that a unit of a lead is built and proven by. */
export const workPlanOf = (stored: rows.StoredLead, gear: Gear): Promise<WorkPlan> =>
  workPlans(about(stored, gear), () => beside('workPlanFor', { lead: stored.lead, gear }));
