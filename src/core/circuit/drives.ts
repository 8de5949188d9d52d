import { solveRefined } from './direct';
import type { NodeName } from './elements';
import type { Equations } from './equations';
import type { Path } from './route';
import type { Trace } from './trace';

/** What is asked of one sweep alone: voltages from node to node, and currents of elements. Anything else is then not told. */
export interface Asked {
  readonly voltages: readonly (readonly [NodeName, NodeName])[];
  readonly currents: readonly string[];
}

/** Solves all drives at the frequency that the equations are factored at. */
export interface Solver {
  /** Which unknowns are told of each drive. */
  readonly unknowns: readonly (readonly number[])[];
  readonly solve: () => void;
  /** Puts what was found of a drive where it is kept. */
  readonly take: (drive: number, re: Float64Array, im: Float64Array, at: number) => void;
}

/** Everything of every drive, all drives together. */
export class Whole implements Solver {
  readonly unknowns: readonly (readonly number[])[];
  private readonly right: Trace;
  readonly re: Float64Array;
  readonly im: Float64Array;

  constructor(
    private readonly equations: Equations,
    sides: readonly Trace[],
  ) {
    const { size } = equations.system;
    this.right = together(sides, size);
    this.re = new Float64Array(this.right.re.length);
    this.im = new Float64Array(this.right.im.length);
    const all = Array.from({ length: size }, (_, n) => n);
    this.unknowns = sides.map(() => all);
  }

  solve(): void {
    solveRefined(this.equations, this.re, this.im, this.right, this.unknowns.length);
  }

  take(drive: number, re: Float64Array, im: Float64Array, at: number): void {
    const own = this.solutionOf(drive);
    re.set(own.re, at);
    im.set(own.im, at);
  }

  /** Everything of one drive. */
  solutionOf(drive: number): Trace {
    const sides = this.unknowns.length;
    if (sides === 1) return this;
    const { size } = this.equations.system;
    const [re, im] = [new Float64Array(size), new Float64Array(size)];
    for (let n = 0; n < size; n++) {
      re[n] = this.re[n * sides + drive] as number;
      im[n] = this.im[n * sides + drive] as number;
    }
    return { re, im };
  }
}

/** Two unknowns, the second taken off the first; ground has none. */
type Difference = readonly [number | undefined, number | undefined];

/** What is told of a drive: differences of voltages, and currents. */
export type Told = readonly (readonly Difference[])[];

/** What is asked of a drive, by its unknowns. */
export const toldOf = ({ indexOf, branchOf }: Equations, { voltages, currents }: Asked): Told => [
  voltages.map(([a, b]): Difference => [indexOf(a), indexOf(b)]),
  currents.map((id): Difference => [branchOf.get(id), undefined]),
];

/**
 * What rounding may do beside the largest of what is asked before everything is solved whole: to voltages, 200 dB under it, since
 * hum and crosstalk are read from them; to currents, which are read to a few digits.
 */
const ROUNDING = { voltages: 1e-10, currents: 1e-7 } as const;

/**
 * What was asked of every drive, each along its own way through the elimination. What rounding does at a frequency is seen
 * on everything driven at once: by how much a second, refined solution moves what is asked.
 */
export class Alone implements Solver {
  readonly unknowns: readonly (readonly number[])[];
  /** All that is asked, of whatever drive: voltages and currents. */
  private readonly told: Told;
  private readonly paths: readonly Path[];
  private readonly at: readonly Trace[];
  private readonly every: Trace;
  private readonly together: Trace;
  /** Everything of every drive, where rounding asks for it. */
  private whole: Whole | undefined;
  private isRough = false;

  constructor(
    private readonly equations: Equations,
    private readonly sides: readonly Trace[],
    asked: readonly Asked[],
  ) {
    const { system } = equations;
    const empty = (): Trace => ({ re: new Float64Array(system.size), im: new Float64Array(system.size) });
    const told = asked.map((each) => toldOf(equations, each));
    this.unknowns = told.map((each) => [...new Set(each.flat(2).filter((unknown) => unknown !== undefined))]);
    this.told = [told.flatMap(([voltages = []]) => voltages), told.flatMap(([, currents = []]) => currents)];
    this.paths = sides.map((side, drive) => ({ rows: rowsOf(side), unknowns: this.unknowns[drive] ?? [] }));
    this.at = sides.map(empty);
    this.every = empty();
    this.together = empty();
    // Each a little more than the one before: alike ones could cancel each other.
    sides.forEach(({ re, im }, drive) => {
      const share = 1 + drive / sides.length;
      for (const n of (this.paths[drive] as Path).rows) {
        this.every.re[n] = (this.every.re[n] as number) + share * (re[n] as number);
        this.every.im[n] = (this.every.im[n] as number) + share * (im[n] as number);
      }
    });
  }

  solve(): void {
    const [voltages = 0, currents = 0] = this.rounding();
    // Written so that what is no number is rough.
    this.isRough = !(voltages <= ROUNDING.voltages && currents <= ROUNDING.currents);
    if (this.isRough) return (this.whole ??= new Whole(this.equations, this.sides)).solve();
    const { system } = this.equations;
    this.sides.forEach((side, drive) =>
      system.solveAlong(this.paths[drive] as Path, side, this.at[drive] as Trace),
    );
  }

  /** By how much refining moves what is asked, beside the largest of it: of voltages and of currents. */
  private rounding(): readonly number[] {
    const { system } = this.equations;
    const { re, im } = this.together;
    re.set(this.every.re);
    im.set(this.every.im);
    system.solve(re, im);
    system.lacking(re, im, this.every.re, this.every.im);
    const { restRe, restIm } = system;
    system.solve(restRe, restIm);
    const largest = [0, 0];
    const moved = [0, 0];
    const at = (values: Float64Array, [plus, minus]: Difference): number =>
      (plus === undefined ? 0 : (values[plus] as number)) -
      (minus === undefined ? 0 : (values[minus] as number));
    this.told.forEach((differences, kind) => {
      for (const each of differences) {
        const size = Math.abs(at(re, each)) + Math.abs(at(im, each));
        const rest = Math.abs(at(restRe, each)) + Math.abs(at(restIm, each));
        // Written so that what is no number is the most.
        if (!(size <= (largest[kind] as number))) largest[kind] = size;
        if (!(rest <= (moved[kind] as number))) moved[kind] = rest;
      }
    });
    return moved.map((each, kind) => (each === 0 ? 0 : each / (largest[kind] as number)));
  }

  take(drive: number, re: Float64Array, im: Float64Array, into: number): void {
    const at = this.isRough && this.whole ? this.whole.solutionOf(drive) : (this.at[drive] as Trace);
    (this.unknowns[drive] ?? []).forEach((unknown, n) => {
      re[into + n] = at.re[unknown] as number;
      im[into + n] = at.im[unknown] as number;
    });
  }
}

/** The rows of a right side that are not nothing. */
function rowsOf({ re, im }: Trace): readonly number[] {
  const rows: number[] = [];
  for (let row = 0; row < re.length; row++) if (re[row] !== 0 || im[row] !== 0) rows.push(row);
  return rows;
}

/** Right sides row by row, those of one row beside each other. */
function together(sides: readonly Trace[], size: number): Trace {
  const count = sides.length;
  const [re, im] = [new Float64Array(size * count), new Float64Array(size * count)];
  sides.forEach((side, d) => {
    for (let row = 0; row < size; row++) {
      re[row * count + d] = side.re[row] as number;
      im[row * count + d] = side.im[row] as number;
    }
  });
  return { re, im };
}
