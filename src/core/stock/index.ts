export {
  CUT_VERSION,
  cutProblemSchema,
  readCutProblem,
  type CutPiece,
  type CutPlan,
  type CutProblem,
} from './document';
export { lyingFor, readyFor, takeFor, type Need, type Ready, type Taken } from './take';
export { cutPlan, type PlanOptions } from './plan';
export {
  after,
  refusal,
  sayAmount,
  shelfEventSchema,
  shelfOf,
  SORTS,
  stockOf,
  UNITS,
  type ShelfEvent,
  type ShelfPiece,
} from './shelf';
export { STOCK_PROBLEMS } from './problems';
