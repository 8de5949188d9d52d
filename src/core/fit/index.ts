export { bundleMm, thinned } from './bundle';
export { fitsShrink, SHRINK, shrinkFor, type Bore, type ShrinkOver, type ShrinkRange } from './shrink';
export { A_TURN, enteringMm, sizeOf, thicknessOf, type PartSize } from './sizes';
export { fits, PAIRS } from './fits';
export { screenToThin } from './pairs/bundle-in-contact';
export { partsInShell } from './pairs/parts-in-shell';
export type { Fit, OnItsWay, Pair } from './types';
