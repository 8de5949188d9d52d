import { bad, good, Union, type Problem, type Result } from '../quantity';
import {
  GROUND,
  nodesOf,
  primitives,
  type Circuit,
  type Coupling,
  type Diode,
  type Inductor,
  type NodeName,
  type Primitive,
} from './elements';
import { islandsOf, LEAK_OHMS } from './islands';
import type { Orders } from './order';
import { SparseSystem, type Slot } from './sparse';

/** Across every junction, S: keeps what stands behind a blocked diode from floating. SPICE has the same by default. */
export const JUNCTION_LEAK = 1e-12;

/** The equations of a circuit, A(ω) = G + jωC, over node voltages (V) and the currents of some branches (A). */
export interface Equations {
  readonly elements: readonly Primitive[];
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
  /** What unknown number n is, in words. */
  readonly nameOf: (unknown: number) => string;
}

/** A diode's junction with the slots that its conductance goes to. */
export interface Junction {
  readonly diode: Diode;
  readonly anode: number | undefined;
  readonly cathode: number | undefined;
  readonly slots: readonly (readonly [Slot, 1 | -1])[];
}

const problem = (code: string, says: string, path: string): Problem => ({ code, says, path });

/** Values that no element may have, each named. */
export function elementProblems(elements: readonly Primitive[]): readonly Problem[] {
  const found: Problem[] = [];
  const seen = new Set<string>();
  const need = (id: string, is: boolean, says: string): void => {
    if (!is) found.push(problem('circuit.value', `${id}: ${says}`, id));
  };
  const inductors = new Set(elements.flatMap((each) => (each.kind === 'inductor' ? each.id : [])));
  for (const each of elements) {
    if (seen.has(each.id))
      found.push(problem('circuit.twice', `There are two elements called ${each.id}: rename one.`, each.id));
    seen.add(each.id);
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

const withInsides = (elements: readonly Primitive[]): readonly Primitive[] =>
  elements.flatMap((each): readonly Primitive[] => {
    if (each.kind !== 'diode' || !each.rs) return [each];
    const inside = `${each.id}#inside`;
    return [
      { kind: 'resistor', id: `${each.id}#rs`, a: each.a, b: inside, ohms: each.rs },
      { ...each, a: inside },
    ];
  });

/**
 * The equations of a circuit by modified nodal analysis (C.-W. Ho, A. E. Ruehli, P. A. Brennan, 1975, from memory): Kirchhoff's
 * current law at each node, and a row for each element whose current is an unknown of its own.
 *
 * Errors: `circuit.value`, `circuit.twice`, `circuit.source-loop`, each with the element as its path.
 */
// eslint-disable-next-line max-lines-per-function -- one stamp for each kind of element into one matrix.
export function equationsOf(circuit: Circuit, alternating: boolean, orders?: Orders): Result<Equations> {
  const elements = withInsides(primitives(circuit));
  const problems = elementProblems(elements);
  if (problems.length > 0) return { ok: false, problems };
  const ring = loop(elements, alternating);
  if (ring)
    return bad(
      'circuit.source-loop',
      `${ring.id} closes a ring of elements that each insist on a voltage: put a resistance in it.`,
      ring.id,
    );
  const grounded = new Set(islandsOf(elements, alternating).map(({ tie }) => tie));
  // What floats for direct current alone keeps its leak at all frequencies.
  const leaking = alternating
    ? islandsOf(elements, false).flatMap(({ tie, leaking: has }) => (has || grounded.has(tie) ? [] : [tie]))
    : [];

  const names = [...new Set(elements.flatMap(nodesOf))].filter((node) => node !== GROUND).sort();
  const index = new Map<NodeName, number>();
  for (const node of names) if (!grounded.has(node)) index.set(node, index.size);
  const branch = new Map<string, number>();
  for (const each of elements)
    if (each.kind === 'voltage' || each.kind === 'vcvs' || each.kind === 'inductor')
      branch.set(each.id, index.size + branch.size);
  const system = new SparseSystem(index.size + branch.size, orders);
  const stamps: [Slot, number, number][] = [];
  const put = (row: number | undefined, column: number | undefined, g: number, c = 0): void => {
    if (row !== undefined && column !== undefined) stamps.push([system.slot(row, column), g, c]);
  };
  const of = (node: NodeName): number | undefined => index.get(node);
  const across = (a: NodeName, b: NodeName, g: number, c = 0): void => {
    put(of(a), of(a), g, c);
    put(of(b), of(b), g, c);
    put(of(a), of(b), -g, -c);
    put(of(b), of(a), -g, -c);
  };
  const insist = (each: { id: string; a: NodeName; b: NodeName }): number => {
    const own = branch.get(each.id) ?? 0;
    put(of(each.a), own, 1);
    put(of(each.b), own, -1);
    put(own, of(each.a), 1);
    put(own, of(each.b), -1);
    return own;
  };
  const henries = new Map(
    elements.flatMap((e) => (e.kind === 'inductor' ? [[e.id, e]] : []) as [string, Inductor][]),
  );
  const mutual = ({ of: [one, other], k }: Coupling): void => {
    const m = k * Math.sqrt((henries.get(one)?.henries ?? 0) * (henries.get(other)?.henries ?? 0));
    put(branch.get(one), branch.get(other), 0, -m);
    put(branch.get(other), branch.get(one), 0, -m);
  };
  const diodes: Junction[] = [];
  for (const each of elements)
    switch (each.kind) {
      case 'resistor':
        across(each.a, each.b, 1 / each.ohms);
        break;
      case 'capacitor':
        across(each.a, each.b, 0, each.farads);
        break;
      case 'inductor': {
        const own = insist(each);
        put(own, own, 0, -each.henries);
        break;
      }
      case 'coupling':
        mutual(each);
        break;
      case 'voltage':
        insist(each);
        break;
      case 'vcvs': {
        const own = insist(each);
        put(own, of(each.c), -each.gain);
        put(own, of(each.d), each.gain);
        break;
      }
      case 'vccs':
        put(of(each.a), of(each.c), each.siemens);
        put(of(each.a), of(each.d), -each.siemens);
        put(of(each.b), of(each.c), -each.siemens);
        put(of(each.b), of(each.d), each.siemens);
        break;
      case 'diode': {
        const [anode, cathode] = [of(each.a), of(each.b)];
        across(each.a, each.b, JUNCTION_LEAK);
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
        diodes.push({ diode: each, anode, cathode, slots });
        break;
      }
      case 'current':
        break;
    }
  for (const node of leaking) put(of(node), of(node), 1 / LEAK_OHMS);
  system.clear();
  const g = new Float64Array(system.re.length);
  const c = new Float64Array(system.re.length);
  for (const [slot, real, rate] of stamps) {
    g[slot] = (g[slot] as number) + real;
    c[slot] = (c[slot] as number) + rate;
  }
  const unknowns = [...index.keys(), ...branch.keys()];
  return good({
    elements,
    diodes,
    system,
    g,
    c,
    indexOf: of,
    branchOf: branch,
    nodes: names,
    tied: [...grounded],
    nameOf: (n) => unknowns[n] ?? '',
  });
}

/** The right side for sources of these values; a source that is not named gives nothing. */
export function excite(
  equations: Equations,
  valueOf: (source: Extract<Primitive, { kind: 'voltage' | 'current' }>) => readonly [number, number],
): { readonly re: Float64Array; readonly im: Float64Array } {
  const re = new Float64Array(equations.system.size);
  const im = new Float64Array(equations.system.size);
  const add = (at: number | undefined, real: number, imaginary: number): void => {
    if (at === undefined) return;
    re[at] = (re[at] as number) + real;
    im[at] = (im[at] as number) + imaginary;
  };
  for (const each of equations.elements) {
    if (each.kind !== 'voltage' && each.kind !== 'current') continue;
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
  if (!equations.elements.some((each) => each.kind === 'current')) return undefined;
  const floating = islandsOf(equations.elements, alternating).map(({ nodes }) => nodes);
  for (const each of equations.elements) {
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
