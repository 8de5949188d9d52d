import type { ConnectorEntry } from '../entries';
import { d25 } from './d25';
import { din } from './din';
import { jack } from './jack';
import { loudspeaker } from './loudspeaker';
import { padsOf } from './pads';
import { patch } from './patch';
import { phono } from './phono';
import { probe } from './probe';
import { xlr } from './xlr';

export { AES59_CHANNELS } from './d25';
export { isTail, TAIL_FINISHES, TAILS, type TailFinish, type TailKind } from './tails';

/** The first of a family and gender is the one that is meant where nothing else is said. */
export const CONNECTORS: readonly ConnectorEntry[] = [
  ...xlr,
  ...loudspeaker,
  ...jack,
  ...phono,
  ...d25,
  ...patch,
  ...din,
  ...padsOf,
  ...probe,
];
