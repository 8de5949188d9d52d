import { INTENT_VERSION, type Intent, type IntentEnd } from '../intent';

/** A kind of lead that the trade has names for, and what is meant by them. */
export interface NamedLead {
  readonly id: string;
  /** What it is called here. */
  readonly name: string;
  /** What else it is found by, in words of the trade. */
  readonly also?: string;
  /** What it is for, in a line. */
  readonly is: string;
  readonly intent: Intent;
}

/** An end by its port and its connector. */
export const at = (
  port: string,
  family: string,
  rest: Omit<IntentEnd, 'port' | 'family'> = {},
): IntentEnd => ({
  port,
  family,
  ...rest,
});

type Rest = Partial<Omit<Intent, 'version' | 'from' | 'to'>>;

/** An intent of so many metres, on a stage unless something else is said; nothing is chosen but what makes it this lead. */
export const leadOf = (
  from: readonly IntentEnd[],
  to: readonly IntentEnd[],
  metres: number | undefined,
  rest: Rest = {},
): Intent => ({
  version: INTENT_VERSION,
  from: [...from],
  to: [...to],
  ...(metres === undefined ? {} : { length: { mm: metres * 1000, datum: 'face' } }),
  surroundings: 'stage',
  schools: {},
  ...rest,
});

/** As many ends as there are channels, numbered. */
export const channels = (count: number, end: IntentEnd): readonly IntentEnd[] =>
  Array.from({ length: count }, (_, n) => ({ ...end, channel: `${n + 1}` }));
/** An end for the left channel and one for the right. */
export const leftAndRight = (end: IntentEnd): readonly IntentEnd[] =>
  ['left', 'right'].map((channel) => ({ ...end, channel }));

/** What is commonest at its side. */
export const LINE_XLR = at('line-ground-referenced', 'xlr3');
export const IN_XLR = at('line-input', 'xlr3');
export const SMALL_STEREO = at('headphone-output', 'trs35');
