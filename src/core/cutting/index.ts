export { cableCuts, type CableCut } from './cable-cuts';
export { cuts, partings, TRIM_MARGIN, type Allowance, type Cut, type CutWire, type Parting } from './cutting';
export { SCREEN_EXTRA, screenWires, screenWiresOf, strips, type Strip, type StrippedWire } from './strips';
export { sayWires } from './say-wires';
export { stripOf } from './strip-of';
