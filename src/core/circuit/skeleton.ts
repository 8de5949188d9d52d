import { GROUND, type Diode, type NodeName, type Primitive } from './elements';
import { islandsOf, isLeak, numbered, TOUCHED, type Island, type Numbered } from './islands';
import type { Orders } from './order';
import { SparseSystem, type Slot } from './sparse';

/** Across every junction, S: keeps what stands behind a blocked diode from floating. SPICE has the same by default. */
export const JUNCTION_LEAK = 1e-12;

/**
 * What of the equations of a circuit does not hang on its values: which unknown every node and current is, and where each
 * element puts what it has to say.
 */
export interface Skeleton {
  readonly alternating: boolean;
  readonly elements: readonly Primitive[];
  readonly index: ReadonlyMap<NodeName, number>;
  readonly branch: ReadonlyMap<string, number>;
  readonly names: readonly NodeName[];
  /** The pieces that nothing but a leak joins to ground, as they hold together here. */
  readonly islands: readonly Island[];
  /** Slots of what floats for direct current alone, and keeps its leak at all frequencies. */
  readonly leaks: readonly Slot[];
  /** For each element {@link SEAT} numbers: see {@link stamp}. */
  readonly seats: Int32Array;
  /** Nodes that are told whatever becomes of the others; all of them where nothing is said. */
  readonly kept: readonly NodeName[] | undefined;
  /** Nodes that have no unknown of their own for it. */
  readonly within: ReadonlySet<NodeName>;
  /** The slots that elements put something to, one after the other. */
  readonly slots: Int32Array;
  readonly junctions: readonly {
    readonly place: number;
    readonly anode: number | undefined;
    readonly cathode: number | undefined;
    readonly slots: readonly (readonly [Slot, 1 | -1])[];
  }[];
  /** A system of its pattern. */
  readonly system: SparseSystem;
}

/**
 * How many numbers seat an element: the unknowns of its a, b, c and d, and of its own current; −1 where there is none. Of a
 * coupling the two currents, and in the places of c and d which elements the inductors are. Of an inductor in the place of c
 * which element the resistor is that is in line with it, between the same two nodes; of that resistor {@link IN_LINE} in its own.
 */
export const SEAT = 5;
const IN_LINE = -2;

/** Values that one element takes from another, by its place. */
export interface Values {
  readonly henriesOf: (place: number) => number;
  readonly ohmsOf: (place: number) => number;
}

type Put = (row: number, column: number, g: number, c: number) => void;

/** Puts an element where it is seated: what does not, and what does go with frequency. */
export function stamp(
  each: Primitive,
  seats: Int32Array,
  from: number,
  { henriesOf, ohmsOf }: Values,
  put: Put,
): void {
  const a = seats[from] as number;
  const b = seats[from + 1] as number;
  const c = seats[from + 2] as number;
  const d = seats[from + 3] as number;
  const own = seats[from + 4] as number;
  const across = (real: number, rate: number): void => {
    put(a, a, real, rate);
    put(b, b, real, rate);
    put(a, b, -real, -rate);
    put(b, a, -real, -rate);
  };
  const insist = (): void => {
    put(a, own, 1, 0);
    put(b, own, -1, 0);
    put(own, a, 1, 0);
    put(own, b, -1, 0);
  };
  switch (each.kind) {
    case 'resistor':
      return own === IN_LINE ? undefined : across(1 / each.ohms, 0);
    case 'capacitor':
      return across(0, each.farads);
    case 'diode':
      return across(JUNCTION_LEAK, 0);
    case 'inductor':
      insist();
      return put(own, own, c < 0 ? 0 : -ohmsOf(c), -each.henries);
    case 'coupling': {
      const mutual = each.k * Math.sqrt(henriesOf(c) * henriesOf(d));
      put(a, b, 0, -mutual);
      return put(b, a, 0, -mutual);
    }
    case 'voltage':
      return insist();
    case 'vcvs':
      insist();
      put(own, c, -each.gain, 0);
      return put(own, d, each.gain, 0);
    case 'vccs':
      put(a, c, each.siemens, 0);
      put(a, d, -each.siemens, 0);
      put(b, c, -each.siemens, 0);
      return put(b, d, each.siemens, 0);
    case 'current':
  }
}

/** A resistor in line with an inductor, by their places, and the node between them by its number. */
interface InLine {
  readonly inductor: number;
  readonly resistor: number;
  readonly node: number;
}

/**
 * Resistors in line with an inductor at a node that nobody asks for and nothing else touches: one branch of both, and one
 * unknown less.
 */
function inLine(
  elements: readonly Primitive[],
  { names, touched }: Numbered,
  kept: ReadonlySet<NodeName>,
): readonly InLine[] {
  const times = new Int32Array(names.length);
  // The sum of the places that touch a node: of two, one is what the other leaves of it.
  const places = new Int32Array(names.length);
  touched.forEach((node, at) => {
    if (node < 0) return;
    times[node] = (times[node] as number) + 1;
    places[node] = (places[node] as number) + Math.floor(at / TOUCHED);
  });
  const found: InLine[] = [];
  const taken = new Uint8Array(elements.length);
  elements.forEach((each, inductor) => {
    if (each.kind !== 'inductor') return;
    for (const side of [0, 1]) {
      const node = touched[inductor * TOUCHED + side] as number;
      if (taken[inductor] || times[node] !== 2 || kept.has(names[node] as NodeName)) continue;
      const resistor = (places[node] as number) - inductor;
      const other = elements[resistor];
      if (other?.kind !== 'resistor' || taken[resistor] || isLeak(other)) continue;
      taken[inductor] = 1;
      taken[resistor] = 1;
      found.push({ inductor, resistor, node });
    }
  });
  return found;
}

