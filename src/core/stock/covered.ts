import type { WholeAnswer } from '../optimum';
import type { Column } from './columns';
import { NOTHING, type Model } from './model';
import { Packing } from './packed';
import type { Level, Prices, Pricing } from './pricing';

/** A level at the prices of its linear program, and what no plan costs less than. */
export interface Priced {
  readonly level: Level;
  readonly pricing: Pricing;
  readonly prices: Prices;
  readonly lowest: number;
}

export interface Covering {
  /** Only what costs no more than this is looked for. */
  readonly upTo: number;
  /** What every plan costs is a multiple of this; 0 where nothing is known of that. */
  readonly step: number;
  /** So many times a column is held against what is left, at the most. */
  readonly looks: number;
  readonly mayGoOn: () => boolean;
}

/** So many columns are held against what is left between two looks at the clock. */
const BETWEEN = 100_000;
/** So many dead ends are remembered. */
const MOST_KNOWN = 300_000;
/** What a sum of prices may be off, mm: so much more is looked at. */
const DUST = 1e-4;

/** What may be taken: a column, or a piece that stays as it is. */
interface Choice {
  /** What it takes of each row. */
  readonly counts: readonly number[];
  /** What it costs above its place. */
  readonly over: number;
  readonly waste: number;
  /** Which sort of reels it is of, where there are several; else −1. */
  readonly reels: number;
}

/**
 * What has to be covered, each so often, and by what: every kind, the piece with the longest rest, every piece that is no reel, and
 * the reels that may be cut into; and what may be left out. A piece may stay as it is, for what its place is worth.
 */
function rowsOf(
  model: Model,
  { level, pricing, prices }: Priced,
  columns: readonly Column[],
): { readonly needs: readonly number[]; readonly choices: readonly Choice[] } {
  const { sorts } = pricing;
  const needs = model.kinds.map(({ count }) => count);
  const holder = level.longerThan === undefined ? -1 : needs.push(1) - 1;
  const rows = sorts.map(({ piece, pieces }) => (piece.isReel ? -1 : needs.push(pieces.length) - 1));
  const reels = sorts.reduce((sum, { piece, pieces }) => sum + (piece.isReel ? pieces.length : 0), 0);
  const ofReels = needs.push(Math.min(level.reels, reels)) - 1;
  const ofDrops = typeof level.drops === 'number' ? needs.push(level.drops) - 1 : -1;
  const areSeveral = sorts.filter(({ piece }) => piece.isReel).length > 1;
  const rowOf = (sort: number): number => ((rows[sort] ?? -1) < 0 ? ofReels : (rows[sort] as number));
  const stays = (row: number, worth: number): Choice => ({
    counts: needs.map((_, n) => (n === row ? 1 : 0)),
    over: Math.max(0, worth),
    waste: 0,
    reels: -1,
  });
  return {
    needs,
    choices: [
      ...columns.map((column): Choice => {
        const counts = needs.map((_, n) => column.counts[n] ?? 0);
        if (column.isHolder) counts[holder] = 1;
        const row = column.isLeftOut ? ofDrops : rowOf(column.sort);
        if (row >= 0) counts[row] = 1;
        return {
          counts,
          over: Math.max(0, pricing.over(column, prices)),
          waste: column.waste,
          reels: areSeveral && rows[column.sort] === -1 ? column.sort : -1,
        };
      }),
      ...rows.flatMap((row, sort) => (row < 0 ? [] : [stays(row, prices.sorts[sort] ?? 0)])),
      stays(ofReels, prices.reel),
      ...(ofDrops < 0 ? [] : [stays(ofDrops, prices.drop)]),
    ],
  };
}

/**
 * The cheapest plan of these columns that makes every cut once: an exact cover (after Knuth), in which that is covered next for which
 * there is least choice. What columns cost above their places adds up to what the plan costs above the linear program, so that it is
 * turned back as soon as that is too much. Exact where the columns are all that such a plan can have.
 */
export function coveredBy(
  model: Model,
  priced: Priced,
  columns: readonly Column[],
  covering: Covering,
): WholeAnswer {
  const covers = new Covers(priced, columns, rowsOf(model, priced, columns), covering);
  return covers.answer();
}

