export { operationsOf, prerequisites, sequence } from './sequence';
export { solderOrder } from './solder-order';
export {
  EVENT_KINDS,
  lastMending,
  progress,
  refusal,
  readingsInForce,
  type BenchEvent,
  type EventKind,
  type Progress,
} from './progress';
export {
  after,
  NEW_STATE,
  STATE_MIGRATIONS,
  STATE_VERSION,
  stateOf,
  stateSchema,
  storedState,
  type BenchState,
} from './state';
export type { Operation, OperationKind } from './types';
export {
  PLAN_MIGRATIONS,
  PLAN_VERSION,
  planOf,
  planSchema,
  proofBy,
  stepsOf,
  storedPlan,
  type WorkPlan,
} from './plan';
export { BENCH_PROBLEMS } from './problems';
