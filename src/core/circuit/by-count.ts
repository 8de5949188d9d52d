/** Columns that have no pivot yet, by how many rows they have: of each count those that came to it first stand first. */
export class ByCount {
  private readonly counts: Int32Array;
  private readonly heads: number[] = [];
  private readonly tails: number[] = [];
  private readonly after: Int32Array;
  private readonly before: Int32Array;

  constructor(counts: readonly number[]) {
    this.counts = Int32Array.from(counts);
    this.after = new Int32Array(counts.length);
    this.before = new Int32Array(counts.length);
    counts.forEach((count, column) => this.append(count, column));
  }

  /** The most rows that a column has had so far. */
  get most(): number {
    return this.heads.length - 1;
  }

  /** The first column with so many rows, −1 where there is none. */
  firstOf(count: number): number {
    return this.heads[count] as number;
  }

  /** The next column with as many rows, −1 after the last. */
  nextTo(column: number): number {
    return this.after[column] as number;
  }

  /** A column has so many rows now; one that is closed stays so. */
  count(column: number, count: number): void {
    const before = this.counts[column] as number;
    if (before < 0 || before === count) return;
    this.remove(before, column);
    this.append(count, column);
    this.counts[column] = count;
  }

  close(column: number): void {
    this.remove(this.counts[column] as number, column);
    this.counts[column] = -1;
  }

  private append(count: number, column: number): void {
    while (this.heads.length <= count) {
      this.heads.push(-1);
      this.tails.push(-1);
    }
    const last = this.tails[count] as number;
    this.before[column] = last;
    this.after[column] = -1;
    this.tails[count] = column;
    if (last < 0) this.heads[count] = column;
    else this.after[last] = column;
  }

  private remove(count: number, column: number): void {
    const [before, after] = [this.before[column] as number, this.after[column] as number];
    if (before < 0) this.heads[count] = after;
    else this.after[before] = after;
    if (after < 0) this.tails[count] = before;
    else this.before[after] = before;
  }
}
