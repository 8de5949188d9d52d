/** A point of a circuit. `0` is ground. */
export type NodeName = string;
export const GROUND: NodeName = '0';

/** An alternating part of a source: V or A peak, degrees. */
export interface Alternating {
  readonly magnitude: number;
  readonly degrees?: number;
}

interface TwoEnded {
  /** Its name among the elements: unique, and what errors and SPICE text call it. */
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
}

export interface Resistor extends TwoEnded {
  readonly kind: 'resistor';
  /** Ω, more than nothing. */
  readonly ohms: number;
  /** Set for what makes no thermal noise of its own: a line that stands for a hum source, a leak. */
  readonly silent?: boolean;
}
export interface Capacitor extends TwoEnded {
  readonly kind: 'capacitor';
  readonly farads: number;
}
export interface Inductor extends TwoEnded {
  readonly kind: 'inductor';
  readonly henries: number;
}
/** Two inductors that share a field; `k` from −1 to 1, and the dots are at their `a`. */
export interface Coupling {
  readonly kind: 'coupling';
  readonly id: string;
  readonly of: readonly [string, string];
  readonly k: number;
}
/** V from b to a; the current of it is counted from a through it to b, as SPICE does. */
export interface VoltageSource extends TwoEnded {
  readonly kind: 'voltage';
  readonly dc: number;
  readonly ac?: Alternating;
}
/** A from a through it to b. */
export interface CurrentSource extends TwoEnded {
  readonly kind: 'current';
  readonly dc: number;
  readonly ac?: Alternating;
}
/** A voltage of `gain` times that from `d` to `c`. */
export interface VoltageControlledVoltage extends TwoEnded {
  readonly kind: 'vcvs';
  readonly c: NodeName;
  readonly d: NodeName;
  readonly gain: number;
}
/** A current of `siemens` times the voltage from `d` to `c`, from a through it to b. */
export interface VoltageControlledCurrent extends TwoEnded {
  readonly kind: 'vccs';
  readonly c: NodeName;
  readonly d: NodeName;
  readonly siemens: number;
}
/** I = Is (exp(V ÷ n·Vt) − 1), behind a resistance; a is the anode. */
export interface Diode extends TwoEnded {
  readonly kind: 'diode';
  /** Saturation current, A. */
  readonly is: number;
  /** Emission coefficient. */
  readonly n: number;
  /** Series resistance, Ω. */
  readonly rs?: number;
  /** What its model is called where it was read from a deck. */
  readonly model?: string;
}
/** A control's track with its wiper: `turn` from 0 at `b` to 1 at `a`. */
export interface Potentiometer extends TwoEnded {
  readonly kind: 'potentiometer';
  readonly wiper: NodeName;
  readonly ohms: number;
  readonly turn: number;
  readonly taper: Taper;
  /** As of a resistor. */
  readonly silent?: boolean;
}
export interface Switch extends TwoEnded {
  readonly kind: 'switch';
  readonly closed: boolean;
}

export type Taper = 'linear' | 'logarithmic';

export type Element =
  | Resistor
  | Capacitor
  | Inductor
  | Coupling
  | VoltageSource
  | CurrentSource
  | VoltageControlledVoltage
  | VoltageControlledCurrent
  | Diode
  | Potentiometer
  | Switch;

/** What the solver works on: controls and switches have become resistors by then. */
export type Primitive = Exclude<Element, Potentiometer | Switch>;

export interface Circuit {
  readonly elements: readonly Element[];
}

/** Contacts of a closed switch, Ω (from memory). */
export const SWITCH_OHMS = 0.02;
/** The share of the track that a logarithmic control has below its wiper at half turn (common practice: 10 to 20 %). */
const LOG_HALF = 0.15;
/** No track is wiped down to nothing: the share of it that is left at either stop (from memory). */
const END_SHARE = 1e-6;

/**
 * The share of the track between the lower end and the wiper, 0 to 1. The logarithmic taper is two straight lines, as
 * such controls are made: to {@link LOG_HALF} at half turn, then to the whole (common practice).
 */
export function wiped(turn: number, taper: Taper): number {
  const at = Math.min(1, Math.max(0, turn));
  if (taper === 'linear') return at;
  return at < 0.5 ? 2 * LOG_HALF * at : LOG_HALF + (1 - LOG_HALF) * (2 * at - 1);
}

/** A circuit's elements with controls and switches as the resistors that they are. An open switch is nothing. */
export const primitives = ({ elements }: Circuit): readonly Primitive[] =>
  elements.every(isPrimitive) ? elements : elements.flatMap(primitive);

const isPrimitive = (each: Element): each is Primitive =>
  each.kind !== 'switch' && each.kind !== 'potentiometer';

function primitive(each: Element): readonly Primitive[] {
  if (each.kind === 'switch')
    return each.closed ? [{ kind: 'resistor', id: each.id, a: each.a, b: each.b, ohms: SWITCH_OHMS }] : [];
  if (each.kind !== 'potentiometer') return [each];
  const low = Math.min(1 - END_SHARE, Math.max(END_SHARE, wiped(each.turn, each.taper)));
  const { id, a, b, wiper, ohms } = each;
  const quiet = each.silent ? { silent: true } : {};
  return [
    { kind: 'resistor', id: `${id}_hi`, a, b: wiper, ohms: ohms * (1 - low), ...quiet },
    { kind: 'resistor', id: `${id}_lo`, a: wiper, b, ohms: ohms * low, ...quiet },
  ];
}

/** The nodes that an element touches, its controlling ones too. */
export function nodesOf(element: Element): readonly NodeName[] {
  if (element.kind === 'coupling') return [];
  const { a, b } = element;
  if (element.kind === 'potentiometer') return [a, b, element.wiper];
  return 'c' in element ? [a, b, element.c, element.d] : [a, b];
}
