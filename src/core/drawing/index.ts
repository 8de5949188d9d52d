export { braided, sayBraided, type Worked } from './braided';
export { peel, type PeelOptions } from './peel';
export type { Point } from './point';
export type { DrawnJoint, DrawnPart } from './inside';
export {
  drawEnd,
  frameOf,
  legible,
  movePicture,
  pictureOf,
  type Picture,
  type PictureOptions,
} from './picture';
export {
  coveredBy,
  outlineOf,
  pathOf,
  type Frame,
  type Mark,
  type Quarters,
  type Shape,
  type Thing,
} from './marks';
export { boxOf, type Label } from './labels';
export { contrast, INSULATION, isDark, LETTERING, onPaper, type Material, type Paint } from './paint';
export { profileLength, profileOf, sideFace } from './profile';
export { litPaths, type LitPath } from './paths';
export { sayMeterAt, sayPeeled } from './say';
export { stripOf, type Strip, type StripEnd } from './strip';
export type { DrawnConductor, DrawnContact, DrawnInsert, PeeledEnd } from './drawn';
export { faceOf, isToldFromSide, matingFace } from './face';
export { linesOf, reasonsOf, type Line, type LineGroup, type LineReason } from './lines';
export {
  drawnEnds,
  onPaperPages,
  pages,
  PAPERS,
  printWidth,
  SMALLEST,
  strip,
  type Band,
  type Captioned,
  type Paper,
  type Sheet,
} from './sheet';
export { facesAnother } from './faces-another';
export { facing } from './pair';
export { gaugeOf, type Gauge, type GaugeWire } from './gauge';
