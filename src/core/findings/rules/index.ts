import type { Rule } from '../types';
import { cableDiameter } from './cable-diameter';
import { coldLeg } from './cold-leg';
import { direction } from './direction';
import { foilOnStage } from './foil-on-stage';
import { looseConductor } from './loose-conductor';
import { phantomHarm } from './phantom-harm';
import { phantomMissing } from './phantom-missing';
import { phantomStopped } from './phantom-stopped';
import { screenReturn } from './screen-return';
import { unbalancedRun } from './unbalanced-run';

export const RULES: readonly Rule[] = [
  direction,
  phantomHarm,
  phantomStopped,
  phantomMissing,
  screenReturn,
  coldLeg,
  cableDiameter,
  unbalancedRun,
  foilOnStage,
  looseConductor,
];
