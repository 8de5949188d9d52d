import { adhesiveShrink } from './adhesive-shrink';
import { arrow } from './arrow';
import { boot } from './boot';
import { box } from './box';
import { braid } from './braid';
import { cell } from './cell';
import { clearShrink } from './clear-shrink';
import { drainSleeve } from './drain-sleeve';
import { expandableSleeve } from './expandable-sleeve';
import { heatShrink } from './heat-shrink';
import { jointSleeve } from './joint-sleeve';
import { knob } from './knob';
import { label } from './label';
import { nut } from './nut';
import { ring } from './ring';
import { ringTerminal } from './ring-terminal';
import { stumpSleeve } from './stump-sleeve';
import { tape } from './tape';
import { tie } from './tie';
import { twist } from './twist';
import { washer } from './washer';
import { boolean, number, object, string } from 'yup';
import { COLOUR_CODES } from '../../catalogue';
import type { Shape } from '../../quantity';
import { documentId } from '../member';
import { CLOSED, GOES_ON, type DressingKind } from './kind';

export type { DressingKind } from './kind';

/** Every kind of dressing and hardware. One is added by its file here and its line. */
export const DRESSINGS = [
  heatShrink,
  adhesiveShrink,
  clearShrink,
  expandableSleeve,
  boot,
  tape,
  stumpSleeve,
  drainSleeve,
  jointSleeve,
  ring,
  label,
  arrow,
  tie,
  braid,
  twist,
  washer,
  nut,
  knob,
  ringTerminal,
  cell,
  box,
] as const;
export type DressingWhat = (typeof DRESSINGS)[number]['what'];

const WHATS: readonly DressingWhat[] = DRESSINGS.map((each) => each.what);

/** What is said of a kind of dressing. */
export const dressingKind = (what: DressingWhat): DressingKind<DressingWhat> | undefined =>
  DRESSINGS.find((each) => each.what === what);

/**
 * Shrink, sleeve, boot, ring, label, arrow, tie, how wires are braided or twisted, and hardware: what, how large, over
 * what, when it goes on and when it is shrunk or closed. One record gives the kit's line, the gate before the first
 * joint, the closing step, the drawing and the label.
 */
export const dressingSchema = object({
  id: documentId,
  what: string().oneOf(WHATS).required(),
  /** A span, an end, a body, a joint or a terminal. */
  over: string().required().max(120),
  /** The body at whose side of a span it sits. */
  at: string().max(40),
  /** Inside, as it is supplied and as far as it shrinks, mm. */
  size: object({
    suppliedMm: number().positive().max(500).required(),
    recoveredMm: number().positive().max(500),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** mm. */
  lengthMm: number().positive().max(1e6),
  colour: string().oneOf(COLOUR_CODES),
  goesOn: string().oneOf(GOES_ON).required(),
  closed: string().oneOf(CLOSED).required(),
  /** The builder has it already: it is not taken from stock. */
  owned: boolean(),
  says: string().required().max(400),
}).noUnknown();
export type Dressing = Shape<typeof dressingSchema>;

/** A dressing that goes on and is closed when its kind usually does, unless it is said otherwise. */
export function dress(
  dressing: Omit<Dressing, 'goesOn' | 'closed'> & Partial<Pick<Dressing, 'goesOn' | 'closed'>>,
): Dressing {
  const { goesOn = 'before', closed = 'end' } = dressingKind(dressing.what) ?? {};
  return { goesOn, closed, ...dressing };
}
