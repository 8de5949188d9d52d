/* eslint max-lines: off -- one factorisation: its order, its filling and its solving share their arrays. */
/**
 * Sparse systems of complex linear equations whose pattern stays while their values change: the equations of a circuit
 * at one frequency after another. The order of elimination is chosen once (Markowitz's count of fill, with threshold
 * pivoting by columns: I. S. Duff, A. M. Erisman, J. K. Reid, “Direct Methods for Sparse Matrices”, from memory); after
 * that every further factoring runs along fixed lists.
 */

/** Where a value stands: its place in {@link Values}. Found by {@link SparseSystem.slot}. */
export type Slot = number;

/** A pivot may be this much smaller than the largest of its column if that saves fill. */
const THRESHOLD = 0.01;
/** A pivot that is this small beside the numbers it came from is what rounding left of nothing. */
const VANISHED = 1e-13;
/** A multiplier that has grown beyond this, where a hundred was the most that was chosen, asks for a new order. */
const STALE = 1e4;

interface Entry {
  re: number;
  im: number;
  /** The largest number that went into it: what its rounding is relative to. */
  size: number;
}

/** An elimination in fixed order. Rows of L and U by step, columns as steps. */
interface Plan {
  readonly rowOf: Int32Array;
  readonly columnOf: Int32Array;
  /** For each step: where its row starts in `columns`, where its U part (the pivot first) starts. */
  readonly starts: Int32Array;
  readonly diagonals: Int32Array;
  readonly columns: Int32Array;
  /** For each step: the slots of the matrix's own values in its row, and the steps of their columns. */
  readonly slotStarts: Int32Array;
  readonly slots: Int32Array;
  readonly slotSteps: Int32Array;
}

/** Columns that have no pivot yet, by how many rows they have. */
class ByCount {
  readonly columns: Set<number>[] = [];
  private readonly counts: number[];

  constructor(counts: readonly number[]) {
    this.counts = [...counts];
    counts.forEach((count, column) => this.at(count).add(column));
  }

  /** A column has so many rows now; one that is closed stays so. */
  count(column: number, count: number): void {
    const before = this.counts[column] as number;
    if (before < 0 || before === count) return;
    this.at(before).delete(column);
    this.at(count).add(column);
    this.counts[column] = count;
  }

  close(column: number): void {
    this.at(this.counts[column] as number).delete(column);
    this.counts[column] = -1;
  }

  private at(count: number): Set<number> {
    while (this.columns.length <= count) this.columns.push(new Set());
    return this.columns[count] as Set<number>;
  }
}

export class SparseSystem {
  readonly size: number;
  private readonly slotAt = new Map<number, Slot>();
  private readonly rows: number[] = [];
  private readonly columns: number[] = [];
  /** Values of the matrix, by slot. */
  re = new Float64Array(0);
  im = new Float64Array(0);
  private plan: Plan | undefined;
  private luRe = new Float64Array(0);
  private luIm = new Float64Array(0);
  private workRe: Float64Array;
  private workIm: Float64Array;
  /** What the last solution that was checked lacks. */
  readonly restRe: Float64Array;
  readonly restIm: Float64Array;
  private readonly scale: Float64Array;

  constructor(size: number) {
    this.size = size;
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
    const planned = this.analyse();
    if (typeof planned === 'number') return planned;
    this.plan = planned;
    this.luRe = new Float64Array(planned.columns.length);
    this.luIm = new Float64Array(planned.columns.length);
    this.refactor(planned, Infinity);
    return undefined;
  }

