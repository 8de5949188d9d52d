export { peel, type PeelOptions, type Point } from './peel';
export { inside, type DrawnJoint, type DrawnPart, type Inside } from './inside';
export { profileLength, profileOf, sideFace } from './profile';
export { litPaths, type LitPath } from './paths';
export { sayMeterAt, sayPeeled } from './say';
export { stripOf, type Strip, type StripEnd } from './strip';
export type { DrawnConductor, DrawnContact, PeeledEnd } from './drawn';
export { matingFace } from './face';
export { linesOf, reasonsOf, type Line, type LineGroup, type LineReason } from './lines';
