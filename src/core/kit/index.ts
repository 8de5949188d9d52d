export { kit, type KitLine } from './kit';
export { labelLines, unitNumber } from './label';
