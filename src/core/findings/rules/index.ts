import type { Rule } from '../types';
import { bassLost } from './bass-lost';
import { cableDiameter } from './cable-diameter';
import { cablesAbreast } from './cables-abreast';
import { caseEarth } from './case-earth';
import { coil } from './coil';
import { coldLeg } from './cold-leg';
import { contactTwice } from './contact-twice';
import { controlOff } from './control';
import { crossed } from './crossed';
import { direction } from './direction';
import { emptyEnd } from './empty-end';
import { exchanged } from './exchanged';
import { foilOnStage } from './foil-on-stage';
import { humLevel } from './hum-level';
import { lampsOff } from './lamps';
import { legsUnequal } from './legs-unequal';
import { levelOff } from './level-off';
import { looseConductor } from './loose-conductor';
import { loosePart } from './loose-part';
import { loudspeakerLoss } from './loudspeaker-loss';
import { linkNotCarried } from './not-carried';
import { outputsJoined } from './outputs-joined';
import { overload } from './overload';
import { overruled } from './overruled';
import { partBeside } from './part-beside';
import { phantomHarm } from './phantom-harm';
import { phantomMissing } from './phantom-missing';
import { phantomStopped } from './phantom-stopped';
import { screenClosed } from './screen-closed';
import { screenReturn } from './screen-return';
import { shellSchool } from './shell-school';
import { shorted } from './shorted';
import { strayContact } from './stray-contact';
import { stump } from './stump';
import { supplyHarm, supplyMissing } from './supply';
import { trebleLost } from './treble-lost';
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
  direction,
  phantomHarm,
  phantomStopped,
  phantomMissing,
  supplyHarm,
  supplyMissing,
  screenReturn,
  screenClosed,
  shellSchool,
  coldLeg,
  cableDiameter,
  cablesAbreast,
  unbalancedRun,
  overload,
  levelOff,
  unequal,
  legsUnequal,
  controlOff,
  bassLost,
  loudspeakerLoss,
  trebleLost,
  coil,
  humLevel,
  foilOnStage,
  looseConductor,
];
