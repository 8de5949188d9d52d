import { bad, good, type Result } from '../quantity';
import { operatingPoint } from './direct';
import { GROUND, type Circuit, type NodeName } from './elements';
import { equationsOf, excite, singular, stranded, type Equations } from './equations';
import type { Orders } from './order';
import { FEWEST, interpolate } from './between';
import { Alone, toldOf, Whole, type Asked } from './drives';
import type { Trace } from './trace';
import { BOLTZMANN } from './thermal';

/** The size of each value of a trace, in its own unit. */
export const magnitudes = ({ re, im }: Trace): readonly number[] =>
  Array.from(re, (real, n) => Math.hypot(real, im[n] as number));

/** All voltages of a circuit at each of some frequencies. */
export interface Sweep {
  /** Hz. */
  readonly frequencies: readonly number[];
  /** V at a node against ground, or between two. */
  readonly voltage: (node: NodeName, against?: NodeName) => Trace;
  /** A through a voltage source or an inductor, from its a to its b. */
  readonly current: (id: string) => Trace;
  readonly nodes: readonly NodeName[];
}

/** What drives the circuit in one sweep: nothing for the sources' own alternating parts, or one source alone at 1 V or 1 A. */
export type Drive = string | undefined;

export interface SweepOptions {
  /** What is asked of each drive; everything where it is left out, which takes far longer where drives are many. */
  readonly asked?: readonly Asked[];
  /** Orders of elimination, shared by circuits that differ in their values alone. */
  readonly orders?: Orders;
}

const RADIANS = 2 * Math.PI;

/** The equations with diodes as they are to a small signal at their operating point. */
function smallSignal(circuit: Circuit, orders?: Orders, kept?: readonly NodeName[]): Result<Equations> {
  const made = equationsOf(circuit, true, orders, kept);
  if (!made.ok || made.value.diodes.length === 0) return made;
  const steady = operatingPoint(circuit);
  if (!steady.ok) return steady;
  const { g, diodes } = made.value;
  for (const { diode, slots } of diodes)
    for (const [slot, sign] of slots)
      g[slot] = (g[slot] as number) + sign * (steady.value.conductances.get(diode.id) ?? 0);
  return made;
}

/** Factors the equations at a frequency; the unknown that cannot be told where they are singular. */
function factorAt({ system, g, c }: Equations, hertz: number): number | undefined {
  const omega = RADIANS * hertz;
  system.clear();
  for (let slot = 0; slot < g.length; slot++) {
    system.re[slot] = g[slot] as number;
    system.im[slot] = omega * (c[slot] as number);
  }
  return system.factor();
}

const badFrequency = (frequencies: readonly number[]): boolean =>
  frequencies.some((f) => !Number.isFinite(f) || f <= 0);

const refuseFrequencies = (): Result<never> =>
  bad('circuit.frequency', 'A frequency is more than 0 Hz.', 'frequency');

/**
 * The circuit at each frequency, Hz, once for each way that it is driven: the equations are factored once a frequency,
 * however many drives there are.
 *
 * Errors: as {@link operatingPoint}, `circuit.frequency`, and `circuit.source` for a drive that is no source of the circuit.
 */
export function sweeps(
  circuit: Circuit,
  frequencies: readonly number[],
  drives: readonly Drive[] = [undefined],
  { asked, orders }: SweepOptions = {},
): Result<readonly Sweep[]> {
  if (badFrequency(frequencies)) return refuseFrequencies();
  const kept = asked && [...new Set(asked.flatMap(({ voltages }) => voltages.flat()))];
  const made = smallSignal(circuit, orders, kept);
  if (!made.ok) return made;
  const equations = made.value;
  const cut = stranded(equations, true);
  if (cut) return { ok: false, problems: [cut] };
  const sources = new Set(equations.sources.map(({ id }) => id));
  const strange = drives.find((drive) => drive !== undefined && !sources.has(drive));
  if (strange !== undefined)
    return bad('circuit.source', `There is no source ${strange} in this circuit to drive it with.`, strange);
  const right = drives.map((drive) =>
    excite(equations, (source) => {
      if (drive !== undefined) return [source.id === drive ? 1 : 0, 0];
      const { magnitude: size = 0, degrees = 0 } = source.ac ?? {};
      const angle = (degrees * Math.PI) / 180;
      return [size * Math.cos(angle), size * Math.sin(angle)];
    }),
  );
  const solver = asked ? new Alone(equations, right, asked) : new Whole(equations, right);
  const found = solver.unknowns.map((unknowns) => ({
    unknowns,
    re: new Float64Array(unknowns.length * frequencies.length),
    im: new Float64Array(unknowns.length * frequencies.length),
  }));
  const few =
    asked && drives.length > 0 && frequencies.length >= FEWEST
      ? interpolate(
          equations,
          right,
          asked.map((each) => toldOf(equations, each)),
          frequencies,
          found,
          (hertz) => factorAt(equations, hertz),
        )
      : [...frequencies.keys()];
  if (typeof few === 'number') return { ok: false, problems: [singular(equations, few)] };
  for (const f of few) {
    const lost = factorAt(equations, frequencies[f] as number);
    if (lost !== undefined) return { ok: false, problems: [singular(equations, lost)] };
    solver.solve();
    found.forEach(({ unknowns, re, im }, drive) => solver.take(drive, re, im, f * unknowns.length));
  }
  const nodes = equations.nodes.filter((node) => !node.includes('#'));
  return good(found.map((values) => sweepOf(equations, frequencies, values, nodes)));
}

