import type { DressingRule } from '../types';
import { channelRing } from './channel-ring';
import { clearShrink } from './clear-shrink';
import { clampShrink } from './clamp-shrink';
import { drainSleeve } from './drain-sleeve';
import { deviceTie, panelHardware } from './hardware';
import { jointSleeve } from './joint-sleeve';
import { legShrink } from './leg-shrink';
import { legSleeve } from './leg-sleeve';
import { partsShrink } from './parts-shrink';
import { sealShrink } from './seal-shrink';
import { stumpSleeve } from './stump-sleeve';

/** What a lead gets put on it, in the order in which it is laid out. */
export const DRESSING_RULES: readonly DressingRule[] = [
  jointSleeve,
  legSleeve,
  partsShrink,
  drainSleeve,
  stumpSleeve,
  legShrink,
  clampShrink,
  channelRing,
  clearShrink,
  sealShrink,
  panelHardware,
  deviceTie,
];
