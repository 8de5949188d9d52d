import { ByCount } from './by-count';

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

/** Takes a number out, and puts the last one in its place. */
function outOf(numbers: number[], at: number): number {
  const taken = numbers[at] as number;
  const last = numbers.pop() as number;
  if (at < numbers.length) numbers[at] = last;
  return taken;
}

/** What is left to eliminate: of each row its columns with their values, of each column its rows. */
class Left {
  readonly columns: number[][];
  readonly re: number[][];
  readonly im: number[][];
  /** The largest number that went into each value: what its rounding is relative to. */
  readonly most: number[][];
  readonly inColumn: number[][];
  takenRe = 0;
  takenIm = 0;

  constructor({ size, rows, columns, re, im }: Places) {
    const empty = (): number[][] => Array.from({ length: size }, () => []);
    this.columns = empty();
    this.re = empty();
    this.im = empty();
    this.most = empty();
    this.inColumn = empty();
    for (let slot = 0; slot < rows.length; slot++) {
      const [row, column] = [rows[slot] as number, columns[slot] as number];
      this.put(row, column, re[slot] as number, im[slot] as number);
      (this.inColumn[column] as number[]).push(row);
    }
  }

  put(row: number, column: number, re: number, im: number): void {
    (this.columns[row] as number[]).push(column);
    (this.re[row] as number[]).push(re);
    (this.im[row] as number[]).push(im);
    (this.most[row] as number[]).push(Math.abs(re) + Math.abs(im));
  }

  /** Takes a value out, and puts the last of its row in its place: it stands in {@link takenRe} and {@link takenIm} then. */
  take(row: number, column: number): void {
    const at = this.at(row, column);
    this.takenRe = outOf(this.re[row] as number[], at);
    this.takenIm = outOf(this.im[row] as number[], at);
    outOf(this.columns[row] as number[], at);
    outOf(this.most[row] as number[], at);
  }

  at(row: number, column: number): number {
    return (this.columns[row] as number[]).indexOf(column);
  }

  /** How large a value is; nothing where rounding left it of nothing. */
  sizeOf(row: number, at: number): number {
    const size =
      Math.abs((this.re[row] as number[])[at] as number) + Math.abs((this.im[row] as number[])[at] as number);
    return size > VANISHED * ((this.most[row] as number[])[at] as number) ? size : 0;
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
  const open = new ByCount(left.inColumn.map((rows) => rows.length));
  const placeIn = new Int32Array(size).fill(-1);
  for (let step = 0; step < size; step++) {
    const chosen = pivot(left, open);
    if (typeof chosen === 'number') return chosen;
    const [row, column] = chosen;
    rowOf[step] = row;
    columnOf[step] = column;
    const own = left.columns[row] as number[];
    open.close(column);
    for (const each of own) {
      const rows = left.inColumn[each] as number[];
      outOf(rows, rows.indexOf(row));
      open.count(each, rows.length);
    }
    upper.push(own.slice());
    left.take(row, column);
    const [pRe, pIm] = [left.takenRe, left.takenIm];
    const square = pRe * pRe + pIm * pIm;
    for (const target of left.inColumn[column] as number[]) {
      left.take(target, column);
      const [eRe, eIm] = [left.takenRe, left.takenIm];
      (lower[target] as number[]).push(step);
      takeOff(
        left,
        open,
        placeIn,
        row,
        target,
        (eRe * pRe + eIm * pIm) / square,
        (eIm * pRe - eRe * pIm) / square,
      );
    }
  }
  return planOf(places, rowOf, columnOf, lower, upper);
}

/** Takes so many times a row off another. `placeIn` is −1 throughout, before and after. */
function takeOff(
  left: Left,
  open: ByCount,
  placeIn: Int32Array,
  row: number,
  target: number,
  lRe: number,
  lIm: number,
): void {
  const columns = left.columns[row] as number[];
  const fromRe = left.re[row] as number[];
  const fromIm = left.im[row] as number[];
  const there = left.columns[target] as number[];
  const re = left.re[target] as number[];
  const im = left.im[target] as number[];
  const most = left.most[target] as number[];
  const before = there.length;
  for (let n = 0; n < before; n++) placeIn[there[n] as number] = n;
  for (let n = 0; n < columns.length; n++) {
    const column = columns[n] as number;
    const uRe = fromRe[n] as number;
    const uIm = fromIm[n] as number;
    const byRe = lRe * uRe - lIm * uIm;
    const byIm = lRe * uIm + lIm * uRe;
    const at = placeIn[column] as number;
    if (at < 0) {
      left.put(target, column, -byRe, -byIm);
      const rows = left.inColumn[column] as number[];
      rows.push(target);
      open.count(column, rows.length);
      continue;
    }
    re[at] = (re[at] as number) - byRe;
    im[at] = (im[at] as number) - byIm;
    const term = Math.abs(byRe) + Math.abs(byIm);
    if (term > (most[at] as number)) most[at] = term;
  }
  for (let n = 0; n < before; n++) placeIn[there[n] as number] = -1;
}

/**
 * The pivot that makes least fill among those large enough in their column, looked for in the columns with the fewest rows
 * first and no further than where less fill may be found; a column where none is.
 */
function pivot(left: Left, open: ByCount): readonly [number, number] | number {
  let best: readonly [number, number] | undefined;
  const sizes: number[] = [];
  let least = Infinity;
  let bestSize = 0;
  let empty: number | undefined;
  let looked = 0;
  for (let count = 0; count <= open.most && looked < LOOKED_AT; count++) {
    // Of a column with so many rows no pivot makes less than this.
    if (best && (count - 1) ** 2 >= least) break;
    for (let column = open.firstOf(count); column >= 0; column = open.nextTo(column)) {
      const rows = left.inColumn[column] as number[];
      let largest = 0;
      for (let n = 0; n < rows.length; n++) {
        const row = rows[n] as number;
        const now = left.sizeOf(row, left.at(row, column));
        sizes[n] = now;
        if (now > largest) largest = now;
      }
      if (largest === 0) {
        empty ??= column;
        continue;
      }
      for (let n = 0; n < rows.length; n++) {
        const now = sizes[n] as number;
        if (now < THRESHOLD * largest || now === 0) continue;
        const row = rows[n] as number;
        const fill = ((left.columns[row] as number[]).length - 1) * (rows.length - 1);
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
    const own = (upper[step] as number[]).map((column) => stepOfColumn[column] as number);
    own.sort((a, b) => a - b);
    for (const each of own) columns.push(each);
  }
  starts[size] = columns.length;
  const bySlot: number[][] = Array.from({ length: size }, () => []);
  rows.forEach((row, slot) => (bySlot[stepOfRow[row] as number] as number[]).push(slot));
  const slotStarts = new Int32Array(size + 1);
  bySlot.forEach((own, step) => (slotStarts[step + 1] = (slotStarts[step] as number) + own.length));
  const slots = new Int32Array(rows.length);
  bySlot.forEach((own, step) => slots.set(own, slotStarts[step]));
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
        ((each.rows === rows && each.columns === columns) ||
          (each.rows.length === rows.length &&
            each.rows.every((row, slot) => row === rows[slot] && each.columns[slot] === columns[slot]))),
    )?.plan;
  }

  keep({ size, rows, columns }: Places, plan: Plan): void {
    this.known = [{ size, rows, columns, plan }, ...this.known].slice(0, MOST_ORDERS);
  }
}

const MOST_ORDERS = 8;
