import { solveRefined } from './direct';
import { Whole, type Told } from './drives';
import type { Equations } from './equations';
import type { SparseSystem } from './sparse';
import type { Trace } from './trace';
import { Weighing } from './weighing';

/**
 * A circuit at many frequencies, solved at a few. With x(ω) solved at ω₁ … ωₖ, A(ω)·x(ωⱼ) = b + j(ω − ωⱼ)·C·x(ωⱼ); so for
 * any weights y with Σy = 1, Σ yⱼ·x(ωⱼ) lacks Σ j(ω − ωⱼ)·yⱼ·C·x(ωⱼ) of a solution. The weights that make this least are
 * found at each frequency, which comes to interpolation by a rational function, as the answer of a network is one. The next
 * frequency to be solved is where most is lacking; when twice running what was foretold there is what is found there, the
 * rest is as foretold. Least residual over a basis of solutions: Y. Maday, A. T. Patera and others, about 2000, from memory.
 */

/** With fewer frequencies than this each is solved. */
export const FEWEST = 48;

/**
 * As near as this to what is found counts as foretold: beside the value itself, beside the largest of its kind that is told,
 * and beside the largest unknown that such values are differences of, where it is rounding.
 */
const NEAR = { itself: 1e-8, largest: 1e-12, rounding: 1e-13 } as const;

/** Times running that it was foretold. */
const ENOUGH = 2;

/** More than such a part of the frequencies solved, and it would have been quicker to solve each. */
const MOST_SHARE = 0.6;

/** Weights that take so much off each other lose digits: that frequency is solved. */
const MOST_WEIGHT = 1e3;

/** Unknowns smaller than this beside the largest of their kind are not what decides the weights. */
const LEAST = 1e-8;

const RADIANS = 2 * Math.PI;

/** What is told of every drive at one frequency after another. */
export interface Kept {
  readonly unknowns: readonly number[];
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/**
 * Fills what is kept of every drive. `factorAt` factors the equations at a frequency, or tells the unknown that cannot be told
 * there. Gives that unknown, or the places of frequencies that are still to be solved one by one.
 */
export function interpolate(
  equations: Equations,
  sides: readonly Trace[],
  told: readonly Told[],
  frequencies: readonly number[],
  found: readonly Kept[],
  factorAt: (hertz: number) => number | undefined,
): number | readonly number[] {
  const omegas = frequencies.map((hertz) => RADIANS * hertz);
  const basis = new Basis(equations, sides);
  const open = new Set(frequencies.keys());
  const solveAt = (place: number): number | undefined => {
    const lost = factorAt(frequencies[place] as number);
    if (lost !== undefined) return lost;
    basis.add();
    open.delete(place);
    found.forEach((kept, drive) => basis.take(drive, kept, place));
    return undefined;
  };
  const first = starts(frequencies);
  for (const place of first) {
    const lost = solveAt(place);
    if (lost !== undefined) return lost;
  }
  const weighings = sides.map((_, drive) => new Weighing(basis.scaleOf(drive), omegas));
  const weigh = (place: number, n: number): void =>
    weighings.forEach((each, drive) => each.add(basis.lackOf(drive, n), place, open));
  first.forEach(weigh);
  const foretell = (place: number): boolean =>
    found.every((kept, drive) => {
      const y = (weighings[drive] as Weighing).weightsAt(place);
      if (!(size(y) <= MOST_WEIGHT)) return false;
      basis.foretell(y, drive, kept, place);
      return true;
    });
  for (let foretold = 0, n = first.length; open.size > 0 && foretold < ENOUGH; n++) {
    if (n > MOST_SHARE * frequencies.length) return [...open];
    const worst = worstOf(weighings, open);
    const isTold = foretell(worst);
    const guesses = found.map((kept) => valuesAt(kept, worst));
    const lost = solveAt(worst);
    if (lost !== undefined) return lost;
    weigh(worst, n);
    const isNear = found.every((kept, drive) =>
      (told[drive] as Told).every((differences) =>
        areNear(differences, guesses[drive] as Trace, valuesAt(kept, worst), kept),
      ),
    );
    foretold = isTold && isNear ? foretold + 1 : 0;
  }
  return [...open].filter((place) => !foretell(place));
}

/** Of the places that are open the one where most is lacking. */
function worstOf(weighings: readonly Weighing[], open: ReadonlySet<number>): number {
  let [worst, most] = [-1, -1];
  for (const place of open)
    for (const each of weighings) {
      const lack = each.lackAt(place);
      // Written so that what is no number is the most.
      if (!(lack <= most)) [worst, most] = [place, lack];
    }
  return worst;
}

/** Both ends, and what lies in the middle by its logarithm. */
function starts(frequencies: readonly number[]): readonly number[] {
  const order = [...frequencies.keys()].sort((a, b) => (frequencies[a] ?? 0) - (frequencies[b] ?? 0));
  const [first = 0, last = 0] = [order[0], order.at(-1)];
  const middle = Math.sqrt((frequencies[first] as number) * (frequencies[last] as number));
  const between = order.find((place) => (frequencies[place] as number) >= middle) ?? first;
  return [...new Set([between, first, last])];
}

const size = ({ re, im }: Trace): number =>
  re.reduce((sum, each, n) => sum + Math.hypot(each, im[n] as number), 0);

function valuesAt({ unknowns, re, im }: Kept, place: number): Trace {
  const from = place * unknowns.length;
  return { re: re.slice(from, from + unknowns.length), im: im.slice(from, from + unknowns.length) };
}

/** Whether differences of what was foretold are those of what was found. */
function areNear(differences: Told[number], guess: Trace, value: Trace, { unknowns }: Kept): boolean {
  const placeOf = new Map(unknowns.map((unknown, n) => [unknown, n]));
  const at = (values: Float64Array, unknown: number | undefined): number =>
    unknown === undefined ? 0 : (values[placeOf.get(unknown) as number] as number);
  const all = differences.map(([plus, minus]) => {
    const part = (values: Float64Array): number => at(values, plus) - at(values, minus);
    const from = [plus, minus].map((unknown) => Math.hypot(at(value.re, unknown), at(value.im, unknown)));
    return {
      size: Math.hypot(part(value.re), part(value.im)),
      from: Math.max(...from),
      off: Math.hypot(part(guess.re) - part(value.re), part(guess.im) - part(value.im)),
    };
  });
  const largest = Math.max(0, ...all.map((each) => each.size));
  const least = NEAR.largest * largest + NEAR.rounding * Math.max(0, ...all.map((each) => each.from));
  // Written so that what is no number is not near.
  return all.every((each) => each.off <= NEAR.itself * each.size + least);
}

/** What was solved so far, of all drives together: of each row their values stand beside each other. */
class Basis {
  private readonly whole: Whole;
  private readonly solutions: Trace[] = [];
  /** A₀⁻¹·C·x of each, A₀ the equations where the first was solved: what it lacks elsewhere, as an error of the unknowns. */
  private readonly lacks: Trace[] = [];
  private base: SparseSystem | undefined;
  private readonly isBranch: Uint8Array;

