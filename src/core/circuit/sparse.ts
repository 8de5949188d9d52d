/* eslint max-lines: off -- one factorisation: its filling and its ways of being solved share their arrays. */
import { planFor, type Orders, type Plan } from './order';
import { routeOf, type Path } from './route';
import type { Trace } from './trace';

/**
 * Sparse systems of complex linear equations whose pattern stays while their values change: the equations of a circuit
 * at one frequency after another. The order of elimination is chosen once; after that every further factoring runs along
 * fixed lists.
 */

/** Where a value stands: its place in {@link Values}. Found by {@link SparseSystem.slot}. */
export type Slot = number;

/** A multiplier that has grown beyond this, where a hundred was the most that was chosen, asks for a new order. */
const STALE = 1e4;

export class SparseSystem {
  readonly size: number;
  private readonly slotAt: Map<number, Slot>;
  readonly rows: number[];
  readonly columns: number[];
  /** Values of the matrix, by slot. */
  re = new Float64Array(0);
  im = new Float64Array(0);
  private plan: Plan | undefined;
  private luRe = new Float64Array(0);
  private luIm = new Float64Array(0);
  private workRe: Float64Array;
  private workIm: Float64Array;
  /** What the last solution that was checked lacks. */
  restRe: Float64Array;
  restIm: Float64Array;
  private scale: Float64Array;

  /** Equations of the same pattern, solved one after the other, may share their orders. */
  constructor(
    size: number,
    private readonly orders?: Orders,
    pattern?: SparseSystem,
  ) {
    this.size = size;
    this.slotAt = pattern?.slotAt ?? new Map<number, Slot>();
    this.rows = pattern?.rows ?? [];
    this.columns = pattern?.columns ?? [];
    this.workRe = new Float64Array(size);
    this.workIm = new Float64Array(size);
    this.restRe = new Float64Array(size);
    this.restIm = new Float64Array(size);
    this.scale = new Float64Array(size);
  }

  /** The slot of a place of the matrix. All slots are asked for before the first value is put. */
  slot(row: number, column: number): Slot {
    const key = row * this.size + column;
    const known = this.slotAt.get(key);
    if (known !== undefined) return known;
    const slot = this.rows.length;
    this.slotAt.set(key, slot);
    this.rows.push(row);
    this.columns.push(column);
    return slot;
  }

  /** How many places L and U have together: what a good order keeps small. After {@link factor}. */
  get filled(): number {
    return this.planned().columns.length;
  }

  /** Makes room for the values of all slots, and sets them to nothing. */
  clear(): void {
    if (this.re.length === this.rows.length) {
      this.re.fill(0);
      this.im.fill(0);
    } else {
      this.re = new Float64Array(this.rows.length);
      this.im = new Float64Array(this.rows.length);
    }
  }

  /** Factors the present values. Returns the column that has no equation left, or nothing where all is well. */
  factor(): number | undefined {
    if (this.plan && this.refactor(this.plan, STALE)) return undefined;
    const known = this.plan ? undefined : this.orders?.find(this);
    if (known) {
      this.follow(known);
      if (this.refactor(known, STALE)) return undefined;
    }
    const planned = planFor(this);
    if (typeof planned === 'number') return planned;
    this.orders?.keep(this, planned);
    this.follow(planned);
    this.refactor(planned, Infinity);
    return undefined;
  }

  /** Another of the same pattern, with no values yet: neither is asked for another slot after this. */
  alike(): SparseSystem {
    return new SparseSystem(this.size, this.orders, this);
  }

  /** The same with its present values, factored, whatever is put and factored here later. After {@link factor}. */
  kept(): SparseSystem {
    const other = this.alike();
    other.re = this.re.slice();
    other.im = this.im.slice();
    other.plan = this.planned();
    other.luRe = this.luRe.slice();
    other.luIm = this.luIm.slice();
    return other;
  }

  private follow(plan: Plan): void {
    this.plan = plan;
    this.luRe = new Float64Array(plan.columns.length);
    this.luIm = new Float64Array(plan.columns.length);
  }

