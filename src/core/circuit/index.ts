export * from './alternating';
export * from './deck';
export * from './deck-reading';
export * from './deck-solving';
export * from './deck-writing';
export { BOLTZMANN, JUNCTION_KELVIN, operatingPoint, THERMAL_VOLTS, type Operating } from './direct';
export * from './elements';
export { islandsOf, JUNCTION_LEAK, LEAK_OHMS, type Island } from './equations';
export { SparseSystem } from './sparse';
