export { ApiProblem, ask } from './api';
export { Frame, type KeyHelp } from './Frame';
export { fileName, sayIntent } from './intent';
export { stored, storedNames, type Stored } from './stored';
export { useWorker } from './useWorker';
export { useKeys } from './useKeys';
export { saySeconds, sayWhen } from './when';
export { embedded, paletteOf, useWorkshop, WORKSHOP, type Palette } from './workshop';
export { SchoolQuestion } from './SchoolQuestion';
