import { Union } from '../quantity';
import { GROUND, nodesOf, type NodeName, type Primitive } from './elements';

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

/** The pieces that nothing but a leak joins to ground. */
export function islandsOf(elements: readonly Primitive[], alternating: boolean): readonly Island[] {
  const union = new Union();
  const all = new Set<NodeName>([GROUND]);
  const leaks: NodeName[] = [];
  for (const each of elements) {
    for (const node of nodesOf(each)) all.add(node);
    if (holds(each, alternating) && 'a' in each) union.join(each.a, each.b);
    if (isLeak(each) && 'a' in each && each.b === GROUND) leaks.push(each.a);
  }
  const ground = union.find(GROUND);
  const pieces = new Map<string, NodeName[]>();
  for (const node of all) {
    const root = union.find(node);
    if (root === ground) continue;
    const piece = pieces.get(root) ?? [];
    piece.push(node);
    pieces.set(root, piece);
  }
  return [...pieces.values()]
    .map((nodes) => nodes.sort())
    .sort(([a = ''], [b = '']) => (a < b ? -1 : 1))
    .map((nodes) => {
      const leak = leaks.find((node) => nodes.includes(node));
      return { nodes, tie: leak ?? nodes[0] ?? GROUND, leaking: leak !== undefined };
    });
}
