import { netlist, type Assembly } from '../assembly';
import { hasJunction } from '../model';
import type { Fault } from './faults';
import { trade } from './faults/surgery';
import { apart } from './probe-list';

/** Something wrong with a lead that nobody has to name. */
type Mistake = Pick<Fault, 'near' | 'variants'>;

/** A strand between two, Ω (from memory). */
const BRIDGE_OHMS = 0.1;

/** Every two pieces of metal that must not touch, and do. */
export const touches = (assembly: Assembly): readonly Mistake[] =>
  apart(assembly).map(([a, b]) => ({
    near: [a, b],
    variants: () => [{ assembly, extra: [{ a, b, ohms: BRIDGE_OHMS }] }],
  }));

/** Every two terminals of a body with parts in it that are in each other's place; parts that conduct one way are looked at one by one instead. */
export function exchanges(assembly: Assembly): readonly Mistake[] {
  if (hasJunction(assembly)) return [];
  const { netOf } = netlist(assembly);
  return assembly.bodies
    .filter(({ parts }) => parts.length > 0)
    .flatMap((body) => {
      const joined = [...new Set(body.joints.flatMap(({ terminals }) => terminals))];
      return joined.flatMap((a, n) =>
        joined
          .slice(n + 1)
          .filter((b) => netOf.get(a) !== netOf.get(b))
          .map((b) => ({
            near: [a, b],
            variants: () => [{ assembly: trade(assembly, body.id, [[a, b]]) }],
          })),
      );
    });
}
