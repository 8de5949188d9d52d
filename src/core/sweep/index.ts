export { costOf, costOn, LEFT, mayStand, weightOf } from './cost';
export { linesSchema, PATCH_VERSION, readLines, type Lines, type PatchList, type Placed } from './document';
export { patchOf } from './patch';
export { SWEEP_PROBLEMS } from './problems';