  constructor(
    private readonly equations: Equations,
    private readonly sides: readonly Trace[],
  ) {
    this.whole = new Whole(equations, sides);
    this.isBranch = new Uint8Array(equations.system.size);
    for (const unknown of equations.branchOf.values()) this.isBranch[unknown] = 1;
  }

  /** Solves at the frequency that the equations are factored at. */
  add(): void {
    const { system, c } = this.equations;
    const count = this.sides.length;
    this.whole.solve();
    this.base ??= system.kept();
    const x = { re: this.whole.re.slice(), im: this.whole.im.slice() };
    const by = { re: new Float64Array(x.re.length), im: new Float64Array(x.im.length) };
    for (let slot = 0; slot < c.length; slot++) {
      const value = c[slot] as number;
      if (value === 0) continue;
      const row = (system.rows[slot] as number) * count;
      const column = (system.columns[slot] as number) * count;
      for (let d = 0; d < count; d++) {
        by.re[row + d] = (by.re[row + d] as number) + value * (x.re[column + d] as number);
        by.im[row + d] = (by.im[row + d] as number) + value * (x.im[column + d] as number);
      }
    }
    const lack = { re: new Float64Array(x.re.length), im: new Float64Array(x.im.length) };
    solveRefined({ system: this.base }, lack.re, lack.im, by, count);
    this.solutions.push(x);
    this.lacks.push(lack);
  }

  /** Puts what was solved last where it is kept. */
  take(drive: number, { unknowns, re, im }: Kept, place: number): void {
    const count = this.sides.length;
    const last = this.solutions.at(-1) as Trace;
    unknowns.forEach((unknown, n) => {
      re[place * unknowns.length + n] = last.re[unknown * count + drive] as number;
      im[place * unknowns.length + n] = last.im[unknown * count + drive] as number;
    });
  }

  /** Puts what weights make of what was solved where it is kept. */
  foretell(y: Trace, drive: number, { unknowns, re, im }: Kept, place: number): void {
    const count = this.sides.length;
    const from = place * unknowns.length;
    re.fill(0, from, from + unknowns.length);
    im.fill(0, from, from + unknowns.length);
    this.solutions.forEach((x, j) => {
      const yRe = y.re[j] as number;
      const yIm = y.im[j] as number;
      for (let n = 0; n < unknowns.length; n++) {
        const at = (unknowns[n] as number) * count + drive;
        const xRe = x.re[at] as number;
        const xIm = x.im[at] as number;
        re[from + n] = (re[from + n] as number) + yRe * xRe - yIm * xIm;
        im[from + n] = (im[from + n] as number) + yRe * xIm + yIm * xRe;
      }
    });
  }

  /** What solution n of a drive lacks away from its own frequency. */
  lackOf(drive: number, n: number): Trace {
    const count = this.sides.length;
    const { re, im } = this.lacks[n] as Trace;
    const own = (values: Float64Array): Float64Array =>
      Float64Array.from({ length: values.length / count }, (_, i) => values[i * count + drive] as number);
    return { re: own(re), im: own(im) };
  }

  /** One over the largest that each unknown was so far, volts and amperes each beside their own. */
  scaleOf(drive: number): Float64Array {
    const count = this.sides.length;
    const { size } = this.equations.system;
    const scale = new Float64Array(size);
    const largest = [0, 0];
    for (let i = 0; i < size; i++) {
      const at = i * count + drive;
      for (const { re, im } of this.solutions)
        scale[i] = Math.max(scale[i] as number, Math.abs(re[at] as number) + Math.abs(im[at] as number));
      const kind = this.isBranch[i] as number;
      largest[kind] = Math.max(largest[kind] as number, scale[i] as number);
    }
    return scale.map((each, i) => {
      const least = LEAST * (largest[this.isBranch[i] as number] as number);
      return 1 / Math.max(each, least, Number.MIN_VALUE);
    });
  }
}
