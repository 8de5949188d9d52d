import type { Terminal } from '../assembly';
import type { Element, operatingPoint } from '../circuit';
import { METAL_OHMS, resistancesIn, type Metal, type ResistiveElement } from '../model';
import { OPEN, Union } from '../quantity';
import type { Instrument } from './instrument';

/** Where the two leads of the meter are. `black` may be several terminals, held together or touched in turn. */
export interface Touch {
  readonly red: Terminal;
  readonly black: readonly Terminal[];
}

/** What counts as open, Ω (from memory). */
export const ISOLATION = 20e6;

/** What a resistance range puts through a short, A, from the lowest range up; and to where it reads, Ω (from memory). */
const RANGES = [0, 1, 2, 3, 4, 5].map((n) => ({ amps: 1e-3 / 10 ** n, upTo: 600 * 10 ** n }));
/** What a diode test puts through a junction, A (from memory). */
const DIODE_AMPS = 1e-3;
/** Less than this beside a capacitor is a wire to its measuring, Ω. */
const SMALL_OHMS = 100;

/** What finds the operating point of a circuit; not at hand yet where it is nothing. */
export type Solver = typeof operatingPoint;

/** By what it is measured. */
export interface Metering {
  readonly instrument: Pick<Instrument, 'testVolts' | 'diodeVolts'>;
  /** What works out junctions; none while it is not at hand. */
  readonly solve: Solver | undefined;
}

/** A meter on what it sees of a lead. */
export interface Meter {
  /** False where something conducts one way only and what would work it out is not at hand: then no figure of it is known. */
  readonly isKnown: (touch: Touch) => boolean;
  /** Ω, each lead on one terminal or on several held together, the meter finding its range. */
  readonly ohms: (touch: Touch) => number;
  /** The lowest and the highest that any range of any such meter shows, Ω: one figure where nothing conducts one way only. */
  readonly span: (touch: Touch) => { readonly from: number; readonly to: number };
  /** What a diode test shows, V; `Infinity` for what it cannot reach. */
  readonly volts: (touch: Touch) => number;
  /** What a capacitance range shows, F; 0 where there is no capacitor between. */
  readonly farads: (touch: Touch) => number;
  /** Whether what is between conducts one way, so that red and black count. */
  readonly hasPolarity: (touch: Touch) => boolean;
}

/** The nodes of a piece of a lead with whatever conducts there, as elements of a circuit. */
interface Network {
  readonly solve: Solver;
  readonly node: (terminal: Terminal) => string;
  readonly elements: (piece: string) => readonly Element[];
  readonly piece: (terminal: Terminal) => string;
}

function networkOf(metal: Metal, extra: readonly ResistiveElement[]): Omit<Network, 'solve'> {
  const metals = new Union();
  for (const { terminals } of metal.joined)
    for (const terminal of terminals) metals.join(terminals[0] ?? terminal, terminal);
  const resistive = [...metal.elements, ...extra];
  for (const { a, b, ohms } of resistive) if (ohms <= METAL_OHMS) metals.join(a, b);
  const node = (terminal: Terminal): string => metals.find(terminal);
  const pieces = new Union();
  for (const { a, b } of [...resistive, ...metal.junctions]) pieces.join(node(a), node(b));
  const byPiece = new Map<string, Element[]>();
  const add = (at: string, element: Element): void => {
    const piece = pieces.find(at);
    byPiece.set(piece, [...(byPiece.get(piece) ?? []), element]);
  };
  for (const [n, { a, b, ohms }] of resistive.entries())
    if (ohms > METAL_OHMS && Number.isFinite(ohms) && node(a) !== node(b))
      add(node(a), { kind: 'resistor', id: `r${n}`, a: node(a), b: node(b), ohms });
  for (const [n, { a, b, is, n: emission }] of metal.junctions.entries())
    if (node(a) !== node(b))
      add(node(a), { kind: 'diode', id: `d${n}`, a: node(a), b: node(b), is, n: emission });
  return {
    node,
    piece: (terminal) => pieces.find(node(terminal)),
    elements: (piece) => byPiece.get(piece) ?? [],
  };
}

/** Volts and amperes where a voltage behind a resistance is put from red to black. */
function driven(
  { solve, node, elements, piece }: Network,
  touch: Touch,
  volts: number,
  inside: number,
): { readonly v: number; readonly i: number } {
  const blacks = new Set(touch.black.map(node));
  const red = node(touch.red);
  if (blacks.has(red)) return { v: 0, i: volts / inside };
  const at = (name: string): string => (blacks.has(name) ? '0' : `n${name}`);
  const here = [...new Set([touch.red, ...touch.black].map(piece))].flatMap(elements);
  const solved = solve({
    elements: [
      ...here.flatMap((each) =>
        'a' in each && at(each.a) !== at(each.b) ? [{ ...each, a: at(each.a), b: at(each.b) }] : [],
      ),
      { kind: 'voltage', id: 'meter', a: 'meter', b: '0', dc: volts },
      { kind: 'resistor', id: 'inside', a: 'meter', b: at(red), ohms: inside },
    ],
  });
  if (!solved.ok) return { v: volts, i: 0 };
  const v = solved.value.voltage(at(red));
  return { v, i: (volts - v) / inside };
}

