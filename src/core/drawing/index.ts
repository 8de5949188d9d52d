export {
  peel,
  type DrawnConductor,
  type DrawnContact,
  type PeeledEnd,
  type PeelOptions,
  type Point,
} from './peel';
export { profileLength, profileOf, sideFace } from './profile';
export { litPaths, type LitPath } from './paths';
export { sayMeterAt, sayPeeled } from './say';
export { stripOf, type Strip, type StripEnd } from './strip';
