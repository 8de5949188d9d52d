import type { Rule } from '../types';
import { cableDiameter } from './cable-diameter';
import { cablesAbreast } from './cables-abreast';
import { coil } from './coil';
import { coldLeg } from './cold-leg';
import { direction } from './direction';
import { foilOnStage } from './foil-on-stage';
import { humLevel } from './hum-level';
import { looseConductor } from './loose-conductor';
import { loudspeakerLoss } from './loudspeaker-loss';
import { linkNotCarried } from './not-carried';
import { overload } from './overload';
import { overruled } from './overruled';
import { phantomHarm } from './phantom-harm';
import { phantomMissing } from './phantom-missing';
import { phantomStopped } from './phantom-stopped';
import { screenReturn } from './screen-return';
import { supplyHarm, supplyMissing } from './supply';
import { trebleLost } from './treble-lost';
import { unbalancedRun } from './unbalanced-run';

export const RULES: readonly Rule[] = [
  overruled,
  linkNotCarried,
  direction,
  phantomHarm,
  phantomStopped,
  phantomMissing,
  supplyHarm,
  supplyMissing,
  screenReturn,
  coldLeg,
  cableDiameter,
  cablesAbreast,
  unbalancedRun,
  overload,
  loudspeakerLoss,
  trebleLost,
  coil,
  humLevel,
  foilOnStage,
  looseConductor,
];
