import type { Operation, Workplace } from '../types';
import { cutBack } from './cut-back';
import { openDevice } from './device';
import { shrink, wireSleeves } from './dressing';
import { clamp, cool, inspect } from './finish';
import { screen } from './screen';
import { seal } from './seal';
import { sleeve } from './sleeve';
import { identify } from './identify';
import { link, solder } from './solder';
import { strip } from './strip';
import { thread } from './thread';
import { blunt, tinContacts, tinCores } from './tin';
import { trim } from './trim';
import { twistLegs } from './twist';

export { closeBodies, drillBoxes } from './box';
export { braid } from './braid';
export { cut } from './cut';
export { leftOver, shrinkSplits } from './dressing';
export { measure } from './measure';
export { finish, part, pull } from './part';
export { label, prove } from './whole';

/** What is done at each end. The order is the constraints' business, not this list's. */
export const AT_EACH_END: readonly ((place: Workplace) => readonly Operation[])[] = [
  openDevice,
  thread,
  strip,
  screen,
  sleeve,
  wireSleeves,
  cutBack,
  trim,
  identify,
  tinCores,
  tinContacts,
  blunt,
  link,
  twistLegs,
  solder,
  inspect,
  shrink,
  cool,
  clamp,
  seal,
];
