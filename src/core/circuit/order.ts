/**
 * The order in which a sparse system is eliminated: Markowitz's count of fill, with threshold pivoting by columns
 * (I. S. Duff, A. M. Erisman, J. K. Reid, “Direct Methods for Sparse Matrices”, from memory).
 */

/** A pivot may be this much smaller than the largest of its column if that saves fill. */
const THRESHOLD = 0.01;
/**
 * Of so many columns the best pivot is taken: the next one is seldom better, and looking at all of them takes longer than
 * what it saves (Z. Zlatev, 1980, from memory).
 */
const LOOKED_AT = 4;
/** A pivot that is this small beside the numbers it came from is what rounding left of nothing. */
const VANISHED = 1e-13;

/** An elimination in fixed order. Rows of L and U by step, columns as steps. */
export interface Plan {
  readonly rowOf: Int32Array;
  readonly columnOf: Int32Array;
  readonly stepOfRow: Int32Array;
  readonly stepOfColumn: Int32Array;
  /** For each step: where its row starts in `columns`, where its U part (the pivot first) starts. */
  readonly starts: Int32Array;
  readonly diagonals: Int32Array;
  readonly columns: Int32Array;
  /** For each step: the slots of the matrix's own values in its row, and the steps of their columns. */
  readonly slotStarts: Int32Array;
  readonly slots: Int32Array;
  readonly slotSteps: Int32Array;
}

/** A matrix by its places that are not nothing: row, column and value of each slot. */
export interface Places {
  readonly size: number;
  readonly rows: readonly number[];
  readonly columns: readonly number[];
  readonly re: Float64Array;
  readonly im: Float64Array;
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

/** What is left to eliminate: of each row the places of its values, of each column its rows. */
class Left {
  readonly row: Map<number, number>[];
  readonly inColumn: Set<number>[];
  readonly re: number[] = [];
  readonly im: number[] = [];
  /** The largest number that went into each value: what its rounding is relative to. */
  readonly most: number[] = [];

  constructor({ size, rows, columns, re, im }: Places) {
    this.row = Array.from({ length: size }, () => new Map<number, number>());
    this.inColumn = Array.from({ length: size }, () => new Set<number>());
    rows.forEach((row, slot) => {
      const column = columns[slot] as number;
      this.put(row, column, re[slot] as number, im[slot] as number);
      (this.inColumn[column] as Set<number>).add(row);
    });
  }

  put(row: number, column: number, re: number, im: number): void {
    (this.row[row] as Map<number, number>).set(column, this.re.length);
    this.re.push(re);
    this.im.push(im);
    this.most.push(Math.abs(re) + Math.abs(im));
  }

