export { kit, type KitLine } from './kit';
export { kitSheet, type KitSheet, type Wanted } from './sheet';
export { labelLines, unitNumber } from './label';
export { tools, type Tool } from './tools';
