import type { Trace } from './trace';

/** What is left over of a column is rounding where it is this much smaller, and no direction of its own. */
const ROUNDING = 1e-14;

/**
 * The weights of what was solved of one drive, at every frequency those that leave the least lacking: with the columns of what
 * each solution lacks as Q·R, of all z with Σ zⱼ/(ω − ωⱼ) = 1 the one of least |R·z|, yⱼ = zⱼ/(ω − ωⱼ). One column after the
 * other is added to R, and to R⁻ᴴ·(1/(ω − ωⱼ)) at each frequency.
 */
export class Weighing {
  private readonly solved: number[] = [];
  private readonly directions: Trace[] = [];
  /** R by columns, as far as its diagonal. */
  private readonly triangle: Trace[] = [];
  /** R⁻ᴴ·(1/(ω − ωⱼ)) by columns: at each frequency. */
  private readonly reach: Trace[] = [];
  private readonly square: Float64Array;

  constructor(
    private readonly scale: Float64Array,
    private readonly omegas: readonly number[],
  ) {
    this.square = new Float64Array(omegas.length);
  }

  /** Takes in what the solution at a place lacks; it is told at the places that are open. */
  add(column: Trace, place: number, open: ReadonlySet<number>): void {
    const { scale, omegas, triangle, reach, square } = this;
    for (let i = 0; i < scale.length; i++) {
      column.re[i] = (column.re[i] as number) * (scale[i] as number);
      column.im[i] = (column.im[i] as number) * (scale[i] as number);
    }
    const side = this.directions.length;
    const own = { re: new Float64Array(side + 1), im: new Float64Array(side + 1) };
    const before = norm(column);
    // Twice: what rounding left in a direction that is gone already would be taken for one of its own (W. Kahan, from memory).
    for (let time = 0; time < 2; time++)
      this.directions.forEach((direction, j) => {
        const [re, im] = takeOff(column, direction);
        own.re[j] = (own.re[j] as number) + re;
        own.im[j] = (own.im[j] as number) + im;
      });
    const left = norm(column);
    const isRounding = left <= ROUNDING * before;
    const pivot = isRounding ? Math.max(ROUNDING * before, Number.MIN_VALUE) : left;
    own.re[side] = pivot;
    const share = isRounding ? 0 : 1 / pivot;
    for (let i = 0; i < scale.length; i++) {
      column.re[i] = (column.re[i] as number) * share;
      column.im[i] = (column.im[i] as number) * share;
    }
    const here = { re: new Float64Array(omegas.length), im: new Float64Array(omegas.length) };
    for (const f of open) {
      let sumRe = 1 / ((omegas[f] as number) - (omegas[place] as number));
      let sumIm = 0;
      for (let j = 0; j < side; j++) {
        const w = reach[j] as Trace;
        const rRe = own.re[j] as number;
        const rIm = own.im[j] as number;
        const wRe = w.re[f] as number;
        const wIm = w.im[f] as number;
        sumRe -= rRe * wRe + rIm * wIm;
        sumIm -= rRe * wIm - rIm * wRe;
      }
      sumRe /= pivot;
      sumIm /= pivot;
      here.re[f] = sumRe;
      here.im[f] = sumIm;
      square[f] = (square[f] as number) + sumRe * sumRe + sumIm * sumIm;
    }
    this.solved.push(place);
    this.directions.push(column);
    triangle.push(own);
    reach.push(here);
  }

  /** What is lacking at a place however it is weighed. */
  lackAt(place: number): number {
    return 1 / Math.sqrt(this.square[place] as number);
  }

  weightsAt(place: number): Trace {
    const { omegas, triangle, reach } = this;
    const side = triangle.length;
    const y = { re: new Float64Array(side), im: new Float64Array(side) };
    for (let i = side - 1; i >= 0; i--) {
      const w = reach[i] as Trace;
      let sumRe = w.re[place] as number;
      let sumIm = w.im[place] as number;
      for (let j = i + 1; j < side; j++) {
        const column = triangle[j] as Trace;
        const rRe = column.re[i] as number;
        const rIm = column.im[i] as number;
        sumRe -= rRe * (y.re[j] as number) - rIm * (y.im[j] as number);
        sumIm -= rRe * (y.im[j] as number) + rIm * (y.re[j] as number);
      }
      const pivot = (triangle[i] as Trace).re[i] as number;
      y.re[i] = sumRe / pivot;
      y.im[i] = sumIm / pivot;
    }
    const square = this.square[place] as number;
    this.solved.forEach((each, j) => {
      const share = 1 / (square * ((omegas[place] as number) - (omegas[each] as number)));
      y.re[j] = (y.re[j] as number) * share;
      y.im[j] = (y.im[j] as number) * share;
    });
    return y;
  }
}

const norm = ({ re, im }: Trace): number => {
  let sum = 0;
  for (let n = 0; n < re.length; n++) sum += (re[n] as number) ** 2 + (im[n] as number) ** 2;
  return Math.sqrt(sum);
};

/** Takes what a column has of a direction off it; gives how much that was. */
function takeOff(column: Trace, direction: Trace): readonly [number, number] {
  const { re, im } = column;
  const { re: qRe, im: qIm } = direction;
  let [sumRe, sumIm] = [0, 0];
  for (let n = 0; n < re.length; n++) {
    sumRe += (qRe[n] as number) * (re[n] as number) + (qIm[n] as number) * (im[n] as number);
    sumIm += (qRe[n] as number) * (im[n] as number) - (qIm[n] as number) * (re[n] as number);
  }
  for (let n = 0; n < re.length; n++) {
    re[n] = (re[n] as number) - (sumRe * (qRe[n] as number) - sumIm * (qIm[n] as number));
    im[n] = (im[n] as number) - (sumRe * (qIm[n] as number) + sumIm * (qRe[n] as number));
  }
  return [sumRe, sumIm];
}
