import { GROUND, type NodeName, type Primitive } from './elements';

/**
 * What ties a piece of circuit that nothing joins to ground, Ω: one leak, at the first of its nodes by name. It carries no
 * current, and gives the piece a potential to be reckoned from. Exported decks have it written in.
 */
export const LEAK_OHMS = 1e12;

/** Whether an element holds a piece of circuit together: all but current sources and leaks, and capacitors where current is direct. */
const holds = (each: Primitive, alternating: boolean): boolean =>
  each.kind !== 'current' &&
  each.kind !== 'coupling' &&
  !isLeak(each) &&
  (alternating || each.kind !== 'capacitor');

/** Whether a resistor is no more than what ties a floating piece down. */
export const isLeak = (each: Primitive): boolean => each.kind === 'resistor' && each.ohms >= LEAK_OHMS;

/** A piece of circuit that nothing joins to ground. */
export interface Island {
  readonly nodes: readonly NodeName[];
  /** The node that is tied down: where its leak is, if it has one, else the first by name. */
  readonly tie: NodeName;
  /** Whether a leak is among the elements already. */
  readonly leaking: boolean;
}

/** How many nodes an element touches at the most. */
export const TOUCHED = 4;

/** The nodes of some elements by number, ground being the first. */
export interface Numbered {
  readonly names: readonly NodeName[];
  /** For each element {@link TOUCHED} numbers: its a, b, c and d, −1 where there is none. */
  readonly touched: Int32Array;
}

/** Numbers the nodes of some elements. */
export function numbered(elements: readonly Primitive[]): Numbered {
  const names: NodeName[] = [];
  const numbers = new Map<NodeName, number>();
  const numberOf = (node: NodeName): number => {
    const known = numbers.get(node);
    if (known !== undefined) return known;
    numbers.set(node, names.length);
    return names.push(node) - 1;
  };
  numberOf(GROUND);
  const touched = new Int32Array(elements.length * TOUCHED).fill(-1);
  elements.forEach((each, place) => {
    if (each.kind === 'coupling') return;
    const at = place * TOUCHED;
    touched[at] = numberOf(each.a);
    touched[at + 1] = numberOf(each.b);
    if (each.kind !== 'vcvs' && each.kind !== 'vccs') return;
    touched[at + 2] = numberOf(each.c);
    touched[at + 3] = numberOf(each.d);
  });
  return { names, touched };
}

/** The pieces that nothing but a leak joins to ground; the nodes of the elements by number where they are known. */
export function islandsOf(
  elements: readonly Primitive[],
  alternating: boolean,
  { names, touched }: Numbered = numbered(elements),
): readonly Island[] {
  const parent = Int32Array.from(names.keys());
  const rootOf = (node: number): number => {
    let root = node;
    for (let up = parent[root] as number; up !== root; up = parent[root] as number) {
      parent[root] = parent[up] as number;
      root = up;
    }
    return root;
  };
  const leaks = new Set<number>();
  elements.forEach((each, place) => {
    const a = touched[place * TOUCHED] as number;
    const b = touched[place * TOUCHED + 1] as number;
    if (holds(each, alternating)) parent[rootOf(b)] = rootOf(a);
    else if (b === 0 && isLeak(each)) leaks.add(a);
  });
  const pieces = new Map<number, number[]>();
  const ground = rootOf(0);
  for (let node = 1; node < names.length; node++) {
    const root = rootOf(node);
    if (root === ground) continue;
    const piece = pieces.get(root);
    if (piece) piece.push(node);
    else pieces.set(root, [node]);
  }
  const nameOf = (node: number): NodeName => names[node] as NodeName;
  return [...pieces.values()]
    .map((nodes): Island => {
      // The first leak that stands among the elements.
      const leak = [...leaks].find((node) => nodes.includes(node));
      const all = nodes.map(nameOf).sort();
      return {
        nodes: all,
        tie: leak === undefined ? (all[0] ?? GROUND) : nameOf(leak),
        leaking: leak !== undefined,
      };
    })
    .sort(({ nodes: [a = ''] }, { nodes: [b = ''] }) => (a < b ? -1 : 1));
}
