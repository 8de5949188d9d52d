export {
  CUT_VERSION,
  cutProblemSchema,
  readCutProblem,
  type CutPiece,
  type CutPlan,
  type CutProblem,
} from './document';
export { cutPlan, type PlanOptions } from './plan';
export { STOCK_PROBLEMS } from './problems';