  /**
   * The solutions of A·x = right, complex, in place, for several right sides together: of each row the values of all of them
   * stand beside each other. After {@link factor}.
   */
  solve(re: Float64Array, im: Float64Array, sides = 1): void {
    const plan = this.planned();
    const { rowOf, columnOf, starts, diagonals, columns } = plan;
    const { luRe, luIm, size } = this;
    this.makeRoom(sides);
    const { workRe, workIm } = this;
    for (let i = 0; i < size; i++) {
      const from = (rowOf[i] as number) * sides;
      const into = i * sides;
      for (let d = 0; d < sides; d++) {
        workRe[into + d] = re[from + d] as number;
        workIm[into + d] = im[from + d] as number;
      }
      this.takeOff(starts[i] as number, diagonals[i] as number, columns, into, sides);
    }
    for (let i = size - 1; i >= 0; i--) {
      const diagonal = diagonals[i] as number;
      const into = i * sides;
      this.takeOff(diagonal + 1, starts[i + 1] as number, columns, into, sides);
      const dRe = luRe[diagonal] as number;
      const dIm = luIm[diagonal] as number;
      const square = dRe * dRe + dIm * dIm;
      const column = (columnOf[i] as number) * sides;
      for (let d = 0; d < sides; d++) {
        const sumRe = workRe[into + d] as number;
        const sumIm = workIm[into + d] as number;
        const xRe = (sumRe * dRe + sumIm * dIm) / square;
        const xIm = (sumIm * dRe - sumRe * dIm) / square;
        workRe[into + d] = xRe;
        workIm[into + d] = xIm;
        re[column + d] = xRe;
        im[column + d] = xIm;
      }
    }
  }

  /**
   * The solution of A·x = right in some unknowns: the values of `path.unknowns` are put into `into`, and nothing else. The right
   * side is nothing but in `path.rows`. After {@link factor}.
   */
  solveAlong(path: Path, right: Trace, into: Trace): void {
    const plan = this.planned();
    if (path.route?.plan !== plan) path.route = routeOf(plan, this.size, path);
    const { reached, starts, places, closure } = path.route;
    const { columns, rowOf, diagonals } = plan;
    const { workRe, workIm, luRe, luIm } = this;
    for (let n = 0; n < closure.length; n++) {
      workRe[closure[n] as number] = 0;
      workIm[closure[n] as number] = 0;
    }
    for (let n = 0; n < reached.length; n++) {
      const i = reached[n] as number;
      let sumRe = right.re[rowOf[i] as number] as number;
      let sumIm = right.im[rowOf[i] as number] as number;
      const end = starts[n + 1] as number;
      for (let q = starts[n] as number; q < end; q++) {
        const p = places[q] as number;
        const k = columns[p] as number;
        const lRe = luRe[p] as number;
        const lIm = luIm[p] as number;
        const xRe = workRe[k] as number;
        const xIm = workIm[k] as number;
        sumRe -= lRe * xRe - lIm * xIm;
        sumIm -= lRe * xIm + lIm * xRe;
      }
      workRe[i] = sumRe;
      workIm[i] = sumIm;
    }
    for (let n = closure.length - 1; n >= 0; n--) {
      const i = closure[n] as number;
      const diagonal = diagonals[i] as number;
      this.takeOff(diagonal + 1, plan.starts[i + 1] as number, columns, i, 1);
      const dRe = luRe[diagonal] as number;
      const dIm = luIm[diagonal] as number;
      const sumRe = workRe[i] as number;
      const sumIm = workIm[i] as number;
      const square = dRe * dRe + dIm * dIm;
      workRe[i] = (sumRe * dRe + sumIm * dIm) / square;
      workIm[i] = (sumIm * dRe - sumRe * dIm) / square;
    }
    for (const unknown of path.unknowns) {
      const at = plan.stepOfColumn[unknown] as number;
      into.re[unknown] = workRe[at] as number;
      into.im[unknown] = workIm[at] as number;
    }
  }

