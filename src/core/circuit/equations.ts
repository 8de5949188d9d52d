import { bad, good, Union, type Problem, type Result } from '../quantity';
import { primitives, type Circuit, type Diode, type NodeName, type Primitive } from './elements';
import { LEAK_OHMS, type Island } from './islands';
import type { Orders } from './order';
import { fits, SEAT, skeletonOf, stamp, type Skeleton, type Values } from './skeleton';
import type { Slot, SparseSystem } from './sparse';

/** The equations of a circuit, A(ω) = G + jωC, over node voltages (V) and the currents of some branches (A). */
export interface Equations {
  readonly elements: readonly Primitive[];
  /** Those of them that drive it. */
  readonly sources: readonly Source[];
  readonly diodes: readonly Junction[];
  readonly system: SparseSystem;
  /** By slot: what does not and what does go with frequency. */
  readonly g: Float64Array;
  readonly c: Float64Array;
  /** Place of a node among the unknowns; nothing for what is at ground. */
  readonly indexOf: (node: NodeName) => number | undefined;
  readonly branchOf: ReadonlyMap<string, number>;
  readonly nodes: readonly NodeName[];
  /** Nodes that are tied down because nothing else does it. */
  readonly tied: readonly NodeName[];
  /** The pieces that nothing but a leak joins to ground. */
  readonly islands: readonly Island[];
  /** What unknown number n is, in words. */
  readonly nameOf: (unknown: number) => string;
}

type Source = Extract<Primitive, { kind: 'voltage' | 'current' }>;

/** A diode's junction with the slots that its conductance goes to. */
export interface Junction {
  readonly diode: Diode;
  readonly anode: number | undefined;
  readonly cathode: number | undefined;
  readonly slots: readonly (readonly [Slot, 1 | -1])[];
}

const problem = (code: string, says: string, path: string): Problem => ({ code, says, path });

/** Values that no element may have, each named; and names that stand twice, unless it is known that none does. */
export function elementProblems(elements: readonly Primitive[], isNamed = false): readonly Problem[] {
  const found: Problem[] = [];
  const seen = new Set<string>();
  const need = (id: string, is: boolean, says: string): void => {
    if (!is) found.push(problem('circuit.value', `${id}: ${says}`, id));
  };
  const inductors = new Set(elements.flatMap((each) => (each.kind === 'inductor' ? each.id : [])));
  for (const each of elements) {
    if (!isNamed) {
      if (seen.has(each.id))
        found.push(
          problem('circuit.twice', `There are two elements called ${each.id}: rename one.`, each.id),
        );
      seen.add(each.id);
    }
    switch (each.kind) {
      case 'resistor':
        need(each.id, Number.isFinite(each.ohms) && each.ohms > 0, 'a resistance is more than 0 Ω.');
        break;
      case 'capacitor':
        need(each.id, Number.isFinite(each.farads) && each.farads >= 0, 'a capacitance is 0 F or more.');
        break;
      case 'inductor':
        need(each.id, Number.isFinite(each.henries) && each.henries > 0, 'an inductance is more than 0 H.');
        break;
      case 'coupling':
        need(each.id, Math.abs(each.k) <= 1, 'a coupling is from −1 to 1.');
        for (const of of each.of) need(each.id, inductors.has(of), `there is no inductor ${of} to couple.`);
        break;
      case 'diode':
        need(
          each.id,
          each.is > 0 && each.n > 0 && (each.rs ?? 0) >= 0,
          'a diode needs IS and N above 0, RS 0 or more.',
        );
        break;
      case 'voltage':
      case 'current':
        need(each.id, Number.isFinite(each.dc), 'a source needs a value.');
        break;
      case 'vcvs':
        need(each.id, Number.isFinite(each.gain), 'a source needs a gain.');
        break;
      case 'vccs':
        need(each.id, Number.isFinite(each.siemens), 'a source needs a transconductance.');
    }
  }
  return found;
}

/** A ring of elements that each insist on a voltage: what they carry cannot be told. */
function loop(elements: readonly Primitive[], alternating: boolean): Primitive | undefined {
  const union = new Union();
  for (const each of elements) {
    const insists =
      each.kind === 'voltage' || each.kind === 'vcvs' || (!alternating && each.kind === 'inductor');
    if (!insists) continue;
    if (union.find(each.a) === union.find(each.b)) return each;
    union.join(each.a, each.b);
  }
  return undefined;
}

/** Diodes with a resistance in them as two elements; the same elements where there is none. */
const withInsides = (elements: readonly Primitive[]): readonly Primitive[] =>
  elements.some((each) => each.kind === 'diode' && each.rs)
    ? elements.flatMap((each): readonly Primitive[] => {
        if (each.kind !== 'diode' || !each.rs) return [each];
        const inside = `${each.id}#inside`;
        return [
          { kind: 'resistor', id: `${each.id}#rs`, a: each.a, b: inside, ohms: each.rs },
          { ...each, a: inside },
        ];
      })
    : elements;

/** Skeletons that were found, beside the orders of elimination that go with them. */
const KNOWN = new WeakMap<Orders, readonly Skeleton[]>();
const MOST_KNOWN = 8;

