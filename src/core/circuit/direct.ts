import { bad, good, type Result } from '../quantity';
import type { Circuit, Diode, NodeName } from './elements';
import type { Orders } from './order';
import { equationsOf, excite, singular, stranded, type Equations, type Junction } from './equations';
import { JUNCTION_LEAK } from './skeleton';
import { THERMAL_VOLTS } from './thermal';

/** The state of a circuit under direct current. */
export interface Operating {
  /** V against ground; of a node that is not in the circuit, `NaN`. */
  readonly voltage: (node: NodeName) => number;
  /** A through a voltage source, an inductor or a diode, from its a to its b. */
  readonly current: (id: string) => number;
  /** The most by which Kirchhoff's current law is missed at any node, A. */
  readonly residual: number;
  /** Rounds of Newton's method that it took. */
  readonly rounds: number;
  readonly nodes: readonly NodeName[];
  /** Nodes that were tied to ground because nothing else holds them. */
  readonly tied: readonly NodeName[];
  /** Conductance of every diode here, S: what it is to a small signal. */
  readonly conductances: ReadonlyMap<string, number>;
}

const MOST_ROUNDS = 300;
/** A junction further up its exponential than this is a solution of the equations and of nothing else. */
const MOST_EXPONENT = 120;
/** Steps in which all sources are raised where Newton's method fails from nothing. */
const RAMP = [0.01, 0.03, 0.1, 0.2, 0.35, 0.5, 0.7, 0.85, 1];
/** Newton's method squares its error each round, so what moves by this little is a good deal nearer than that. */
const CLOSE = { volts: 1e-8, share: 1e-7 };

/** Current and conductance of a junction at a voltage. Beyond 40 n·Vt·… the exponential is carried on as a straight line. */
function junctionAt({ is, n }: Diode, volts: number): { readonly amps: number; readonly siemens: number } {
  const scale = n * THERMAL_VOLTS;
  const x = volts / scale;
  const top = 300;
  if (x > top) {
    const e = Math.exp(top);
    return { amps: is * (e * (1 + x - top) - 1), siemens: (is * e) / scale };
  }
  const e = Math.exp(x);
  return { amps: is * (e - 1), siemens: (is * e) / scale };
}

/**
 * Keeps a step of Newton's method from running up the exponential: above the critical voltage the step is taken in the
 * logarithm of the current (L. W. Nagel, “SPICE2”, 1975, from memory).
 */
function damped({ is, n }: Diode, wanted: number, before: number): number {
  const scale = n * THERMAL_VOLTS;
  const critical = scale * Math.log(scale / (Math.SQRT2 * is));
  if (wanted <= critical || Math.abs(wanted - before) <= 2 * scale) return wanted;
  if (before <= 0) return scale * Math.log(wanted / scale);
  const step = 1 + (wanted - before) / scale;
  return step > 0 ? before + scale * Math.log(step) : critical;
}

const volts = (x: Float64Array, { anode, cathode }: Junction): number =>
  (anode === undefined ? 0 : (x[anode] as number)) - (cathode === undefined ? 0 : (x[cathode] as number));

interface Attempt {
  readonly x: Float64Array;
  readonly rounds: number;
  readonly junctions: Float64Array;
  readonly restless?: Diode;
}

/** Newton's method from given junction voltages, with all sources at a share of their value. */
function settle(equations: Equations, share: number, from: Float64Array): Attempt | number {
  const { system, diodes, g } = equations;
  let junctions: Float64Array<ArrayBufferLike> = Float64Array.from(from);
  let x = new Float64Array(system.size);
  let restless: Diode | undefined;
  for (let round = 1; round <= MOST_ROUNDS; round++) {
    const { re, im } = excite(equations, (source) => [source.dc * share, 0]);
    system.clear();
    system.re.set(g);
    diodes.forEach(({ diode, anode, cathode, slots }, n) => {
      const at = junctions[n] as number;
      const { amps, siemens } = junctionAt(diode, at);
      for (const [slot, sign] of slots) system.re[slot] = (system.re[slot] as number) + sign * siemens;
      const rest = amps - siemens * at;
      if (anode !== undefined) re[anode] = (re[anode] as number) - rest;
      if (cathode !== undefined) re[cathode] = (re[cathode] as number) + rest;
    });
    const lost = system.factor();
    if (lost !== undefined) {
      // What could be told a round ago has been run out of sight by a junction.
      const [fiercest] = [...diodes].sort((a, b) => volts(x, b) - volts(x, a));
      return round > 1 && fiercest ? { x, rounds: round, junctions, restless: fiercest.diode } : lost;
    }
    solveRefined(equations, re, im, { re: re.slice(), im: im.slice() });
    let still = round > 1 || diodes.length === 0;
    restless = undefined;
    const next = new Float64Array(diodes.length);
    diodes.forEach((junction, n) => {
      const before = junctions[n] as number;
      const wanted = volts(re, junction);
      const taken = damped(junction.diode, wanted, before);
      next[n] = taken;
      if (Math.abs(taken - before) > CLOSE.volts + CLOSE.share * Math.abs(taken) || taken !== wanted) {
        still = false;
        restless = junction.diode;
      }
    });
    x = Float64Array.from(re);
    junctions = next;
    if (still) return { x, rounds: round, junctions };
  }
  return { x, rounds: MOST_ROUNDS, junctions, ...(restless ? { restless } : {}) };
}

/** A solution that lacks no more than this beside the numbers it came from is as good as rounding lets it be. */
const GOOD_ENOUGH = 2e-16;

