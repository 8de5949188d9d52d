import type { Question } from '../types';
import { bandwidth } from './bandwidth';
import { clash } from './clash';
import { commonReturn } from './common-return';
import { hum } from './hum';
import { level } from './level';
import { loudspeaker } from './loudspeaker';
import { metal } from './metal';
import { noise } from './noise';
import { pad } from './pad';
import { phantom } from './phantom';
import { pickup } from './pickup';
import { sum } from './sum';
import { tellTale } from './tell-tale';
import { volume } from './volume';

/** Every sum that can be asked for with no lead, in the order of the list. */
export const QUESTIONS: readonly Question[] = [
  level,
  bandwidth,
  hum,
  phantom,
  tellTale,
  sum,
  pad,
  clash,
  volume,
  commonReturn,
  loudspeaker,
  pickup,
  noise,
  metal,
];