/**
 * The equations of a circuit by modified nodal analysis (C.-W. Ho, A. E. Ruehli, P. A. Brennan, 1975, from memory): Kirchhoff's
 * current law at each node, and a row for each element whose current is an unknown of its own. Circuits that share their
 * orders of elimination share their skeletons too, where they differ in their values alone. Where nodes are named, others
 * may have no unknown of their own.
 *
 * Errors: `circuit.value`, `circuit.twice`, `circuit.source-loop`, each with the element as its path.
 */
export function equationsOf(
  circuit: Circuit,
  alternating: boolean,
  orders?: Orders,
  kept?: readonly NodeName[],
): Result<Equations> {
  const elements = withInsides(primitives(circuit));
  const known = orders && KNOWN.get(orders)?.find((each) => fits(each, elements, alternating, kept));
  const problems = elementProblems(elements, known !== undefined);
  if (problems.length > 0) return { ok: false, problems };
  if (known) return good(filled(known, elements, known.system.alike()));
  const ring = loop(elements, alternating);
  if (ring)
    return bad(
      'circuit.source-loop',
      `${ring.id} closes a ring of elements that each insist on a voltage: put a resistance in it.`,
      ring.id,
    );
  const skeleton = skeletonOf(elements, alternating, orders, kept);
  if (orders) KNOWN.set(orders, [skeleton, ...(KNOWN.get(orders) ?? [])].slice(0, MOST_KNOWN));
  return good(filled(skeleton, elements, skeleton.system.alike()));
}

/** A skeleton with the values of elements that it fits. */
function filled(skeleton: Skeleton, elements: readonly Primitive[], system: SparseSystem): Equations {
  const { index, branch, seats, slots, junctions, names, islands, leaks, within } = skeleton;
  system.clear();
  const g = new Float64Array(system.re.length);
  const c = new Float64Array(system.re.length);
  let n = 0;
  const values: Values = {
    henriesOf(place) {
      const each = elements[place];
      return each?.kind === 'inductor' ? each.henries : 0;
    },
    ohmsOf(place) {
      const each = elements[place];
      return each?.kind === 'resistor' ? each.ohms : 0;
    },
  };
  elements.forEach((each, place) =>
    stamp(each, seats, place * SEAT, values, (row, column, real, rate) => {
      if (row < 0 || column < 0) return;
      const slot = slots[n++] as number;
      g[slot] = (g[slot] as number) + real;
      c[slot] = (c[slot] as number) + rate;
    }),
  );
  for (const slot of leaks) g[slot] = (g[slot] as number) + 1 / LEAK_OHMS;
  const unknowns = (): readonly string[] => [...index.keys(), ...branch.keys()];
  return {
    elements,
    sources: elements.filter((each) => each.kind === 'voltage' || each.kind === 'current'),
    diodes: junctions.map(({ place, ...junction }) => ({ diode: elements[place] as Diode, ...junction })),
    system,
    g,
    c,
    indexOf(node) {
      if (within.has(node)) throw new Error(`${node} was not asked for`);
      return index.get(node);
    },
    branchOf: branch,
    nodes: names,
    tied: islands.map(({ tie }) => tie),
    islands,
    nameOf: (unknown) => unknowns()[unknown] ?? '',
  };
}

/** The right side for sources of these values; a source that is not named gives nothing. */
export function excite(
  equations: Equations,
  valueOf: (source: Source) => readonly [number, number],
): { readonly re: Float64Array; readonly im: Float64Array } {
  const re = new Float64Array(equations.system.size);
  const im = new Float64Array(equations.system.size);
  const add = (at: number | undefined, real: number, imaginary: number): void => {
    if (at === undefined) return;
    re[at] = (re[at] as number) + real;
    im[at] = (im[at] as number) + imaginary;
  };
  for (const each of equations.sources) {
    const [real, imaginary] = valueOf(each);
    if (each.kind === 'voltage') add(equations.branchOf.get(each.id), real, imaginary);
    else {
      add(equations.indexOf(each.a), -real, -imaginary);
      add(equations.indexOf(each.b), real, imaginary);
    }
  }
  return { re, im };
}

/** What a singular system is told as: where, and what to do. */
export const singular = (equations: Equations, unknown: number): Problem => {
  const name = equations.nameOf(unknown);
  return problem(
    'circuit.singular',
    equations.branchOf.has(name)
      ? `The current of ${name} cannot be told: it is in a ring with others that insist on a voltage. Put a resistance in it.`
      : `The voltage of ${name} cannot be told: nothing that conducts holds it. Join it to something, or take it out.`,
    name,
  );
};

/** Currents that a source pushes into a piece that has no way back: the first such source. */
export function stranded(equations: Equations, alternating: boolean): Problem | undefined {
  if (!equations.sources.some((each) => each.kind === 'current')) return undefined;
  const floating = equations.islands.map(({ nodes }) => nodes);
  for (const each of equations.sources) {
    if (each.kind !== 'current') continue;
    const live = each.dc !== 0 || (alternating && (each.ac?.magnitude ?? 0) !== 0);
    const split = floating.some((piece) => piece.includes(each.a) !== piece.includes(each.b));
    if (live && split)
      return problem(
        'circuit.current-cut',
        `The current of ${each.id} has no way back: join its two sides by something that conducts.`,
        each.id,
      );
  }
  return undefined;
}