  /** The solution of A·x = right, complex, in place. After {@link factor}. */
  solve(re: Float64Array, im: Float64Array): void {
    const plan = this.planned();
    const { workRe, workIm, luRe, luIm, size } = this;
    for (let i = 0; i < size; i++) {
      const row = plan.rowOf[i] as number;
      let sumRe = re[row] as number;
      let sumIm = im[row] as number;
      const end = plan.diagonals[i] as number;
      for (let p = plan.starts[i] as number; p < end; p++) {
        const k = plan.columns[p] as number;
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
    for (let i = size - 1; i >= 0; i--) {
      let sumRe = workRe[i] as number;
      let sumIm = workIm[i] as number;
      const diagonal = plan.diagonals[i] as number;
      const end = plan.starts[i + 1] as number;
      for (let p = diagonal + 1; p < end; p++) {
        const k = plan.columns[p] as number;
        const uRe = luRe[p] as number;
        const uIm = luIm[p] as number;
        const xRe = workRe[k] as number;
        const xIm = workIm[k] as number;
        sumRe -= uRe * xRe - uIm * xIm;
        sumIm -= uRe * xIm + uIm * xRe;
      }
      const dRe = luRe[diagonal] as number;
      const dIm = luIm[diagonal] as number;
      const square = dRe * dRe + dIm * dIm;
      workRe[i] = (sumRe * dRe + sumIm * dIm) / square;
      workIm[i] = (sumIm * dRe - sumRe * dIm) / square;
    }
    for (let i = 0; i < size; i++) {
      const column = plan.columnOf[i] as number;
      re[column] = workRe[i] as number;
      im[column] = workIm[i] as number;
    }
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
   * What A·x lacks of the right side, for the present values, in {@link restRe} and {@link restIm}. Gives how much that is
   * beside the numbers it came from, in the row where it is most: the backward error of a solution by components
   * (W. Oettli, W. Prager, 1964, from memory).
   */
  lacking(re: Float64Array, im: Float64Array, rightRe: Float64Array, rightIm: Float64Array): number {
    const { rows, columns, re: aRe, im: aIm, restRe, restIm, scale, size } = this;
    for (let n = 0; n < size; n++) {
      const bRe = rightRe[n] as number;
      const bIm = rightIm[n] as number;
      restRe[n] = bRe;
      restIm[n] = bIm;
      scale[n] = Math.abs(bRe) + Math.abs(bIm);
    }
    for (let slot = 0; slot < rows.length; slot++) {
      const row = rows[slot] as number;
      const column = columns[slot] as number;
      const gRe = aRe[slot] as number;
      const gIm = aIm[slot] as number;
      const xRe = re[column] as number;
      const xIm = im[column] as number;
      restRe[row] = (restRe[row] as number) - (gRe * xRe - gIm * xIm);
      restIm[row] = (restIm[row] as number) - (gRe * xIm + gIm * xRe);
      scale[row] = (scale[row] as number) + (Math.abs(gRe) + Math.abs(gIm)) * (Math.abs(xRe) + Math.abs(xIm));
    }
    let most = 0;
    for (let n = 0; n < size; n++) {
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
    const { workRe, workIm, luRe, luIm, size } = this;
    for (let i = 0; i < size; i++) {
      const start = plan.starts[i] as number;
      const end = plan.starts[i + 1] as number;
      const diagonal = plan.diagonals[i] as number;
      for (let p = start; p < end; p++) {
        const column = plan.columns[p] as number;
        workRe[column] = 0;
        workIm[column] = 0;
      }
      const slotEnd = plan.slotStarts[i + 1] as number;
      for (let s = plan.slotStarts[i] as number; s < slotEnd; s++) {
        const slot = plan.slots[s] as number;
        const step = plan.slotSteps[s] as number;
        workRe[step] = this.re[slot] as number;
        workIm[step] = this.im[slot] as number;
      }
      for (let p = start; p < diagonal; p++) {
        const k = plan.columns[p] as number;
        const pivot = plan.diagonals[k] as number;
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
        const rowEnd = plan.starts[k + 1] as number;
        for (let q = pivot + 1; q < rowEnd; q++) {
          const column = plan.columns[q] as number;
          const uRe = luRe[q] as number;
          const uIm = luIm[q] as number;
          workRe[column] = (workRe[column] as number) - (lRe * uRe - lIm * uIm);
          workIm[column] = (workIm[column] as number) - (lRe * uIm + lIm * uRe);
        }
      }
      for (let p = diagonal; p < end; p++) {
        const column = plan.columns[p] as number;
        luRe[p] = workRe[column] as number;
        luIm[p] = workIm[column] as number;
      }
    }
    return true;
  }

  /** Chooses the order of elimination for the present values; a column with no pivot left where they are singular. */
  private analyse(): Plan | number {
    const { size } = this;
    const active: Map<number, Entry>[] = Array.from({ length: size }, () => new Map<number, Entry>());
    const inColumn: Set<number>[] = Array.from({ length: size }, () => new Set<number>());
    this.rows.forEach((row, slot) => {
      const column = this.columns[slot] as number;
      const re = this.re[slot] as number;
      const im = this.im[slot] as number;
      (active[row] as Map<number, Entry>).set(column, { re, im, size: Math.abs(re) + Math.abs(im) });
      (inColumn[column] as Set<number>).add(row);
    });
    const rowOf = new Int32Array(size);
    const columnOf = new Int32Array(size);
    const lower: Map<number, true>[] = Array.from({ length: size }, () => new Map<number, true>());
    const upper: number[][] = [];
    const open = new ByCount(inColumn.map((rows) => rows.size));
    for (let step = 0; step < size; step++) {
      const chosen = this.pivot(active, inColumn, open);
      if (typeof chosen === 'number') return chosen;
      const [row, column] = chosen;
      rowOf[step] = row;
      columnOf[step] = column;
      const pivotRow = active[row] as Map<number, Entry>;
      const pivot = pivotRow.get(column) as Entry;
      const square = pivot.re * pivot.re + pivot.im * pivot.im;
      open.close(column);
      for (const each of pivotRow.keys()) {
        const rows = inColumn[each] as Set<number>;
        rows.delete(row);
        open.count(each, rows.size);
      }
      upper.push([...pivotRow.keys()]);
      for (const target of inColumn[column] as Set<number>) {
        const targetRow = active[target] as Map<number, Entry>;
        const entry = targetRow.get(column) as Entry;
        const lRe = (entry.re * pivot.re + entry.im * pivot.im) / square;
        const lIm = (entry.im * pivot.re - entry.re * pivot.im) / square;
        targetRow.delete(column);
        (lower[target] as Map<number, true>).set(step, true);
        for (const [each, u] of pivotRow) {
          if (each === column) continue;
          const re = lRe * u.re - lIm * u.im;
          const im = lRe * u.im + lIm * u.re;
          const term = Math.abs(re) + Math.abs(im);
          const there = targetRow.get(each);
          if (there) {
            there.re -= re;
            there.im -= im;
            there.size = Math.max(there.size, term);
          } else {
            targetRow.set(each, { re: -re, im: -im, size: term });
            const rows = inColumn[each] as Set<number>;
            rows.add(target);
            open.count(each, rows.size);
          }
        }
      }
    }
    return this.planOf(rowOf, columnOf, lower, upper);
  }

  /**
   * The pivot that makes least fill among those large enough in their column, looked for in the columns with the fewest rows
   * first and no further than where less fill may be found; a column where none is.
   */
  private pivot(
    active: readonly Map<number, Entry>[],
    inColumn: readonly Set<number>[],
    open: ByCount,
  ): readonly [number, number] | number {
    let best: readonly [number, number] | undefined;
    let least = Infinity;
    let bestSize = 0;
    let empty: number | undefined;
    for (let count = 0; count < open.columns.length; count++) {
      // Of a column with so many rows no pivot makes less than this.
      if (best && (count - 1) ** 2 >= least) break;
      for (const column of open.columns[count] as Set<number>) {
        const rows = inColumn[column] as Set<number>;
        let largest = 0;
        for (const row of rows) {
          const { re, im, size } = (active[row] as Map<number, Entry>).get(column) as Entry;
          const now = Math.abs(re) + Math.abs(im);
          if (now > VANISHED * size && now > largest) largest = now;
        }
        if (largest === 0) {
          empty ??= column;
          continue;
        }
        for (const row of rows) {
          const { re, im, size } = (active[row] as Map<number, Entry>).get(column) as Entry;
          const now = Math.abs(re) + Math.abs(im);
          if (now < THRESHOLD * largest || now <= VANISHED * size) continue;
          const fill = ((active[row] as Map<number, Entry>).size - 1) * (rows.size - 1);
          if (fill < least || (fill === least && now > bestSize)) {
            least = fill;
            best = [row, column];
            bestSize = now;
          }
        }
        if (least === 0) break;
      }
    }
    return empty ?? best ?? 0;
  }

  private planOf(
    rowOf: Int32Array,
    columnOf: Int32Array,
    lower: readonly Map<number, true>[],
    upper: readonly number[][],
  ): Plan {
    const { size } = this;
    const stepOfColumn = new Int32Array(size);
    columnOf.forEach((column, step) => (stepOfColumn[column] = step));
    const stepOfRow = new Int32Array(size);
    rowOf.forEach((row, step) => (stepOfRow[row] = step));
    const starts = new Int32Array(size + 1);
    const diagonals = new Int32Array(size);
    const columns: number[] = [];
    for (let step = 0; step < size; step++) {
      starts[step] = columns.length;
      columns.push(...[...(lower[rowOf[step] as number] as Map<number, true>).keys()].sort((a, b) => a - b));
      diagonals[step] = columns.length;
      columns.push(
        ...(upper[step] as number[]).map((column) => stepOfColumn[column] as number).sort((a, b) => a - b),
      );
    }
    starts[size] = columns.length;
    const bySlot: number[][] = Array.from({ length: size }, () => []);
    this.rows.forEach((row, slot) => (bySlot[stepOfRow[row] as number] as number[]).push(slot));
    const slotStarts = new Int32Array(size + 1);
    const slots: number[] = [];
    bySlot.forEach((own, step) => {
      slotStarts[step] = slots.length;
      slots.push(...own);
    });
    slotStarts[size] = slots.length;
    return {
      rowOf,
      columnOf,
      starts,
      diagonals,
      columns: Int32Array.from(columns),
      slotStarts,
      slots: Int32Array.from(slots),
      slotSteps: Int32Array.from(slots.map((slot) => stepOfColumn[this.columns[slot] as number] as number)),
    };
  }
}
