import { array, boolean, number, object, string } from 'yup';
import type { Assembly, Body, End, Joint } from '../assembly';
import type { ConnectorEntry } from '../catalogue';
import type { Strip } from '../cutting';
import type { Shape } from '../quantity';
import type { Schools } from '../wiring';
import { TOOL_NAMES } from './tool-names';

export const OPERATION_KINDS = [
  'cut',
  'braid',
  'part',
  'pull',
  'open',
  'drill',
  'thread',
  'feed',
  'strip',
  'screen',
  'sleeve',
  'cut back',
  'trim',
  'identify',
  'tin cores',
  'tin contacts',
  'blunt',
  'unsolder',
  'link',
  'twist',
  'solder',
  'finish',
  'inspect',
  'measure',
  'shrink',
  'cool',
  'mount',
  'clamp',
  'prove',
  'seal',
  'label',
] as const;
export type OperationKind = (typeof OPERATION_KINDS)[number];

/** One thing the builder does with the hands, small enough to be said in one line. */
export const operationSchema = object({
  id: string().required().max(200),
  kind: string().oneOf(OPERATION_KINDS).required(),
  /** The end it is done at; none for what concerns the whole lead. */
  end: string(),
  title: string().required(),
  detail: array(string().required()).required(),
  /** The usual caution, where the hands are. */
  caution: string(),
  /** Things that must each be confirmed before it counts as done. */
  confirm: array(string().required()).optional(),
  /** May be done without having been done: the house proves by spot checks. */
  mayPass: boolean(),
  /** Time to wait, s. */
  seconds: number().min(0),
  /** Left until every joint of the lead is made. */
  waits: boolean(),
  /** Done on site, after the cable has been pulled through. */
  site: boolean(),
  /** What it is done with, where that hangs on more than its kind. */
  tool: string().oneOf(TOOL_NAMES),
  /** The joint it makes. */
  joint: string(),
  /** What is put on or closed here, by the ids of the dressings. */
  dressings: array(string().required().max(120)).optional(),
  /** What is asked of the open lead here, by the ids of the checks: each has to be answered as it should. */
  checks: array(string().required().max(2000)).optional(),
}).noUnknown();
export type Operation = Shape<typeof operationSchema>;

/** What operations are made from: one per end with a connector to be put on. */
export interface Workplace {
  readonly assembly: Assembly;
  readonly schools: Schools;
  readonly body: Body;
  readonly end: End;
  readonly connector: ConnectorEntry;
  readonly strips: readonly Strip[];
  /** The joints of this body in the order they are soldered. */
  readonly order: readonly Joint[];
  /** Those that are made at the body’s other ends before. */
  readonly before: readonly Joint[];
}

/** What must come before what: some kinds of operation before others. */
export interface Constraint {
  readonly id: string;
  readonly says: string;
  readonly earlier: readonly OperationKind[];
  readonly later: readonly OperationKind[];
  /** Whether it holds only between operations at one end. */
  readonly atOneEnd: boolean;
  /** Which of them it holds between; all where nothing is said. */
  readonly when?: ((earlier: Operation, later: Later) => boolean) | undefined;
  /** Whether it holds between all at one end, whatever {@link when} says. */
  readonly orAtOneEnd?: boolean | undefined;
  /** Whether it holds only where the earlier one comes first in the order of soldering. */
  readonly ranked?: boolean | undefined;
}

/** What of a later operation a constraint may go by: not at which end it is, so that the ends of a loom wait for one list. */
export interface Later extends Pick<Operation, 'site' | 'waits'> {
  readonly isAtAnEnd: boolean;
}
