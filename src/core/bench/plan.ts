import { array, number, object, string } from 'yup';
import { spanLengths } from '../assembly';
import { schoolsOf, type Lead } from '../lead';
import { probeList, probeSchema, proofOf, type Proof } from '../proving';
import { migrated, record, type DocumentMigration, type Shape } from '../quantity';
import { operationsOf, ordered, prerequisites } from './sequence';
import { operationSchema, type Operation } from './types';

/** The version of work plans written today. */
export const PLAN_VERSION = 1;

/**
 * What one unit is built and proven by: its steps in order, what must be done before each, and its list of probes. It is
 * kept with the unit when that is started, so that better steps and probes that come later leave its events what they are.
 */
export const planSchema = object({
  version: number()
    .oneOf([PLAN_VERSION] as const)
    .required(),
  operations: array(operationSchema.required()).required(),
  /** Operation → the operations that must be done before it. */
  before: record(array(string().required()).required(), { what: 'What comes before what', most: 2000 }),
  probes: array(probeSchema.required()).required(),
}).noUnknown();
export type WorkPlan = Shape<typeof planSchema>;

/** One step for each version ever written: there is one version so far. */
export const PLAN_MIGRATIONS: readonly DocumentMigration[] = [];

/** A plan as it was stored by ourselves, brought up to today's version. */
export const storedPlan = (document: unknown): WorkPlan => migrated(document, PLAN_MIGRATIONS) as WorkPlan;

/**
 * The plan that a unit of this lead is started with today.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     planOf(document).operations.slice(0, 3).map((each) => each.title); // → ['Cut 5.966 m of cable', 'Thread on at end A: boot', 'Thread on at end B: boot']
 */
export function planOf(lead: Pick<Lead, 'assembly' | 'schools'>): WorkPlan {
  const { assembly } = lead;
  const schools = schoolsOf(lead);
  const all = operationsOf(assembly, schools);
  const before = prerequisites(all);
  return {
    version: PLAN_VERSION,
    operations: ordered(all, before),
    before: Object.fromEntries([...before].map(([id, ids]) => [id, [...ids]])),
    probes: probeList({ assembly, lengths: spanLengths(assembly) }),
  };
}

/** A plan's steps with what must be done before each. */
export const stepsOf = (
  plan: WorkPlan,
): {
  readonly operations: readonly Operation[];
  readonly before: ReadonlyMap<string, ReadonlySet<string>>;
} => ({
  operations: plan.operations,
  before: new Map(Object.entries(plan.before).map(([id, ids]) => [id, new Set(ids)])),
});

/** The proof of a unit: of the lead it is built to, by the probes of its plan. */
export const proofBy = (plan: WorkPlan, { assembly }: Pick<Lead, 'assembly'>): Proof =>
  proofOf(assembly, spanLengths(assembly), plan.probes);
