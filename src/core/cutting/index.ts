export { cableCuts, type CableCut } from './cable-cuts';
export { cuts, partings, TRIM_MARGIN } from './cutting';
export type { Allowance, Cut, CutWire, Parting } from './types';
export { SCREEN_EXTRA, screenWires, screenWiresOf, strips, type Strip, type StrippedWire } from './strips';
export { sayFrom, sayWires } from './say-wires';
export { stripOf } from './strip-of';