  /** Takes the products of some places of a row of L or U with what is known off what stands in the work at `into`. */
  private takeOff(start: number, end: number, columns: Int32Array, into: number, sides: number): void {
    const { workRe, workIm, luRe, luIm } = this;
    if (sides === 1) {
      let sumRe = workRe[into] as number;
      let sumIm = workIm[into] as number;
      for (let p = start; p < end; p++) {
        const k = columns[p] as number;
        const lRe = luRe[p] as number;
        const lIm = luIm[p] as number;
        const xRe = workRe[k] as number;
        const xIm = workIm[k] as number;
        sumRe -= lRe * xRe - lIm * xIm;
        sumIm -= lRe * xIm + lIm * xRe;
      }
      workRe[into] = sumRe;
      workIm[into] = sumIm;
      return;
    }
    for (let p = start; p < end; p++) {
      const k = (columns[p] as number) * sides;
      const lRe = luRe[p] as number;
      const lIm = luIm[p] as number;
      for (let d = 0; d < sides; d++) {
        const xRe = workRe[k + d] as number;
        const xIm = workIm[k + d] as number;
        workRe[into + d] = (workRe[into + d] as number) - (lRe * xRe - lIm * xIm);
        workIm[into + d] = (workIm[into + d] as number) - (lRe * xIm + lIm * xRe);
      }
    }
  }

  /** Room for so many right sides at a time. */
  private makeRoom(sides: number): void {
    if (this.workRe.length >= this.size * sides) return;
    this.workRe = new Float64Array(this.size * sides);
    this.workIm = new Float64Array(this.size * sides);
    this.restRe = new Float64Array(this.size * sides);
    this.restIm = new Float64Array(this.size * sides);
    this.scale = new Float64Array(this.size * sides);
  }

  /** The solution of Aᵀ·x = right (transposed, not conjugated), in place. After {@link factor}. */
  solveTransposed(re: Float64Array, im: Float64Array): void {
    const plan = this.planned();
    const { workRe, workIm, luRe, luIm, size } = this;
    for (let i = 0; i < size; i++) {
      const column = plan.columnOf[i] as number;
      workRe[i] = re[column] as number;
      workIm[i] = im[column] as number;
    }
    for (let i = 0; i < size; i++) {
      const diagonal = plan.diagonals[i] as number;
      const dRe = luRe[diagonal] as number;
      const dIm = luIm[diagonal] as number;
      const square = dRe * dRe + dIm * dIm;
      const bRe = workRe[i] as number;
      const bIm = workIm[i] as number;
      const xRe = (bRe * dRe + bIm * dIm) / square;
      const xIm = (bIm * dRe - bRe * dIm) / square;
      workRe[i] = xRe;
      workIm[i] = xIm;
      const end = plan.starts[i + 1] as number;
      for (let p = diagonal + 1; p < end; p++) {
        const k = plan.columns[p] as number;
        const uRe = luRe[p] as number;
        const uIm = luIm[p] as number;
        workRe[k] = (workRe[k] as number) - (uRe * xRe - uIm * xIm);
        workIm[k] = (workIm[k] as number) - (uRe * xIm + uIm * xRe);
      }
    }
    for (let i = size - 1; i >= 0; i--) {
      const xRe = workRe[i] as number;
      const xIm = workIm[i] as number;
      const end = plan.diagonals[i] as number;
      for (let p = plan.starts[i] as number; p < end; p++) {
        const k = plan.columns[p] as number;
        const lRe = luRe[p] as number;
        const lIm = luIm[p] as number;
        workRe[k] = (workRe[k] as number) - (lRe * xRe - lIm * xIm);
        workIm[k] = (workIm[k] as number) - (lRe * xIm + lIm * xRe);
      }
    }
    for (let i = 0; i < size; i++) {
      const row = plan.rowOf[i] as number;
      re[row] = workRe[i] as number;
      im[row] = workIm[i] as number;
    }
  }

