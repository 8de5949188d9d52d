import { planOf, proofBy, type Gear, type OperationKind, type WorkPlan } from '../../core/bench';
import type { Lead } from '../../core/lead';
import { isProbe, sayExpectation, type Instrument } from '../../core/proving';

/** How a lead would be built and proven: the titles of its steps, and its probes with what is good. */
export interface Planned {
  readonly course: readonly string[];
  /** The same steps by what they are. */
  readonly steps: readonly { readonly id: string; readonly kind: OperationKind }[];
  readonly probes: readonly { readonly id: string; readonly says: string; readonly good: string }[];
}

/** The plan that a lead is built and proven by. Of a trunk, or where something conducts one way only, it takes seconds. */
export const workPlanFor = ({ lead, gear }: { readonly lead: Lead; readonly gear: Gear }): WorkPlan =>
  planOf(lead, gear);

/** The same as whoever looks at the lead reads it. It takes as long. */
export function leadPlanFor({
  lead,
  meter,
}: {
  readonly lead: Lead;
  readonly meter: Instrument | undefined;
}): Planned {
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
