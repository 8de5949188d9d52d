export { cableCuts, type CableCut } from './cable-cuts';
export { TRIM_MARGIN } from './at-end';
export { cuts, partings } from './cutting';
export { remadeEnds, type Remade } from './remade';
export type { Allowance, Cut, CutWire, Parting } from './types';
export { SCREEN_EXTRA, screenWires, screenWiresOf, strips, type Strip, type StrippedWire } from './strips';
export { sayRemade } from './say-remade';
export { sayFrom, sayWires } from './say-wires';
export { stripOf } from './strip-of';