class Covers {
  private best: readonly number[] | undefined;
  private value = Infinity;
  private isWhole = true;
  private looks = 0;
  private asked = 0;
  /** No more than this may be spent above the least. */
  private budget: number;
  private target: number;
  private readonly left: number[];
  private readonly free: number[];
  private waste: number;
  private readonly taken: number[] = [];
  /** By depth: what may still be taken, the cheapest first. */
  private readonly lists: Int32Array[] = [];
  private readonly dead = new Map<number | string, number>();
  private readonly over: Float64Array;
  private readonly packing: Packing;
  private readonly words: Int32Array;
  private readonly leftWords: Int32Array;
  /** The rows of each choice, one after the other, with how much it takes of each; where each begins. */
  private readonly starts: Int32Array;
  private readonly rows: Int32Array;
  private readonly counts: Int32Array;
  private readonly ways: Int32Array;
  private readonly cheapest: Float64Array;
  /** What a count of each row makes in the number that a place is known by. */
  private readonly sizes: readonly number[];
  private readonly isKnownByNumber: boolean;

  constructor(
    private readonly priced: Priced,
    private readonly columns: readonly Column[],
    { needs, choices }: ReturnType<typeof rowsOf>,
    private readonly covering: Covering,
  ) {
    const { level, pricing } = priced;
    this.choices = choices;
    this.target = covering.upTo;
    this.budget = this.target - priced.lowest + DUST;
    this.left = [...needs];
    this.free = pricing.sorts.map(({ pieces }) => pieces.length);
    this.waste = level.waste === undefined ? Infinity : level.waste + NOTHING;
    this.over = Float64Array.from(choices.map(({ over }) => over));
    this.packing = new Packing(needs);
    this.words = this.packing.all(choices);
    this.leftWords = this.packing.left(needs);
    const each = choices.map(({ counts }) =>
      counts.flatMap((count, row) => (count > 0 ? [{ row, count }] : [])),
    );
    let sum = 0;
    this.starts = Int32Array.from([0, ...each.map(({ length }) => (sum += length))]);
    this.rows = Int32Array.from(each.flat().map(({ row }) => row));
    this.counts = Int32Array.from(each.flat().map(({ count }) => count));
    this.ways = new Int32Array(needs.length);
    this.cheapest = new Float64Array(needs.length);
    let size = 1;
    this.sizes = needs.map((most) => {
      const before = size;
      size *= most + 1;
      return before;
    });
    const isWasteless = level.waste === undefined || level.waste <= NOTHING;
    this.isKnownByNumber =
      isWasteless && size <= Number.MAX_SAFE_INTEGER && choices.every(({ reels }) => reels < 0);
  }

  private readonly choices: readonly Choice[];

  answer(): WholeAnswer {
    const { over } = this;
    const all = [...over.keys()].sort((a, b) => (over[a] as number) - (over[b] as number));
    this.look(0, Int32Array.from(all), all.length, 0);
    return { ...(this.best ? { x: this.best } : {}), value: this.value, isProven: this.isWhole };
  }

  /** What is left to cover, and with what. */
  private place(): number | string {
    const { left, free, sizes } = this;
    if (!this.isKnownByNumber) return `${left.join()} ${free.join()} ${this.waste.toFixed(3)}`;
    let name = 0;
    for (let n = 0; n < left.length; n++) name += (left[n] as number) * (sizes[n] as number);
    return name;
  }

  private keep(): void {
    const x = this.columns.map(() => 0);
    let value = 0;
    for (const n of this.taken) {
      const column = this.columns[n];
      if (!column) continue;
      x[n] = (x[n] as number) + 1;
      value += this.priced.pricing.costOf(column);
    }
    if (value > this.target + NOTHING) return;
    [this.best, this.value] = [x, value];
    this.target = value - Math.max(this.covering.step, 2 * NOTHING);
    this.budget = this.target - this.priced.lowest + DUST;
  }

  private isOut(many: number): boolean {
    this.looks += many;
    if (this.looks > this.covering.looks) this.isWhole = false;
    if (this.looks - this.asked > BETWEEN) {
      this.asked = this.looks;
      if (!this.covering.mayGoOn()) this.isWhole = false;
    }
    return !this.isWhole;
  }