/** V ÷ I in one range, Ω: open at its test voltage and short at its current. */
function inRange(network: Network, touch: Touch, volts: number, amps: number): number {
  const { v, i } = driven(network, touch, volts, volts / amps);
  const ohms = i > 0 ? v / i : OPEN;
  return ohms > ISOLATION ? OPEN : Math.max(0, ohms);
}

/** The same by a meter that goes up its ranges until the figure fits. */
function ranged(network: Network, touch: Touch, volts: number): number {
  for (const { amps, upTo } of RANGES) {
    const ohms = inRange(network, touch, volts, amps);
    if (ohms <= upTo) return ohms;
  }
  return OPEN;
}

/** What a capacitance range finds between, F: small resistances are wires to it, and others nothing. */
function capacitanceIn(metal: Metal, extra: readonly ResistiveElement[], { red, black }: Touch): number {
  const [first, ...others] = black;
  if (first === undefined || metal.stores.length === 0) return 0;
  const wires = [...metal.elements, ...extra].map(({ a, b, ohms }) => ({
    a,
    b,
    by: metal,
    ohms: ohms < SMALL_OHMS ? 0 : OPEN,
  }));
  const stores = metal.stores.map(({ a, b, farads }) => ({ a, b, by: metal, ohms: 1 / farads }));
  const together = others.map((other) => ({ a: first, b: other, ohms: 0 }));
  const ohms = resistancesIn({ ...metal, elements: [...wires, ...stores] }, together)(red, first);
  return ohms === 0 ? OPEN : 1 / ohms;
}

/**
 * A meter on what it sees of a lead. Where only resistances are between, it reads what they come to. Where a junction is, it reads V ÷ I of what its own
 * source drives through: each range a voltage behind a resistance, open at its test voltage and short at the current of that range; it goes up the
 * ranges until the figure fits. Polarity counts: red is plus.
 */
export function meterOn(
  metal: Metal,
  extra: readonly ResistiveElement[],
  { instrument, solve }: Metering,
): Meter {
  const { from, to } = instrument.testVolts;
  const { diodeVolts = 0 } = instrument;
  const plain = resistancesIn(metal, extra);
  let known: Omit<Network, 'solve'> | undefined;
  const net = (): Omit<Network, 'solve'> => (known ??= networkOf(metal, extra));
  /** With a solver, where there is one. */
  const solving = <T>(by: (network: Network) => T, without: T): T =>
    solve ? by({ ...net(), solve }) : without;
  const hasPolarity = ({ red, black }: Touch): boolean =>
    metal.junctions.length > 0 &&
    black.some((each) => each === red || net().piece(each) === net().piece(red)) &&
    net()
      .elements(net().piece(red))
      .some(({ kind }) => kind === 'diode');
  const linear = ({ red, black }: Touch): number => {
    // What hangs on nothing that the red one hangs on changes nothing, held together with the others or not.
    const [first, ...others] = black.filter((each) => plain(red, each) !== OPEN);
    if (first === undefined) return OPEN;
    if (others.length === 0) return plain(red, first);
    const together = others.map((other) => ({ a: first, b: other, ohms: 0 }));
    return resistancesIn(metal, [...extra, ...together])(red, first);
  };
  return {
    isKnown: (touch) => solve !== undefined || !hasPolarity(touch),
    hasPolarity,
    ohms: (touch) =>
      hasPolarity(touch)
        ? solving((network) => ranged(network, touch, Math.sqrt(from * to)), OPEN)
        : linear(touch),
    span(touch) {
      if (!hasPolarity(touch)) {
        const ohms = linear(touch);
        return { from: ohms, to: ohms };
      }
      // A junction takes the less of a volt the more goes through it: the lowest range at the highest voltage shows the least.
      return solving(
        (network) => ({
          from: inRange(network, touch, to, RANGES[0]?.amps ?? 0),
          to: Math.max(ranged(network, touch, from), ranged(network, touch, to)),
        }),
        { from: 0, to: OPEN },
      );
    },
    volts(touch) {
      if (diodeVolts === 0) return OPEN;
      // A source of current that reaches no further than its voltage.
      const inside = (diodeVolts * 1000) / DIODE_AMPS;
      const v = solving((network) => driven(network, touch, diodeVolts * 1000, inside).v, OPEN);
      return v > diodeVolts ? OPEN : v;
    },
    farads: (touch) => capacitanceIn(metal, extra, touch),
  };
}