const NO_VALUES: Values = { henriesOf: () => 0, ohmsOf: () => 0 };

/** The skeleton of elements that are known to be well. Where nodes are named only they need be told. */
export function skeletonOf(
  elements: readonly Primitive[],
  alternating: boolean,
  orders: Orders | undefined,
  kept?: readonly NodeName[],
): Skeleton {
  const nodes = numbered(elements);
  const islands = islandsOf(elements, alternating, nodes);
  const grounded = new Set(islands.map(({ tie }) => tie));
  const leaking = alternating
    ? islandsOf(elements, false, nodes).flatMap(({ tie, leaking: has }) =>
        has || grounded.has(tie) ? [] : [tie],
      )
    : [];
  const lines = kept ? inLine(elements, nodes, new Set([GROUND, ...kept, ...grounded, ...leaking])) : [];
  const within = new Set(lines.map(({ node }) => nodes.names[node] as NodeName));
  const names = nodes.names.slice(1).sort();
  const index = new Map<NodeName, number>();
  for (const node of names) if (!grounded.has(node) && !within.has(node)) index.set(node, index.size);
  const branch = new Map<string, number>();
  elements.forEach((each) => {
    if (each.kind === 'voltage' || each.kind === 'vcvs' || each.kind === 'inductor')
      branch.set(each.id, index.size + branch.size);
  });
  const system = new SparseSystem(index.size + branch.size, orders);
  const seats = seatsOf(elements, nodes, index, branch);
  for (const line of lines) joinIn(seats, line, nodes);
  const slots: Slot[] = [];
  const put: Put = (row, column) => {
    if (row >= 0 && column >= 0) slots.push(system.slot(row, column));
  };
  elements.forEach((each, place) => stamp(each, seats, place * SEAT, NO_VALUES, put));
  const junctions = elements.flatMap((each, place) =>
    each.kind === 'diode' ? [{ place, ...junctionOf(each, index, system) }] : [],
  );
  const leaks = leaking.flatMap((node) => {
    const at = index.get(node);
    return at === undefined ? [] : [system.slot(at, at)];
  });
  return {
    alternating,
    elements,
    index,
    branch,
    names,
    islands,
    leaks,
    seats,
    kept,
    within,
    slots: Int32Array.from(slots),
    junctions,
    system,
  };
}

/** Seats every element by itself. */
function seatsOf(
  elements: readonly Primitive[],
  { names, touched }: Numbered,
  index: ReadonlyMap<NodeName, number>,
  branch: ReadonlyMap<string, number>,
): Int32Array {
  const unknownOf = Int32Array.from(names, (node) => index.get(node) ?? -1);
  const placeOf = new Map<string, number>();
  elements.forEach((each, place) => {
    if (each.kind === 'inductor') placeOf.set(each.id, place);
  });
  const seats = new Int32Array(elements.length * SEAT).fill(-1);
  elements.forEach((each, place) => {
    const at = place * SEAT;
    if (each.kind === 'coupling') {
      each.of.forEach((id, n) => {
        seats[at + n] = branch.get(id) ?? -1;
        seats[at + 2 + n] = placeOf.get(id) ?? -1;
      });
      return;
    }
    for (let n = 0; n < TOUCHED; n++) {
      const node = touched[place * TOUCHED + n] as number;
      if (node >= 0) seats[at + n] = unknownOf[node] as number;
    }
    seats[at + TOUCHED] = branch.get(each.id) ?? -1;
  });
  return seats;
}

/** Seats an inductor with the resistor in line with it: from the far end of the one to the far end of the other. */
function joinIn(seats: Int32Array, { inductor, resistor, node }: InLine, { touched }: Numbered): void {
  const sideAt = (place: number): 0 | 1 => (touched[place * TOUCHED] === node ? 0 : 1);
  seats[inductor * SEAT + sideAt(inductor)] = seats[resistor * SEAT + 1 - sideAt(resistor)] as number;
  seats[inductor * SEAT + 2] = resistor;
  seats[resistor * SEAT + 4] = IN_LINE;
}

function junctionOf(each: Diode, index: ReadonlyMap<NodeName, number>, system: SparseSystem) {
  const [anode, cathode] = [index.get(each.a), index.get(each.b)];
  const slots = (
    [
      [anode, anode, 1],
      [cathode, cathode, 1],
      [anode, cathode, -1],
      [cathode, anode, -1],
    ] as const
  ).flatMap(([row, column, sign]): [Slot, 1 | -1][] =>
    row === undefined || column === undefined ? [] : [[system.slot(row, column), sign]],
  );
  return { anode, cathode, slots };
}

/** Whether elements have this skeleton: they differ from those it was made of in their values alone. */
export function fits(
  { elements: before, alternating, kept: told }: Skeleton,
  elements: readonly Primitive[],
  now: boolean,
  kept?: readonly NodeName[],
): boolean {
  return (
    alternating === now &&
    told?.length === kept?.length &&
    (told ?? []).every((node, n) => node === kept?.[n]) &&
    before.length === elements.length &&
    before.every((one, place) => {
      const other = elements[place] as Primitive;
      if (one.id !== other.id || one.kind !== other.kind) return false;
      if (one.kind === 'coupling')
        return other.kind === 'coupling' && one.of[0] === other.of[0] && one.of[1] === other.of[1];
      if (other.kind === 'coupling' || one.a !== other.a || one.b !== other.b) return false;
      if ('c' in one && !('c' in other && one.c === other.c && one.d === other.d)) return false;
      return isLeak(one) === isLeak(other);
    })
  );
}
