export { cautionsAfter, cautionsBefore, type Caution } from './before';
export { costOf, costOn, LEFT, mayStand, weightOf } from './cost';
export { linesSchema, PATCH_VERSION, readLines, type Lines, type PatchList, type Placed } from './document';
export {
  checkLines,
  INPUT_PORTS,
  INPUTS_VERSION,
  inputListSchema,
  inputSchema,
  linesFor,
  NO_INPUTS,
  readInputs,
  USUAL_COSTS,
  venueLinesSchema,
  WANTS,
  wantsOf,
  type Input,
  type InputList,
  type VenueLine,
  type Wants,
} from './inputs';
export {
  judged,
  LAMPS,
  likelyPlace,
  lookSchema,
  looksSchema,
  PAIRS,
  plugSchema,
  sayFaults,
  USUAL_PLUG,
  type Fault,
  type Judged,
  type Lamps,
  type Look,
  type Plug,
  type Truth,
} from './looks';
export { movesOf, patchRows, type Move, type PatchRow } from './moves';
export { patchOf } from './patch';
export { SWEEP_PROBLEMS } from './problems';
export {
  darkInARow,
  lookThatCounts,
  nextWay,
  standsOf,
  type Earlier,
  type LineStand,
  type LineState,
} from './stand';
export { truthOf } from './truth';
export { readPasted, readWays, writeWays } from './ways';
