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

  constructor(size: number) {
    this.size = size;
    this.workRe = new Float64Array(size);
    this.workIm = new Float64Array(size);
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
        const [lRe, lIm, xRe, xIm] = [luRe[p], luIm[p], workRe[k], workIm[k]] as [
          number,
          number,
          number,
          number,
        ];
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
        const [uRe, uIm, xRe, xIm] = [luRe[p], luIm[p], workRe[k], workIm[k]] as [
          number,
          number,
          number,
          number,
        ];
        sumRe -= uRe * xRe - uIm * xIm;
        sumIm -= uRe * xIm + uIm * xRe;
      }
      const [dRe, dIm] = [luRe[diagonal], luIm[diagonal]] as [number, number];
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
      const [dRe, dIm] = [luRe[diagonal], luIm[diagonal]] as [number, number];
      const square = dRe * dRe + dIm * dIm;
      const [bRe, bIm] = [workRe[i], workIm[i]] as [number, number];
      const xRe = (bRe * dRe + bIm * dIm) / square;
      const xIm = (bIm * dRe - bRe * dIm) / square;
      workRe[i] = xRe;
      workIm[i] = xIm;
      const end = plan.starts[i + 1] as number;
      for (let p = diagonal + 1; p < end; p++) {
        const k = plan.columns[p] as number;
        const [uRe, uIm] = [luRe[p], luIm[p]] as [number, number];
        workRe[k] = (workRe[k] as number) - (uRe * xRe - uIm * xIm);
        workIm[k] = (workIm[k] as number) - (uRe * xIm + uIm * xRe);
      }
    }
    for (let i = size - 1; i >= 0; i--) {
      const [xRe, xIm] = [workRe[i], workIm[i]] as [number, number];
      const end = plan.diagonals[i] as number;
      for (let p = plan.starts[i] as number; p < end; p++) {
        const k = plan.columns[p] as number;
        const [lRe, lIm] = [luRe[p], luIm[p]] as [number, number];
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

  /** A·x for the present values: what the solution is checked with. */
  times(re: Float64Array, im: Float64Array): { readonly re: Float64Array; readonly im: Float64Array } {
    const out = { re: new Float64Array(this.size), im: new Float64Array(this.size) };
    this.rows.forEach((row, slot) => {
      const column = this.columns[slot] as number;
      const [aRe, aIm, xRe, xIm] = [this.re[slot], this.im[slot], re[column], im[column]] as [
        number,
        number,
        number,
        number,
      ];
      out.re[row] = (out.re[row] as number) + aRe * xRe - aIm * xIm;
      out.im[row] = (out.im[row] as number) + aRe * xIm + aIm * xRe;
    });
    return out;
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
        const [slot, step] = [plan.slots[s], plan.slotSteps[s]] as [number, number];
        workRe[step] = this.re[slot] as number;
        workIm[step] = this.im[slot] as number;
      }
      for (let p = start; p < diagonal; p++) {
        const k = plan.columns[p] as number;
        const pivot = plan.diagonals[k] as number;
        const [dRe, dIm, aRe, aIm] = [luRe[pivot], luIm[pivot], workRe[k], workIm[k]] as [
          number,
          number,
          number,
          number,
        ];
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
          const [uRe, uIm] = [luRe[q], luIm[q]] as [number, number];
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
      const [re, im] = [this.re[slot], this.im[slot]] as [number, number];
      (active[row] as Map<number, Entry>).set(column, { re, im, size: Math.abs(re) + Math.abs(im) });
      (inColumn[column] as Set<number>).add(row);
    });
    const rowOf = new Int32Array(size);
    const columnOf = new Int32Array(size);
    const lower: Map<number, true>[] = Array.from({ length: size }, () => new Map<number, true>());
    const upper: number[][] = [];
    const openRows = new Set(Array.from({ length: size }, (_, n) => n));
    const openColumns = new Set(openRows);
    for (let step = 0; step < size; step++) {
      const chosen = this.pivot(active, inColumn, openColumns);
      if (typeof chosen === 'number') return chosen;
      const [row, column] = chosen;
      rowOf[step] = row;
      columnOf[step] = column;
      const pivotRow = active[row] as Map<number, Entry>;
      const pivot = pivotRow.get(column) as Entry;
      const square = pivot.re * pivot.re + pivot.im * pivot.im;
      openRows.delete(row);
      openColumns.delete(column);
      for (const each of pivotRow.keys()) (inColumn[each] as Set<number>).delete(row);
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
            (inColumn[each] as Set<number>).add(target);
          }
        }
      }
    }
    return this.planOf(rowOf, columnOf, lower, upper);
  }

  /** The pivot that makes least fill among those large enough in their column; a column where none is. */
  private pivot(
    active: readonly Map<number, Entry>[],
    inColumn: readonly Set<number>[],
    open: ReadonlySet<number>,
  ): readonly [number, number] | number {
    let best: readonly [number, number] | undefined;
    let least = Infinity;
    let bestSize = 0;
    let empty: number | undefined;
    for (const column of open) {
      const rows = inColumn[column] as Set<number>;
      if (best && (rows.size - 1) ** 2 > least) continue;
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
