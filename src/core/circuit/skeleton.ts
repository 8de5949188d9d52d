import { GROUND, nodesOf, type Diode, type NodeName, type Primitive } from './elements';
import { islandsOf, isLeak, type Island } from './islands';
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

/**
 * Resistors in line with an inductor at a node that nobody asks for and nothing else touches, by the inductor’s place: one
 * branch of both, and one unknown less.
 */
function inLine(
  elements: readonly Primitive[],
  kept: ReadonlySet<NodeName>,
): ReadonlyMap<number, { readonly resistor: number; readonly node: NodeName }> {
  const touching = new Map<NodeName, number[]>();
  elements.forEach((each, place) => {
    for (const node of nodesOf(each)) {
      const known = touching.get(node);
      if (known) known.push(place);
      else touching.set(node, [place]);
    }
  });
  const found = new Map<number, { readonly resistor: number; readonly node: NodeName }>();
  const taken = new Set<number>();
  for (const [node, places] of touching) {
    if (places.length !== 2 || kept.has(node)) continue;
    const resistor = places.find((place) => elements[place]?.kind === 'resistor');
    const inductor = places.find((place) => elements[place]?.kind === 'inductor');
    if (resistor === undefined || inductor === undefined) continue;
    if (taken.has(resistor) || found.has(inductor) || isLeak(elements[resistor] as Primitive)) continue;
    taken.add(resistor);
    found.set(inductor, { resistor, node });
  }
  return found;
}

/** The skeleton of elements that are known to be well. Where nodes are named only they need be told. */
export function skeletonOf(
  elements: readonly Primitive[],
  alternating: boolean,
  orders: Orders | undefined,
  kept?: readonly NodeName[],
): Skeleton {
  const islands = islandsOf(elements, alternating);
  const grounded = new Set(islands.map(({ tie }) => tie));
  const leaking = alternating
    ? islandsOf(elements, false).flatMap(({ tie, leaking: has }) => (has || grounded.has(tie) ? [] : [tie]))
    : [];
  const lines = kept
    ? inLine(elements, new Set([GROUND, ...kept, ...grounded, ...leaking]))
    : new Map<number, never>();
  const within = new Set([...lines.values()].map(({ node }) => node));
  const names = [...new Set(elements.flatMap(nodesOf))].filter((node) => node !== GROUND).sort();
  const index = new Map<NodeName, number>();
  for (const node of names) if (!grounded.has(node) && !within.has(node)) index.set(node, index.size);
  const branch = new Map<string, number>();
  const placeOf = new Map<string, number>();
  elements.forEach((each, place) => {
    if (each.kind === 'inductor') placeOf.set(each.id, place);
    if (each.kind === 'voltage' || each.kind === 'vcvs' || each.kind === 'inductor')
      branch.set(each.id, index.size + branch.size);
  });
  const system = new SparseSystem(index.size + branch.size, orders);
  const seats = Int32Array.from(elements.flatMap((each) => seatOf(each, index, branch, placeOf)));
  for (const [inductor, { resistor, node }] of lines)
    joinIn(seats, elements, index, inductor, resistor, node);
  const slots: Slot[] = [];
  elements.forEach((each, place) =>
    stamp(each, seats, place * SEAT, { henriesOf: () => 0, ohmsOf: () => 0 }, (row, column) => {
      if (row >= 0 && column >= 0) slots.push(system.slot(row, column));
    }),
  );
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

function seatOf(
  each: Primitive,
  index: ReadonlyMap<NodeName, number>,
  branch: ReadonlyMap<string, number>,
  placeOf: ReadonlyMap<string, number>,
): readonly number[] {
  if (each.kind === 'coupling') {
    const [one, other] = each.of;
    return [
      ...[branch.get(one), branch.get(other)].map((at) => at ?? -1),
      ...[placeOf.get(one), placeOf.get(other)].map((at) => at ?? -1),
      -1,
    ];
  }
  const controls = 'c' in each ? [each.c, each.d] : [GROUND, GROUND];
  return [...[each.a, each.b, ...controls].map((node) => index.get(node) ?? -1), branch.get(each.id) ?? -1];
}

/** Seats an inductor with the resistor in line with it: from the far end of the one to the far end of the other. */
function joinIn(
  seats: Int32Array,
  elements: readonly Primitive[],
  index: ReadonlyMap<NodeName, number>,
  inductor: number,
  resistor: number,
  node: NodeName,
): void {
  const [one, other] = [elements[inductor], elements[resistor]];
  if (one?.kind !== 'inductor' || other?.kind !== 'resistor') return;
  const far = index.get(other.a === node ? other.b : other.a) ?? -1;
  seats[inductor * SEAT + (one.a === node ? 0 : 1)] = far;
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