  /** Covers what is left, with these at the most, where so much is spent. */
  private look(deep: number, from: Int32Array, many: number, spent: number): void {
    if (this.left.every((need) => need === 0)) return this.keep();
    if (this.isOut(many)) return;
    const place = this.place();
    const known = this.dead.get(place);
    if (known !== undefined && known <= spent + NOTHING) return;
    const list = (this.lists[deep] ??= new Int32Array(this.over.length));
    const length = this.sift(from, many, list, this.budget - spent);
    const next = this.hardest(this.budget - spent);
    if (next >= 0) this.each(deep, list, length, next, spent);
    if (this.isWhole && this.dead.size < MOST_KNOWN) this.dead.set(place, spent);
  }

  /** Takes each that covers a row, and goes on. */
  private each(deep: number, list: Int32Array, length: number, row: number, spent: number): void {
    const { over, starts, rows } = this;
    for (let p = 0; p < length && this.isWhole; p++) {
      const n = list[p] as number;
      const costs = over[n] as number;
      if (costs > this.budget - spent) return;
      let q = starts[n] as number;
      const end = starts[n + 1] as number;
      while (q < end && rows[q] !== row) q++;
      if (q === end) continue;
      this.take(n, 1);
      this.look(deep + 1, list, length, spent + costs);
      this.take(n, -1);
    }
  }

  /** Of these what still fits and may be spent, into a list: how many; and by row how many have it, and what it costs at the least. */
  private sift(from: Int32Array, many: number, list: Int32Array, most: number): number {
    const { over, words, leftWords, starts, rows, counts, ways, cheapest, packing } = this;
    const { size, guards } = packing;
    ways.fill(0);
    cheapest.fill(Infinity);
    let length = 0;
    for (let p = 0; p < many; p++) {
      const n = from[p] as number;
      const costs = over[n] as number;
      if (costs > most) break;
      let w = 0;
      for (let at = n * size; w < size; w++, at++) {
        const own = guards[w] as number;
        if ((((leftWords[w] as number) - (words[at] as number)) & own) !== own) break;
      }
      if (w < size || !this.isFree(n)) continue;
      list[length++] = n;
      for (let q = starts[n] as number, end = starts[n + 1] as number; q < end; q++) {
        const row = rows[q] as number;
        ways[row] = (ways[row] as number) + 1;
        const each = costs / (counts[q] as number);
        if (each < (cheapest[row] as number)) cheapest[row] = each;
      }
    }
    return length;
  }

  /** Whether there is a reel of its sort left, and waste that it may make. */
  private isFree(n: number): boolean {
    const { reels, waste } = this.choices[n] as Choice;
    return (reels < 0 || (this.free[reels] as number) > 0) && waste <= this.waste;
  }

  /** The row for which there is least choice; −1 where one cannot be covered for what may be spent. */
  private hardest(most: number): number {
    const { left, ways, cheapest } = this;
    let [at, fewest] = [-1, Infinity];
    for (let row = 0; row < left.length; row++) {
      const need = left[row] as number;
      if (need === 0) continue;
      const many = ways[row] as number;
      if (many === 0 || (cheapest[row] as number) * need > most) return -1;
      if (many < fewest) [at, fewest] = [row, many];
    }
    return at;
  }

  private take(n: number, sign: 1 | -1): void {
    const { starts, rows, counts, left, leftWords, words, free } = this;
    const { size } = this.packing;
    for (let q = starts[n] as number, end = starts[n + 1] as number; q < end; q++)
      left[rows[q] as number] = (left[rows[q] as number] as number) - sign * (counts[q] as number);
    for (let w = 0; w < size; w++)
      leftWords[w] = (leftWords[w] as number) - sign * (words[n * size + w] as number);
    const { reels, waste } = this.choices[n] as Choice;
    if (reels >= 0) free[reels] = (free[reels] as number) - sign;
    this.waste -= sign * waste;
    if (sign > 0) this.taken.push(n);
    else this.taken.pop();
  }
}