/**
 * The solutions of A·x = right, in place, made better once where one of them lacks something: values from mΩ to TΩ leave
 * rounding. Several right sides stand beside each other, row by row.
 */
export function solveRefined(
  { system }: Pick<Equations, 'system'>,
  re: Float64Array,
  im: Float64Array,
  { re: rightRe, im: rightIm }: { readonly re: Float64Array; readonly im: Float64Array },
  sides = 1,
): void {
  re.set(rightRe);
  im.set(rightIm);
  system.solve(re, im, sides);
  if (system.lacking(re, im, rightRe, rightIm, sides) <= GOOD_ENOUGH) return;
  const { restRe, restIm } = system;
  system.solve(restRe, restIm, sides);
  for (let n = 0; n < re.length; n++) {
    re[n] = (re[n] as number) + (restRe[n] as number);
    im[n] = (im[n] as number) + (restIm[n] as number);
  }
}

/**
 * The operating point: voltages and currents when nothing changes any more. Capacitors are open, inductors are wire,
 * diodes are solved for by Newton's method with damped steps, and with the sources raised in steps where that fails.
 *
 * Errors: `circuit.value`, `circuit.source-loop`, `circuit.current-cut`, `circuit.singular`, `circuit.no-convergence`; each
 * with the element or node as its path, and never a value that is not a number.
 */
export function operatingPoint(circuit: Circuit, orders?: Orders): Result<Operating> {
  const made = equationsOf(circuit, false, orders);
  if (!made.ok) return made;
  const equations = made.value;
  const cut = stranded(equations, false);
  if (cut) return { ok: false, problems: [cut] };
  const nothing = new Float64Array(equations.diodes.length);
  let attempt = settle(equations, 1, nothing);
  if (typeof attempt !== 'number' && attempt.restless) {
    let junctions = nothing;
    for (const share of RAMP) {
      attempt = settle(equations, share, junctions);
      if (typeof attempt === 'number') break;
      junctions = attempt.junctions as Float64Array<ArrayBuffer>;
    }
  }
  if (typeof attempt === 'number') return { ok: false, problems: [singular(equations, attempt)] };
  if (attempt.restless)
    return bad(
      'circuit.no-convergence',
      `No steady state was found in ${MOST_ROUNDS} rounds: ${attempt.restless.id} will not settle. Check its model and what feeds it.`,
      attempt.restless.id,
    );
  const settled = attempt.junctions;
  const fierce = equations.diodes.find(
    ({ diode }, n) => (settled[n] as number) > MOST_EXPONENT * diode.n * THERMAL_VOLTS,
  );
  if (fierce)
    return bad(
      'circuit.no-convergence',
      `${fierce.diode.id} would have to carry a current that is not of this world: put a resistance in line with it.`,
      fierce.diode.id,
    );
  return good(operatingOf(equations, attempt));
}

function operatingOf(equations: Equations, { x, rounds, junctions }: Attempt): Operating {
  const { indexOf, branchOf, nodes, tied } = equations;
  const known = new Set(nodes);
  const found = Float64Array.from(x);
  return {
    voltage(node) {
      const at = indexOf(node);
      return at === undefined ? (known.has(node) || node === '0' ? 0 : Number.NaN) : (found[at] as number);
    },
    current(id) {
      const at = branchOf.get(id);
      if (at !== undefined) return found[at] as number;
      const n = equations.diodes.findIndex(({ diode }) => diode.id === id);
      const diode = equations.diodes[n]?.diode;
      return diode ? junctionAt(diode, junctions[n] as number).amps : Number.NaN;
    },
    // A meter asks for one voltage of a thousand circuits.
    get residual() {
      return residualOf(equations, found);
    },
    rounds,
    get nodes() {
      return nodes.filter((node) => !node.includes('#'));
    },
    tied,
    get conductances() {
      return new Map(
        equations.diodes.map(({ diode }, n) => [diode.id, junctionAt(diode, junctions[n] as number).siemens]),
      );
    },
  };
}

/** Kirchhoff's current law with every element's own current, summed at every node: the worst that is left over, A. */
function residualOf(equations: Equations, x: Float64Array): number {
  const sums = new Map<string, number>();
  const at = (node: string): number => {
    const n = equations.indexOf(node);
    return n === undefined ? 0 : (x[n] as number);
  };
  const flow = (from: string, to: string, amps: number): void => {
    sums.set(from, (sums.get(from) ?? 0) + amps);
    sums.set(to, (sums.get(to) ?? 0) - amps);
  };
  for (const each of equations.elements)
    switch (each.kind) {
      case 'resistor':
        flow(each.a, each.b, (at(each.a) - at(each.b)) / each.ohms);
        break;
      case 'current':
        flow(each.a, each.b, each.dc);
        break;
      case 'vccs':
        flow(each.a, each.b, each.siemens * (at(each.c) - at(each.d)));
        break;
      case 'voltage':
      case 'vcvs':
      case 'inductor':
        flow(each.a, each.b, x[equations.branchOf.get(each.id) ?? -1] ?? 0);
        break;
      case 'diode': {
        const across = at(each.a) - at(each.b);
        flow(each.a, each.b, junctionAt(each, across).amps + JUNCTION_LEAK * across);
        break;
      }
      case 'capacitor':
      case 'coupling':
        break;
    }
  const held = new Set(['0', ...equations.tied]);
  return Math.max(0, ...[...sums].map(([node, amps]) => (held.has(node) ? 0 : Math.abs(amps))));
}
