export { kit } from './kit';
export { pickKey, sparedOf } from './pick-key';
export { manyOf, unitsOf, type KitLine, type Many } from './lines';
export { kitSheet, type KitSheet, type Wanted } from './sheet';
export { jobItems, type JobItem } from './job';
export { loggedPace, type LoggedPace, type TimedStep } from './logged';
export {
  sayTimeLeft,
  slowSteps,
  stepPaces,
  timeLeft,
  type StepPace,
  type TimedUnit,
  type TimeLeft,
} from './step-pace';
export { labelLines } from './label';
export { unitNumber } from './unit-number';
export { tools, type Tool } from './tools';
export {
  amountIn,
  costOf,
  isPriced,
  minutesFor,
  USUAL_PACE,
  type Cost,
  type CostOptions,
  type Pace,
  type Prices,
} from './cost';
export { CHAIN_VERSION, chainKit, chainLeads, chainSchema, type Chain, type ChainKit } from './chain';
export { packsOf } from './sold';
export { KIT_PROBLEMS } from './problems';
