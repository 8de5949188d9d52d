export { readBox, USUAL_BOX, type AskedBox, type BoxInside } from './case';
export type { Mounted } from './behind';
export {
  drillingOf,
  FACES,
  faceSize,
  type Clearance,
  type Drilling,
  type FaceName,
  type Hole,
} from './layout';
export {
  coverDrilling,
  isAnything,
  readCover,
  USUAL_RIM,
  type AskedCover,
  type Cover,
  type CoverDrilling,
  type CoverHole,
} from './cover';
export { drilledOf } from './drilled';
export { DRILLING_PROBLEMS } from './problems';
