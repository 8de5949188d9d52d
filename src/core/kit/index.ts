export { kit, type KitLine } from './kit';
export { labelLines, unitNumber } from './label';
export { sayPart, sayPartKind, sayRatings } from './parts';
