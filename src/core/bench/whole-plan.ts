import { dressed } from '../dressing';
import { schoolsOf, type Lead } from '../lead';
import { ANY_METER, checkList, proofOf, type Instrument, type Proof } from '../proving';
import { PLAN_VERSION, provenOf, type WorkPlan } from './plan';
import { idsOf, operationsOf, ordered, placements } from './sequence';

/** What the house measures with. */
export interface Gear {
  readonly instrument?: Instrument | undefined;
  /** Its shorting plugs, each by what it goes on: `xlr3 socket`. */
  readonly plugs?: readonly string[];
}

/**
 * The plan that a unit of this lead is started with today, where it is measured with this.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     planOf(document).operations.slice(0, 3).map((each) => each.title); // → ['Cut 5.966 m of cable', 'Thread on at end A: clear heat-shrink, then boot', 'Thread on at end B: boot']
 */
export function planOf(
  lead: Pick<Lead, 'assembly' | 'schools' | 'situations'>,
  { instrument = ANY_METER, plugs = [] }: Gear = {},
): WorkPlan {
  const schools = schoolsOf(lead);
  const { probes, trials } = checkList(provenOf(lead), instrument);
  const all = operationsOf(dressed(lead), schools, [...probes, ...trials]);
  const waits = placements(all);
  return {
    version: PLAN_VERSION,
    operations: ordered(all, waits),
    before: Object.fromEntries([...idsOf(waits)].map(([id, ids]) => [id, [...ids]])),
    probes,
    trials,
    instrument,
    plugs: [...plugs],
  };
}

/** The proof of a unit: of the lead it is built to, by the probes, tests and looks of its plan. */
export const proofBy = (plan: WorkPlan, lead: Pick<Lead, 'assembly' | 'situations'>): Proof =>
  proofOf(provenOf(lead), { listed: plan, instrument: plan.instrument, plugs: plan.plugs });
