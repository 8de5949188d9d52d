export { resistances, type ResistanceOptions, type ResistiveElement } from './resistance';
