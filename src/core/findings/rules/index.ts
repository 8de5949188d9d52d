import type { Rule } from '../types';
import { amplifierLoad } from './amplifier-load';
import { bassLost } from './bass-lost';
import { bridgedGround } from './bridged-ground';
import { cableDiameter } from './cable-diameter';
import { cablePlace } from './cable-place';
import { cableWatch } from './cable-watch';
import { cablesAbreast } from './cables-abreast';
import { capacitorTurned } from './capacitor-turned';
import { caseEarth } from './case-earth';
import { coil } from './coil';
import { coldLeg } from './cold-leg';
import { contactTwice } from './contact-twice';
import { controlOff } from './control';
import { crossed } from './crossed';
import { dcOnFour } from './dc-on-four';
import { direction } from './direction';
import { emptyEnd } from './empty-end';
import { exchanged } from './exchanged';
import { foilOnStage } from './foil-on-stage';
import { groundLoop } from './ground-loop';
import { humLevel } from './hum-level';
import { lampsOff } from './lamps';
import { legsUnequal } from './legs-unequal';
import { levelApart } from './level-apart';
import { levelOff } from './level-off';
import { loadLow } from './load-low';
import { localCode } from './local-code';
import { looseConductor } from './loose-conductor';
import { loosePart } from './loose-part';
import { loudspeakerCable } from './loudspeaker-cable';
import { loudspeakerLoss } from './loudspeaker-loss';
import { linkNotCarried } from './not-carried';
import { outputsJoined } from './outputs-joined';
import { overload } from './overload';
import { overruled } from './overruled';
import { partBeside } from './part-beside';
import { partRating } from './part-rating';
import { partsFit } from './parts-fit';
import { patchPhantom } from './patch-phantom';
import { phantomHarm } from './phantom-harm';
import { phantomMissing } from './phantom-missing';
import { phantomStopped } from './phantom-stopped';
import { powerInto } from './power-into';
import { quasiBalanced } from './quasi-balanced';
import { screenClosed } from './screen-closed';
import { screenNowhere } from './screen-nowhere';
import { screenReturn } from './screen-return';
import { shellSchool } from './shell-school';
import { shorted } from './shorted';
import { shortingPlug } from './shorting-plug';
import { sideColours } from './side-colours';
import { solderUnderScrew } from './solder-under-screw';
import { strayContact } from './stray-contact';
import { stump } from './stump';
import { supplyHarm, supplyMissing } from './supply';
import { thump } from './thump';
import { trebleLost } from './treble-lost';
import { twoSupplies } from './two-supplies';
import { unbalancedRun } from './unbalanced-run';
import { unequal } from './unequal';

export const RULES: readonly Rule[] = [
  overruled,
  crossed,
  exchanged,
  shorted,
  outputsJoined,
  linkNotCarried,
  contactTwice,
  emptyEnd,
  strayContact,
  loosePart,
  partBeside,
  stump,
  caseEarth,
  lampsOff,
  shortingPlug,
  partRating,
  capacitorTurned,
  direction,
  powerInto,
  bridgedGround,
  amplifierLoad,
  loudspeakerCable,
  phantomHarm,
  phantomStopped,
  phantomMissing,
  supplyHarm,
  supplyMissing,
  twoSupplies,
  patchPhantom,
  screenReturn,
  screenClosed,
  screenNowhere,
  quasiBalanced,
  shellSchool,
  coldLeg,
  cableDiameter,
  cablesAbreast,
  partsFit,
  unbalancedRun,
  overload,
  levelApart,
  loadLow,
  levelOff,
  unequal,
  legsUnequal,
  controlOff,
  bassLost,
  loudspeakerLoss,
  trebleLost,
  coil,
  groundLoop,
  humLevel,
  foilOnStage,
  cablePlace,
  sideColours,
  looseConductor,
  solderUnderScrew,
  localCode,
  dcOnFour,
  thump,
  cableWatch,
];
