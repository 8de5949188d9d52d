import {
  bondedIn,
  conductorsOf,
  conductorTerminal,
  jointsOf,
  type Assembly,
  type Joint,
  type Part,
  type Terminal,
} from '../assembly';
import { COPPER_TEMPERATURE_COEFFICIENT, OPEN, ohms, Union, type Ohms } from '../quantity';
import { SparseSystem } from '../circuit';
import { junctionIn, measuredOf, storedIn, type Corner } from './parts';

/** A resistance between two terminals, Ω; 0 is a piece of metal. */
export interface ResistiveElement {
  readonly a: Terminal;
  readonly b: Terminal;
  readonly ohms: number;
}

export interface ResistanceOptions {
  /** Jacket length of each span, mm. A span that is absent, or a conductor of unknown resistance, counts as 0 Ω. */
  readonly lengths: ReadonlyMap<string, number>;
  readonly celsius?: number;
  /** Anything else in the circuit, such as a bad joint under test. */
  readonly extra?: readonly ResistiveElement[];
  /** Turn of every control from fully down 0 to fully up 1. */
  readonly turn?: number | undefined;
  /** Whether all is as it is marked, or as low or as high as it may be. */
  readonly corner?: Corner | undefined;
}

/** How far the copper of a conductor may be from its entry: a thinner or colder wire, a thicker or warmer (from memory). */
const COPPER = { low: 0.8, marked: 1, high: 1.05 } as const;

/** All that an ohmmeter sees of a lead: what is joined, and what resists between. */
export interface Metal {
  /** Terminals that are one piece of metal, and the joint that made them so; none where they are built so. */
  readonly joined: readonly { readonly by: Joint | undefined; readonly terminals: readonly Terminal[] }[];
  /** With the part or the conductor that each is of. */
  readonly elements: readonly (ResistiveElement & { readonly by: object })[];
  /** What conducts one way, from `a` to `b`. */
  readonly junctions: readonly Junction[];
  /** What holds a charge. */
  readonly stores: readonly {
    readonly a: Terminal;
    readonly b: Terminal;
    readonly farads: number;
    readonly by: object;
  }[];
}

/** A junction between two terminals: its saturation current, A, and its emission coefficient. */
export interface Junction {
  readonly a: Terminal;
  readonly b: Terminal;
  readonly is: number;
  readonly n: number;
  readonly by: object;
}

/**
 * Anything lower than this is one piece of metal, Ω: far under what a meter resolves, and conductances much above
 * its inverse would drown the small ones in rounding.
 */
export const METAL_OHMS = 1e-6;

/** What a part of a lead is to a meter: every control at this turn. */
export function partMetal(
  part: Part,
  { turn = MIDDLE, corner = 'marked' }: Pick<ResistanceOptions, 'turn' | 'corner'> = {},
): Pick<Metal, 'elements' | 'junctions' | 'stores'> {
  const junction = junctionIn(part, corner);
  const store = storedIn(part, corner);
  return {
    elements: measuredOf(part, turn, corner).map((each) => ({ ...each, by: part })),
    junctions: junction ? [{ ...junction, by: part }] : [],
    stores: store ? [{ ...store, by: part }] : [],
  };
}

/** Where a control stands that nobody turned. */
const MIDDLE = 0.5;

/**
 * A lead as an ohmmeter sees it. Conductors are Ω/km × length × (1 + α(T − 20)) (IEC 60028); the meter's current is taken to
 * be direct.
 */
export function metalOf(
  assembly: Assembly,
  { lengths, celsius = 20, turn, corner = 'marked' }: ResistanceOptions,
): Metal {
  const warm = (1 + COPPER_TEMPERATURE_COEFFICIENT * (celsius - 20)) * COPPER[corner];
  const parts = assembly.bodies.flatMap((body) =>
    body.parts.map((part) => partMetal(part, { turn, corner })),
  );
  return {
    joined: assembly.bodies.flatMap((body) => [
      ...jointsOf(body).map((joint) => ({ by: joint, terminals: joint.terminals })),
      ...bondedIn(assembly, body).map((terminals) => ({ by: undefined, terminals })),
    ]),
    elements: [
      ...assembly.spans.flatMap((span) =>
        conductorsOf(assembly, span).map((conductor) => ({
          by: conductor,
          a: conductorTerminal(span.id, conductor.id, span.from),
          b: conductorTerminal(span.id, conductor.id, span.to),
          ohms: ((conductor.ohmsPerKm ?? 0) * warm * (lengths.get(span.id) ?? 0)) / 1e6,
        })),
      ),
      ...parts.flatMap(({ elements }) => elements),
    ],
    junctions: parts.flatMap(({ junctions }) => junctions),
    stores: parts.flatMap(({ stores }) => stores),
  };
}

/**
 * Which terminals hang together at all, by metal, copper or whatever an ohmmeter gets through: the name of the piece that
 * each is on. What is changed on one piece changes no reading between others.
 */
export function piecesOf({ joined, elements, junctions, stores }: Metal): (terminal: Terminal) => string {
  const union = new Union();
  for (const { terminals } of joined) join(union, terminals);
  for (const { a, b } of [...elements, ...junctions, ...stores]) union.join(a, b);
  return (terminal) => union.find(terminal);
}

const join = (union: Union, [first, ...others]: readonly Terminal[]): void => {
  if (first !== undefined) for (const other of others) union.join(first, other);
};

