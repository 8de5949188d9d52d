import { array, number, object, string } from 'yup';
import { terminalSchema } from '../assembly';
import type { Shape } from '../quantity';

export const PROBE_KINDS = ['path', 'short', 'shell', 'part'] as const;

/** One touch of the two meter leads. `black` may be several contacts, touched in turn or held together. */
export const probeSchema = object({
  id: string().required().max(2000),
  red: terminalSchema,
  black: array(terminalSchema).min(1).required(),
  kind: string().oneOf(PROBE_KINDS).required(),
  says: string().required().max(4000),
  /** The body that is still open when it is taken; none where the lead is closed. */
  before: string(),
  /** How far the control is turned up, from 0 to 1; the same wherever it stands where nothing is said. */
  turn: number().min(0).max(1),
  /** The end that a shorting plug is on while it is taken; on none where nothing is said. */
  shorting: string().max(40),
  /** The end that a proven lead of the same kind is on while it is taken, whose far end is touched in its place. */
  series: string().max(40),
  /** What the meter is set to: ohms where nothing is said. */
  mode: string().oneOf(['diode', 'capacitance'] as const),
}).noUnknown();
export type Probe = Shape<typeof probeSchema>;

/** What is seen by trying it, or by eye: answered with yes, no, or not done. */
export const trialSchema = object({
  id: string().required().max(2000),
  /** A test with a signal or a supply, or a look. */
  kind: string()
    .oneOf(['test', 'look'] as const)
    .required(),
  says: string().required().max(4000),
  /** The usual caution, where it is done. */
  caution: string().max(400),
  /** The body that is still open when it is done; none where the lead is closed. */
  before: string(),
}).noUnknown();
export type Trial = Shape<typeof trialSchema>;

/** Whatever is asked of a lead in its proof. */
export type Check = Probe | Trial;

/** Whether it is a touch of the meter. */
export const isProbe = (check: Check): check is Probe => 'red' in check;
