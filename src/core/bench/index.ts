export { madeJoints } from './made-joints';
export { batchOf, inHands, MOST_TOGETHER, type Batch, type BatchRun } from './batch';
export { setUpSchema, setUpsOf, type SetUp, type SetUps } from './tool';
export { secondsProblem, SET_UP_SECONDS, TOOL_NAMES, type ToolName } from './tool-names';
export { COURSE_VERSION, courseOf, type Course, type CourseStep } from './course';
export { nextTogether, type NextTogether, type WorkedLead } from './together';
export { mendingOf } from './mending';
export { cutOff, madeAnew, reopened } from './reopen';
export { seenStill } from './seen-still';
export { operationsOf, prerequisites, sequence } from './sequence';
export { solderOrder } from './solder-order';
export { EVENT_KINDS, type BenchEvent, type EventKind } from './events';
export { courseHangsOn } from './hanging';
export { lastMending, progress, refusal, readingsInForce, type Progress } from './progress';
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
export { OPERATION_KINDS, type Operation, type OperationKind } from './types';
export {
  PLAN_MIGRATIONS,
  PLAN_VERSION,
  planSchema,
  proofOn,
  provenOf,
  stepsOf,
  storedPlan,
  type WorkPlan,
} from './plan';
export { BENCH_PROBLEMS } from './problems';
export { answer, eventFields, readingFields, recordSchema, type RecordFile } from './record';
export { coreFacts, repairOf, type CoreFacts, type Repair } from './repair';
export { planOf, proofBy, type Gear } from './whole-plan';
export { workedConnectors } from './worked';
