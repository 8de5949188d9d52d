export * from './alternating';
export * from './deck';
export { BOLTZMANN, JUNCTION_KELVIN, operatingPoint, THERMAL_VOLTS, type Operating } from './direct';
export * from './elements';
export { JUNCTION_LEAK, LEAK_OHMS } from './equations';
export { resistances, type ResistanceOptions, type ResistiveElement } from './resistance';
