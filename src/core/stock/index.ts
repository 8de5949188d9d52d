export {
  CUT_VERSION,
  cutProblemSchema,
  readCutProblem,
  type CutPiece,
  type CutPlan,
  type CutProblem,
} from './document';
export { isTaken, lyingFor, readyFor, takeFor, withoutHeld, type Need, type Ready, type Taken } from './take';
export { cutPlan, type PlanOptions } from './plan';
export {
  after,
  refusal,
  sayAmount,
  shelfEventSchema,
  shelfOf,
  CONDITIONS,
  SORT_NAMES,
  SORTS,
  soundMm,
  UNITS,
  type ShelfEvent,
  type ShelfPiece,
  type Stretch,
} from './shelf';
export {
  cutFrom,
  cutId,
  pieceOfStock,
  soundStretches,
  stockOf,
  stretchOf,
  type CutOff,
  type CutRules,
} from './stretches';
export { STOCK_PROBLEMS } from './problems';
