import { program } from '../optimum';
import { columnOf, leftOut, worthAtLeast, type Column } from './columns';
import { NOTHING, type Model } from './model';
import type { Level, Prices, Pricing } from './pricing';

/** So many looks for a column that its prices speak for, before it is looked for the best. */
const QUICK = 300;
/** So many rounds of new columns, and so many columns that a plan is put together of, at the most. */
const ROUNDS = 300;
const MOST_COLUMNS = 4000;
/** Where there are more, of so many so few are taken by chance. */
const LOOKED = 40_000;
const SAMPLE = 500;
/** A column is under its place by more than what sums are off, mm. */
export const NEGATIVE = -1e-6;

/** Columns near to their place: whether these are all there are. */
export interface Within {
  readonly columns: readonly Column[];
  readonly isAll: boolean;
}

/** A linear program over all columns, by its dual: the columns that its prices speak for are added until there are none. */
export class Relaxed {
  private readonly dual;
  private readonly size: number;
  readonly columns: Column[] = [];
  /** What may be left out. */
  private readonly out: readonly Column[];

  constructor(
    private readonly model: Model,
    private readonly pricing: Pricing,
    private readonly level: Level,
    most: number,
    private readonly mayGoOn: () => boolean,
  ) {
    const { sorts } = pricing;
    const costs = [
      ...model.kinds.map(({ count }) => -count),
      ...sorts.map(({ pieces }) => pieces.length),
      level.reels,
      (level.waste ?? 0) + NOTHING,
      level.longerThan === undefined ? 0 : -1,
      typeof level.drops === 'number' ? level.drops : 0,
    ];
    this.size = costs.length;
    this.out = level.drops === undefined ? [] : leftOut(model, sorts);
    this.dual = program(costs);
    const unit = (at: number): number[] => costs.map((_, n) => (n === at ? 1 : 0));
    for (const n of model.kinds.keys()) this.dual.add(unit(n), most);
    if (level.longerThan !== undefined) this.dual.add(unit(this.size - 2), most);
  }

  private get prices(): Prices {
    const all = this.dual.unknowns();
    const [kinds, sorts] = [this.model.kinds.length, this.pricing.sorts.length];
    return {
      kinds: all.slice(0, kinds),
      sorts: all.slice(kinds, kinds + sorts),
      reel: all[kinds + sorts] ?? 0,
      waste: all[kinds + sorts + 1] ?? 0,
      holder: all[kinds + sorts + 2] ?? 0,
      drop: all[kinds + sorts + 3] ?? 0,
    };
  }

  add(column: Column): void {
    const { sorts } = this.pricing;
    this.columns.push(column);
    this.dual.add(
      [
        ...column.counts,
        ...sorts.map((_, n) => (n === column.sort ? -1 : 0)),
        sorts[column.sort]?.piece.isReel ? -1 : 0,
        this.level.waste === undefined ? 0 : -column.waste,
        column.isHolder ? 1 : 0,
        column.isLeftOut && typeof this.level.drops === 'number' ? -1 : 0,
      ],
      this.pricing.costOf(column),
    );
  }

  /** The least that a plan costs, and the prices that say so; undefined where it is not known in time. */
  solve(): { readonly atLeast: number; readonly prices: Prices } | undefined {
    for (let round = 0; round < ROUNDS && this.mayGoOn(); round++) {
      if (this.dual.solve() !== 'optimal') return undefined;
      const { prices } = this;
      let added = 0;
      let isExact = true;
      const take = (column: Column): void => {
        if (this.pricing.over(column, prices) >= NEGATIVE) return;
        this.add(column);
        added++;
      };
      this.out.forEach(take);
      const ways = this.pricing.ways(prices);
      // Any that its prices speak for will do: only where a quick look finds none it is looked for the best.
      for (const most of [QUICK, undefined]) {
        for (const way of added > 0 ? [] : ways) {
          const { counts, ...found } = this.pricing.best(way, most);
          isExact &&= found.isExact || most !== undefined;
          if (counts.some((count) => count > 0))
            take(columnOf(this.model, this.pricing.sorts, { ...way, counts }));
        }
      }
      if (added === 0 && !isExact) {
        // What the knapsack did not look at, all of it that is less than its place.
        const { columns, isAll } = this.within(prices, 10 * NEGATIVE, () => 0);
        if (!isAll) return undefined;
        columns.forEach(take);
      }
      if (added === 0) return { atLeast: -this.dual.value(), prices };
    }
    return undefined;
  }

  /** Every column that costs no more than this above its place; where there are too many, some of them by chance. */
  within(prices: Prices, gap: number, random: () => number): Within {
    const found = new Map<string, Column>();
    const sample: Column[] = [];
    let seen = 0;
    let isAll = true;
    for (const way of this.pricing.ways(prices)) {
      const isWhole = worthAtLeast(
        this.model.kinds,
        way.prices,
        { room: way.room, least: way.costs - gap, floor: way.floor },
        (counts) => {
          if (counts.every((count) => count === 0)) return true;
          const { sort, isHolder } = way;
          const column = columnOf(this.model, this.pricing.sorts, { sort, isHolder, counts: [...counts] });
          if (this.pricing.over(column, prices) > gap + 1e-6) return true;
          if (found.size <= MOST_COLUMNS) found.set(`${sort} ${isHolder} ${counts.join()}`, column);
          const at = seen++ < SAMPLE ? seen - 1 : Math.floor(random() * seen);
          if (at < SAMPLE) sample[at] = column;
          return seen < LOOKED;
        },
        this.mayGoOn,
      );
      isAll &&= isWhole;
    }
    for (const column of this.out)
      if (this.pricing.over(column, prices) <= gap + 1e-6) found.set(`out ${column.counts.join()}`, column);
    isAll &&= found.size <= MOST_COLUMNS;
    return isAll ? { columns: [...found.values()], isAll } : { columns: [...sample, ...this.columns], isAll };
  }
}