  /**
   * What A·x lacks of each right side, for the present values, in {@link restRe} and {@link restIm}. Gives how much that is
   * beside the numbers it came from, in the row where it is most: the backward error of a solution by components
   * (W. Oettli, W. Prager, 1964, from memory). Of several the worst.
   */
  lacking(
    re: Float64Array,
    im: Float64Array,
    rightRe: Float64Array,
    rightIm: Float64Array,
    sides = 1,
  ): number {
    this.makeRoom(sides);
    const { rows, columns, re: aRe, im: aIm, restRe, restIm, scale } = this;
    const all = this.size * sides;
    for (let n = 0; n < all; n++) {
      const bRe = rightRe[n] as number;
      const bIm = rightIm[n] as number;
      restRe[n] = bRe;
      restIm[n] = bIm;
      scale[n] = Math.abs(bRe) + Math.abs(bIm);
    }
    for (let slot = 0; slot < rows.length; slot++) {
      const row = (rows[slot] as number) * sides;
      const column = (columns[slot] as number) * sides;
      const gRe = aRe[slot] as number;
      const gIm = aIm[slot] as number;
      const gSize = Math.abs(gRe) + Math.abs(gIm);
      for (let d = 0; d < sides; d++) {
        const xRe = re[column + d] as number;
        const xIm = im[column + d] as number;
        restRe[row + d] = (restRe[row + d] as number) - (gRe * xRe - gIm * xIm);
        restIm[row + d] = (restIm[row + d] as number) - (gRe * xIm + gIm * xRe);
        scale[row + d] = (scale[row + d] as number) + gSize * (Math.abs(xRe) + Math.abs(xIm));
      }
    }
    let most = 0;
    for (let n = 0; n < all; n++) {
      const lack = Math.abs(restRe[n] as number) + Math.abs(restIm[n] as number);
      if (lack === 0) continue;
      const share = lack / (scale[n] as number);
      if (!(share <= most)) most = share;
    }
    return most;
  }

  private planned(): Plan {
    if (!this.plan) throw new Error('a system is factored before it is solved');
    return this.plan;
  }

  /** Factors along the fixed lists; false where a multiplier has grown beyond what this order stands. */
  private refactor(plan: Plan, most: number): boolean {
    const { workRe, workIm, luRe, luIm, size, re, im } = this;
    const { starts, diagonals, columns, slotStarts, slots, slotSteps } = plan;
    for (let i = 0; i < size; i++) {
      const start = starts[i] as number;
      const end = starts[i + 1] as number;
      const diagonal = diagonals[i] as number;
      for (let p = start; p < end; p++) {
        const column = columns[p] as number;
        workRe[column] = 0;
        workIm[column] = 0;
      }
      const slotEnd = slotStarts[i + 1] as number;
      for (let s = slotStarts[i] as number; s < slotEnd; s++) {
        const slot = slots[s] as number;
        const step = slotSteps[s] as number;
        workRe[step] = re[slot] as number;
        workIm[step] = im[slot] as number;
      }
      for (let p = start; p < diagonal; p++) {
        const k = columns[p] as number;
        const pivot = diagonals[k] as number;
        const dRe = luRe[pivot] as number;
        const dIm = luIm[pivot] as number;
        const aRe = workRe[k] as number;
        const aIm = workIm[k] as number;
        const square = dRe * dRe + dIm * dIm;
        const lRe = (aRe * dRe + aIm * dIm) / square;
        const lIm = (aIm * dRe - aRe * dIm) / square;
        luRe[p] = lRe;
        luIm[p] = lIm;
        // Written so that what is no number fails too.
        if (!(Math.abs(lRe) + Math.abs(lIm) <= most)) return false;
        if (lRe === 0 && lIm === 0) continue;
        const rowEnd = starts[k + 1] as number;
        for (let q = pivot + 1; q < rowEnd; q++) {
          const column = columns[q] as number;
          const uRe = luRe[q] as number;
          const uIm = luIm[q] as number;
          workRe[column] = (workRe[column] as number) - (lRe * uRe - lIm * uIm);
          workIm[column] = (workIm[column] as number) - (lRe * uIm + lIm * uRe);
        }
      }
      for (let p = diagonal; p < end; p++) {
        const column = columns[p] as number;
        luRe[p] = workRe[column] as number;
        luIm[p] = workIm[column] as number;
      }
    }
    return true;
  }
}
