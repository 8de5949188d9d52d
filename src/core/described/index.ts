export { describe, type Described } from './describe';
export { heldEnds, readHeld } from './held';
export type { Held, HeldEnd } from './types';
export { DESCRIBED_PROBLEMS } from './problems';
