export { ASSUMED } from './assumed';
export type { Conditions } from './conditions';
export { capacitances, inductances, sectionsFor, type Sections } from './distributed';
export { junctionOf } from './junction';
export { isEarthed } from './earth';
export type { DrivenChannel, HeardChannel } from './driven';
export { leadCircuit, type LeadCircuit } from './lead-circuit';
export { loadOhms } from './load';
export {
  METAL_OHMS,
  metalOf,
  partMetal,
  piecesOf,
  resistances,
  resistancesIn,
  type Junction,
  type Metal,
  type ResistanceOptions,
  type ResistiveElement,
} from './ohmmeter';
export { withImpedance } from './otherwise';
export { hasJunction, legsOf, passesDirect, type Corner } from './parts';
export { isHalved, sourceOhms } from './source';
