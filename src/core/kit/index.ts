export { kit } from './kit';
export { pickKey } from './pick-key';
export { manyOf, unitsOf, type KitLine, type Many } from './lines';
export { kitSheet, type KitSheet, type Wanted } from './sheet';
export { labelLines, unitNumber } from './label';
export { tools, type Tool } from './tools';
