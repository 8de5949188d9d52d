import { planOf, proofBy, type OperationKind } from '../../core/bench';
import type { Lead } from '../../core/lead';
import { isProbe, sayExpectation, type Instrument } from '../../core/proving';
import type { Database } from '../db';
import { missing } from '../refused';
import { house } from '../workshop/rows';
import * as rows from './rows';

/** How a lead would be built and proven today: the titles of its steps, and its probes with what is good. */
export interface LeadPlan {
  readonly revision: number;
  readonly course: readonly string[];
  /** The same steps by what they are. */
  readonly steps: readonly { readonly id: string; readonly kind: OperationKind }[];
  readonly probes: readonly { readonly id: string; readonly says: string; readonly good: string }[];
}

function planned(lead: Lead, meter: Instrument | undefined): Omit<LeadPlan, 'revision'> {
  const plan = planOf(lead, { instrument: meter });
  const proof = proofBy(plan, lead);
  return {
    course: plan.operations.map(({ title }) => title),
    steps: plan.operations.map(({ id, kind }) => ({ id, kind })),
    probes: proof.checks.map((check) => ({
      id: check.id,
      says: check.says,
      good: isProbe(check) ? sayExpectation(proof.expects(check)) : 'yes',
    })),
  };
}

/** Those that were asked for last: what a revision comes to by one meter never changes. */
const KNOWN = new Map<string, LeadPlan>();
const MOST_KNOWN = 64;

/** How a lead would be built in its newest revision. Errors: 404. */
export async function leadPlan(db: Database, id: string): Promise<LeadPlan> {
  const [stored, { meter }] = await Promise.all([rows.leadById(db, id), house(db)]);
  if (!stored) throw missing('lead');
  const { revision, lead, savedAt } = stored;
  const key = `${id} ${revision} ${savedAt} ${JSON.stringify(meter)}`;
  const plan = KNOWN.get(key) ?? { revision, ...planned(lead, meter) };
  KNOWN.delete(key);
  KNOWN.set(key, plan);
  const [oldest] = KNOWN.keys();
  if (KNOWN.size > MOST_KNOWN && oldest !== undefined) KNOWN.delete(oldest);
  return plan;
}