/** What is left of a solution at each frequency: of these unknowns, frequency by frequency. */
interface Found extends Trace {
  readonly unknowns: readonly number[];
}

function sweepOf(
  { indexOf, branchOf }: Equations,
  frequencies: readonly number[],
  { unknowns, re, im }: Found,
  nodes: readonly NodeName[],
): Sweep {
  const count = unknowns.length;
  // Where everything is told each unknown stands in its own place.
  const placeOf = new Map(unknowns.map((unknown, n) => [unknown, n]));
  const at = (unknown: number | undefined): number | undefined => {
    if (unknown === undefined) return undefined;
    const place = placeOf.get(unknown);
    if (place === undefined) throw new Error(`unknown ${unknown} was not asked for`);
    return place;
  };
  const traceOf = (plus: number | undefined, minus: number | undefined): Trace => {
    const trace = { re: new Float64Array(frequencies.length), im: new Float64Array(frequencies.length) };
    for (let f = 0; f < frequencies.length; f++) {
      trace.re[f] =
        (plus === undefined ? 0 : (re[f * count + plus] as number)) -
        (minus === undefined ? 0 : (re[f * count + minus] as number));
      trace.im[f] =
        (plus === undefined ? 0 : (im[f * count + plus] as number)) -
        (minus === undefined ? 0 : (im[f * count + minus] as number));
    }
    return trace;
  };
  return {
    frequencies,
    voltage: (node, against = GROUND) => traceOf(at(indexOf(node)), at(indexOf(against))),
    current: (id) => traceOf(at(branchOf.get(id)), undefined),
    nodes,
  };
}

/** One sweep with the sources' own alternating parts. */
export function sweep(circuit: Circuit, frequencies: readonly number[]): Result<Sweep> {
  const made = sweeps(circuit, frequencies);
  return made.ok ? good(made.value[0] as Sweep) : made;
}

/** Two nodes that something is measured between. */
export type Port = readonly [NodeName, NodeName];

/** Voltage between two nodes for 1 V or 1 A of one source alone. */
export function transfer(
  circuit: Circuit,
  source: string,
  [to, from]: Port,
  frequencies: readonly number[],
): Result<Trace> {
  const made = sweeps(circuit, frequencies, [source]);
  return made.ok ? good((made.value[0] as Sweep).voltage(to, from)) : made;
}

const PROBE = 'Iprobe#';

/** The impedance between two nodes, Ω, with every source silent: the voltage that 1 A makes. */
export function impedance(circuit: Circuit, [a, b]: Port, frequencies: readonly number[]): Result<Trace> {
  const probed: Circuit = {
    elements: [...circuit.elements, { kind: 'current', id: PROBE, a: b, b: a, dc: 0, ac: { magnitude: 1 } }],
  };
  return transfer(probed, PROBE, [a, b], frequencies);
}

/** Thermal noise of all resistors between two nodes: at each frequency V/√Hz, and over the whole band V. */
export interface Noise {
  readonly frequencies: readonly number[];
  readonly density: readonly number[];
  readonly volts: number;
}

/**
 * Thermal noise, 4kTR of every resistor (J. B. Johnson, H. Nyquist, 1928), carried to the output by one solution of the
 * transposed equations a frequency. The band is summed by trapezia between the frequencies given.
 */
export function noise(
  circuit: Circuit,
  [to, from]: Port,
  frequencies: readonly number[],
  celsius = 20,
): Result<Noise> {
  if (badFrequency(frequencies)) return refuseFrequencies();
  const made = smallSignal(circuit);
  if (!made.ok) return made;
  const equations = made.value;
  const { system, indexOf, elements } = equations;
  const kelvin = celsius + 273.15;
  const resistors = elements.flatMap((each) =>
    each.kind === 'resistor' && !each.silent
      ? [{ a: indexOf(each.a), b: indexOf(each.b), ohms: each.ohms }]
      : [],
  );
  const density: number[] = [];
  for (const hertz of frequencies) {
    const lost = factorAt(equations, hertz);
    if (lost !== undefined) return { ok: false, problems: [singular(equations, lost)] };
    const [re, im] = [new Float64Array(system.size), new Float64Array(system.size)];
    const [plus, minus] = [indexOf(to), indexOf(from)];
    if (plus !== undefined) re[plus] = 1;
    if (minus !== undefined) re[minus] = (re[minus] as number) - 1;
    system.solveTransposed(re, im);
    const at = (values: Float64Array, n: number | undefined): number =>
      n === undefined ? 0 : (values[n] as number);
    const square = resistors.reduce((sum, { a, b, ohms }) => {
      const [x, y] = [at(re, a) - at(re, b), at(im, a) - at(im, b)];
      return sum + ((4 * BOLTZMANN * kelvin) / ohms) * (x * x + y * y);
    }, 0);
    density.push(Math.sqrt(square));
  }
  let power = 0;
  for (let n = 1; n < frequencies.length; n++) {
    const [d0, d1] = [density[n - 1] as number, density[n] as number];
    power += ((d0 * d0 + d1 * d1) / 2) * ((frequencies[n] as number) - (frequencies[n - 1] as number));
  }
  return good({ frequencies, density, volts: Math.sqrt(power) });
}

/** Frequencies evenly spaced in their logarithm, both ends among them, Hz. */
export const logarithmic = (from: number, to: number, points: number): readonly number[] =>
  points < 2 ? [from] : Array.from({ length: points }, (_, n) => from * (to / from) ** (n / (points - 1)));