  size(at: number): number {
    return Math.abs(this.re[at] as number) + Math.abs(this.im[at] as number);
  }
}

/** Chooses the order of elimination for some values; a column with no pivot left where they are singular. */
export function planFor(places: Places): Plan | number {
  const { size } = places;
  const left = new Left(places);
  const rowOf = new Int32Array(size);
  const columnOf = new Int32Array(size);
  const lower: number[][] = Array.from({ length: size }, () => []);
  const upper: number[][] = [];
  const open = new ByCount(left.inColumn.map((rows) => rows.size));
  for (let step = 0; step < size; step++) {
    const chosen = pivot(left, open);
    if (typeof chosen === 'number') return chosen;
    const [row, column] = chosen;
    rowOf[step] = row;
    columnOf[step] = column;
    const pivotRow = left.row[row] as Map<number, number>;
    const at = pivotRow.get(column) as number;
    const [pRe, pIm] = [left.re[at] as number, left.im[at] as number];
    const square = pRe * pRe + pIm * pIm;
    open.close(column);
    for (const each of pivotRow.keys()) {
      const rows = left.inColumn[each] as Set<number>;
      rows.delete(row);
      open.count(each, rows.size);
    }
    upper.push([...pivotRow.keys()]);
    pivotRow.delete(column);
    for (const target of left.inColumn[column] as Set<number>) {
      const targetRow = left.row[target] as Map<number, number>;
      const entry = targetRow.get(column) as number;
      const [eRe, eIm] = [left.re[entry] as number, left.im[entry] as number];
      const lRe = (eRe * pRe + eIm * pIm) / square;
      const lIm = (eIm * pRe - eRe * pIm) / square;
      targetRow.delete(column);
      (lower[target] as number[]).push(step);
      for (const [each, from] of pivotRow) {
        const [uRe, uIm] = [left.re[from] as number, left.im[from] as number];
        const re = lRe * uRe - lIm * uIm;
        const im = lRe * uIm + lIm * uRe;
        const there = targetRow.get(each);
        if (there === undefined) {
          left.put(target, each, -re, -im);
          const rows = left.inColumn[each] as Set<number>;
          rows.add(target);
          open.count(each, rows.size);
        } else {
          left.re[there] = (left.re[there] as number) - re;
          left.im[there] = (left.im[there] as number) - im;
          const term = Math.abs(re) + Math.abs(im);
          if (term > (left.most[there] as number)) left.most[there] = term;
        }
      }
    }
  }
  return planOf(places, rowOf, columnOf, lower, upper);
}

/**
 * The pivot that makes least fill among those large enough in their column, looked for in the columns with the fewest rows
 * first and no further than where less fill may be found; a column where none is.
 */
function pivot(left: Left, open: ByCount): readonly [number, number] | number {
  let best: readonly [number, number] | undefined;
  let least = Infinity;
  let bestSize = 0;
  let empty: number | undefined;
  let looked = 0;
  for (let count = 0; count < open.columns.length && looked < LOOKED_AT; count++) {
    // Of a column with so many rows no pivot makes less than this.
    if (best && (count - 1) ** 2 >= least) break;
    for (const column of open.columns[count] as Set<number>) {
      const rows = left.inColumn[column] as Set<number>;
      let largest = 0;
      for (const row of rows) {
        const at = (left.row[row] as Map<number, number>).get(column) as number;
        const now = left.size(at);
        if (now > VANISHED * (left.most[at] as number) && now > largest) largest = now;
      }
      if (largest === 0) {
        empty ??= column;
        continue;
      }
      for (const row of rows) {
        const own = left.row[row] as Map<number, number>;
        const at = own.get(column) as number;
        const now = left.size(at);
        if (now < THRESHOLD * largest || now <= VANISHED * (left.most[at] as number)) continue;
        const fill = (own.size - 1) * (rows.size - 1);
        if (fill < least || (fill === least && now > bestSize)) {
          least = fill;
          best = [row, column];
          bestSize = now;
        }
      }
      if (least === 0 || ++looked >= LOOKED_AT) break;
    }
  }
  return empty ?? best ?? 0;
}

function planOf(
  { size, rows, columns: columnsOf }: Places,
  rowOf: Int32Array,
  columnOf: Int32Array,
  lower: readonly number[][],
  upper: readonly number[][],
): Plan {
  const stepOfColumn = new Int32Array(size);
  columnOf.forEach((column, step) => (stepOfColumn[column] = step));
  const stepOfRow = new Int32Array(size);
  rowOf.forEach((row, step) => (stepOfRow[row] = step));
  const starts = new Int32Array(size + 1);
  const diagonals = new Int32Array(size);
  const columns: number[] = [];
  for (let step = 0; step < size; step++) {
    starts[step] = columns.length;
    // What was taken off a row was taken off in the order of the steps.
    for (const each of lower[rowOf[step] as number] as number[]) columns.push(each);
    diagonals[step] = columns.length;
    const own = Int32Array.from(upper[step] as number[], (column) => stepOfColumn[column] as number).sort();
    for (const each of own) columns.push(each);
  }
  starts[size] = columns.length;
  const bySlot: number[][] = Array.from({ length: size }, () => []);
  rows.forEach((row, slot) => (bySlot[stepOfRow[row] as number] as number[]).push(slot));
  const slotStarts = new Int32Array(size + 1);
  bySlot.forEach((own, step) => (slotStarts[step + 1] = (slotStarts[step] as number) + own.length));
  const slots = Int32Array.from(bySlot.flat());
  return {
    rowOf,
    columnOf,
    stepOfRow,
    stepOfColumn,
    starts,
    diagonals,
    columns: Int32Array.from(columns),
    slotStarts,
    slots,
    slotSteps: slots.map((slot) => stepOfColumn[columnsOf[slot] as number] as number),
  };
}

/** Orders that were chosen, by the pattern they were chosen for: what has the same pattern goes along the same. */
export class Orders {
  private known: (Pick<Places, 'size' | 'rows' | 'columns'> & { readonly plan: Plan })[] = [];

  find({ size, rows, columns }: Places): Plan | undefined {
    return this.known.find(
      (each) =>
        each.size === size &&
        each.rows.length === rows.length &&
        each.rows.every((row, slot) => row === rows[slot] && each.columns[slot] === columns[slot]),
    )?.plan;
  }

  keep({ size, rows, columns }: Places, plan: Plan): void {
    this.known = [{ size, rows, columns, plan }, ...this.known].slice(0, MOST_ORDERS);
  }
}

const MOST_ORDERS = 8;
