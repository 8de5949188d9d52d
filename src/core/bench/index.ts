export { operationsOf, prerequisites, sequence } from './sequence';
export { solderOrder } from './solder-order';
export {
  EVENT_KINDS,
  progress,
  refusal,
  standing,
  type BenchEvent,
  type EventKind,
  type Progress,
} from './progress';
export type { Operation, OperationKind } from './types';
