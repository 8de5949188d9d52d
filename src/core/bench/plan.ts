import { array, number, object, string } from 'yup';
import { mainUse, type Lead } from '../lead';
import {
  ANY_METER,
  instrumentSchema,
  probeSchema,
  proofBySheet,
  trialSchema,
  type Judging,
  type Proof,
  type Proven,
} from '../proving';
import { migrated, record, type DocumentMigration, type Shape } from '../quantity';
import { operationSchema, type Operation } from './types';

/** The version of work plans written today. */
export const PLAN_VERSION = 7;

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
  /** What is tried and looked at besides. */
  trials: array(trialSchema.required()).required(),
  /** The meter that they were chosen for. */
  instrument: instrumentSchema.required(),
  /** The shorting plugs that were at hand, each by what it goes on: `xlr3 socket`. */
  plugs: array(string().required().max(60)).required(),
}).noUnknown();
export type WorkPlan = Shape<typeof planSchema>;

/** One step for each version ever written. */
export const PLAN_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 1,
    to: 2,
    name: 'tests and looks beside the probes; there were none before',
    up: (plan) => ({ ...plan, version: 2, trials: [] }),
  },
  {
    from: 2,
    to: 3,
    name: 'the meter that the probes were chosen for; it was any before',
    up: (plan) => ({ ...plan, version: 3, instrument: ANY_METER }),
  },
  {
    from: 3,
    to: 4,
    name: 'the shorting plugs at hand; there were none before',
    up: (plan) => ({ ...plan, version: 4, plugs: [] }),
  },
  {
    from: 4,
    to: 5,
    name: 'what a step puts on or closes may be said',
    up: (plan) => ({ ...plan, version: 5 }),
  },
  {
    from: 5,
    to: 6,
    name: 'more kinds of step: braided, opened, drilled, unsoldered, told apart, twisted, mounted; there were none before',
    up: (plan) => ({ ...plan, version: 6 }),
  },
  {
    from: 6,
    to: 7,
    name: 'with what a step is done may be said, where that hangs on more than its kind',
    up: (plan) => ({ ...plan, version: 7 }),
  },
];

/** A plan as it was stored by ourselves, brought up to today's version. */
export const storedPlan = (document: unknown): WorkPlan => migrated(document, PLAN_MIGRATIONS) as WorkPlan;

/** What is proven of a lead: what it is, in its first use. */
export const provenOf = (lead: Pick<Lead, 'assembly' | 'situations'>): Proven => ({
  assembly: lead.assembly,
  situation: mainUse(lead),
});

/** A plan's steps with what must be done before each. */
export const stepsOf = (
  plan: Pick<WorkPlan, 'operations' | 'before'>,
): {
  readonly operations: readonly Operation[];
  readonly before: ReadonlyMap<string, ReadonlySet<string>>;
} => ({
  operations: plan.operations,
  before: new Map(Object.entries(plan.before).map(([id, ids]) => [id, new Set(ids)])),
});

/**
 * The proof of a unit by its plan; its functional tests, and what works out junctions, come later or not at all: what hangs on one of them is then not
 * told by it.
 */
export const proofOn = (
  plan: WorkPlan,
  lead: Pick<Lead, 'assembly' | 'situations'>,
  { testsOf = () => [], solve }: Partial<Omit<Judging, 'instrument' | 'plugs'>> = {},
): Proof =>
  proofBySheet(provenOf(lead), plan, {
    instrument: plan.instrument,
    plugs: plan.plugs,
    testsOf,
    solve,
  });