/**
 * The resistance between any two terminals of an assembly, Ω, by nodal analysis.
 *
 * The equations of the piece of circuit that both are on are solved with b grounded and 1 A into a; then R(a, b) is the
 * voltage there. (One fixed ground would give it as Z_aa + Z_bb − 2 Z_ab, which loses small resistances far from it.)
 * Terminals on different pieces are open: `Infinity`, never NaN.
 */
export const resistances = (
  assembly: Assembly,
  options: ResistanceOptions,
): ((a: Terminal, b: Terminal) => Ohms) => resistancesIn(metalOf(assembly, options), options.extra);

/** The same of what an ohmmeter sees, with whatever else is in the circuit. */
export function resistancesIn(
  metal: Metal,
  extra: readonly ResistiveElement[] = [],
): (a: Terminal, b: Terminal) => Ohms {
  const union = new Union();
  for (const { terminals } of metal.joined) join(union, terminals);
  const elements: readonly ResistiveElement[] =
    extra.length > 0 ? [...metal.elements, ...extra] : metal.elements;
  for (const element of elements) if (element.ohms <= METAL_OHMS) union.join(element.a, element.b);
  const wires = elements
    .filter((element) => element.ohms > METAL_OHMS && Number.isFinite(element.ohms))
    .map((element): Wire => ({ a: union.find(element.a), b: union.find(element.b), ohms: element.ohms }))
    .filter((wire) => wire.a !== wire.b);

  const piece = new Map<string, Piece>();
  // A point with no wire on it is a piece by itself: it needs no entry.
  for (const node of new Set(wires.flatMap((wire) => [wire.a, wire.b])))
    piece.set(node, { nodes: [node], wires: [], from: new Map() });
  for (const wire of wires) {
    const from = piece.get(wire.a);
    const into = piece.get(wire.b);
    if (!from || !into) continue;
    from.wires.push(wire);
    if (from === into) continue;
    from.nodes.push(...into.nodes);
    from.wires.push(...into.wires);
    for (const node of into.nodes) piece.set(node, from);
  }

  // Every terminal is asked for against many others.
  const seats = new Map<Terminal, Seat>();
  const seatOf = (terminal: Terminal): Seat => {
    const known = seats.get(terminal);
    if (known) return known;
    const node = union.find(terminal);
    const seat = { node, piece: piece.get(node) };
    seats.set(terminal, seat);
    return seat;
  };
  return (a, b) => {
    const [from, to] = [seatOf(a), seatOf(b)];
    if (from.node === to.node) return ohms(0);
    const shared = from.piece;
    if (!shared || shared !== to.piece) return OPEN;
    const seen = shared.from.get(to.node) ?? seenFrom(to.node, shared);
    shared.from.set(to.node, seen);
    return ohms(seen(from.node));
  };
}

/** Where a terminal is: its node, and the piece that it is in; none where no wire is on it. */
interface Seat {
  readonly node: string;
  readonly piece: Piece | undefined;
}

/** What resists between two nodes, Ω. */
interface Wire {
  readonly a: string;
  readonly b: string;
  readonly ohms: number;
}

/** Nodes that hang together, by which wires, and what is seen of them from each that has been grounded so far. */
interface Piece {
  readonly nodes: string[];
  readonly wires: Wire[];
  readonly from: Map<string, (node: string) => number>;
}

/** Resistance from each node of a connected piece to this one, which is grounded: the voltage that 1 A makes there. */
const seenFrom = (grounded: string, piece: Piece): ((node: string) => number) =>
  piece.wires.length === piece.nodes.length - 1 ? alongFrom(grounded, piece) : solvedFrom(grounded, piece);

/** The same where no two ways lead anywhere: what lies on the way, added up. */
function alongFrom(grounded: string, { wires }: Piece): (node: string) => number {
  const at = new Map<string, Wire[]>();
  for (const wire of wires)
    for (const node of [wire.a, wire.b]) {
      const known = at.get(node);
      if (known) known.push(wire);
      else at.set(node, [wire]);
    }
  const way = new Map([[grounded, 0]]);
  const open = [grounded];
  for (let here = open.pop(); here !== undefined; here = open.pop())
    for (const { a, b, ohms } of at.get(here) ?? []) {
      const next = a === here ? b : a;
      if (way.has(next)) continue;
      way.set(next, (way.get(here) ?? 0) + ohms);
      open.push(next);
    }
  return (node) => way.get(node) ?? 0;
}

function solvedFrom(grounded: string, { nodes, wires }: Piece): (node: string) => number {
  const index = new Map(nodes.filter((node) => node !== grounded).map((node, n) => [node, n]));
  const system = new SparseSystem(index.size);
  const stamps: (readonly [number, number])[] = [];
  const add = (row: number | undefined, column: number | undefined, value: number): void => {
    if (row !== undefined && column !== undefined) stamps.push([system.slot(row, column), value]);
  };
  for (const wire of wires) {
    const [a, b] = [index.get(wire.a), index.get(wire.b)];
    const siemens = 1 / wire.ohms;
    add(a, a, siemens);
    add(b, b, siemens);
    add(a, b, -siemens);
    add(b, a, -siemens);
  }
  system.clear();
  for (const [slot, value] of stamps) system.re[slot] = (system.re[slot] as number) + value;
  system.factor();
  const known = new Map<string, number>();
  return (node) => {
    const at = index.get(node);
    const before = known.get(node);
    if (at === undefined || before !== undefined) return before ?? 0;
    const [re, im] = [new Float64Array(index.size), new Float64Array(index.size)];
    re[at] = 1;
    system.solve(re, im);
    known.set(node, re[at]);
    return re[at];
  };
}
