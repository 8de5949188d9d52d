import { leastWhole } from '../optimum';
import type { Column, Sort } from './columns';
import { chance } from './first';
import { NOTHING, type Made, type Model } from './model';
import { longestOf, Pricing, stepOf, type Level, type Prices } from './pricing';
import { NEGATIVE, Relaxed } from './relaxed';

/** So many columns are looked at first. */
const FIRST_COLUMNS = 150;

/** What a round came to. */
export interface Round {
  readonly made?: Made;
  /** Nothing is better than what was found; where nothing was, than what was known. */
  readonly isProven: boolean;
}

/** The counts of each piece, of so many of each column; what is there twice is taken out again. */
function madeOf(
  model: Model,
  sorts: readonly Sort[],
  columns: readonly Column[],
  x: readonly number[],
): Made {
  const made = model.pieces.map(() => model.kinds.map(() => 0));
  const free = sorts.map(({ pieces }) => [...pieces]);
  columns.forEach(({ sort, counts }, n) => {
    for (let m = 0; m < (x[n] ?? 0); m++) {
      const piece = free[sort]?.pop();
      if (piece !== undefined) made[piece] = [...counts];
    }
  });
  for (const [n, { count, together }] of model.kinds.entries()) {
    let over = made.reduce((sum, counts) => sum + (counts[n] ?? 0), 0) - count;
    for (const counts of made) {
      const out = together ? (over > 0 ? (counts[n] ?? 0) : 0) : Math.min(over, counts[n] ?? 0);
      counts[n] = (counts[n] ?? 0) - out;
      over -= out;
    }
  }
  return made;
}

/**
 * A level by its linear program over all ways to cut a piece (Gilmore and Gomory’s column generation): what no plan costs less
 * than; then, of the columns that a plan so near to that can be made of, the best whole plan, nearer first. Nothing is left out
 * that could be better, so that what is proven is.
 */
export class ByColumns {
  /** Nothing costs less than this: waste, or what the longest rest is shorter than the longest piece, mm. */
  atLeast = 0;
  private readonly pricing: Pricing;
  private readonly relaxed: Relaxed;
  private readonly most: number;
  private readonly step: number;
  private readonly random = chance(5);
  private gap = 0;
  /** Nothing more is to be had of it. */
  isAtEnd = false;

  constructor(
    private readonly model: Model,
    private readonly level: Level,
    private readonly mayGoOn: () => boolean,
  ) {
    this.pricing = new Pricing(model, level, mayGoOn);
    this.most = level.waste === undefined ? model.pieces.length * model.least + 1 : longestOf(model) + 1;
    this.relaxed = new Relaxed(model, this.pricing, level, this.most, mayGoOn);
    this.step = stepOf(model);
  }

  /** How far it is looked at first: as many columns as are soon gone through, where a plan is likely to be among them. */
  private firstGap(prices: Prices, near: number, wide: number): number {
    let gap = near;
    while (gap < wide && this.mayGoOn()) {
      const { columns, isAll } = this.relaxed.within(prices, Math.min(2 * gap, wide), this.random);
      if (!isAll || columns.length > FIRST_COLUMNS) break;
      gap *= 2;
    }
    return Math.min(gap, wide);
  }

  /** One round of at most so many programs; `known`: what the best plan so far costs. */
  round(known: number, nodes: number): Round {
    const { step, level } = this;
    const none: Round = { isProven: false };
    const up = (cost: number): number => (step > 0 ? Math.ceil(cost / step - 1e-6) * step : cost);
    // Where no plan is known yet, what any could cost: only a bound above that says that there is none.
    const top = known === Infinity ? this.most - 1 : known - Math.max(step, 2 * NOTHING);
    for (let solved = this.isAtEnd ? undefined : this.relaxed.solve(); ;) {
      this.isAtEnd ||= !solved;
      if (!solved || !this.mayGoOn()) return none;
      this.atLeast = Math.max(this.atLeast, up(solved.atLeast));
      if (this.atLeast > top + NOTHING) return { isProven: true };
      const { prices, atLeast: lowest } = solved;
      const wide = top - lowest;
      const near = Math.max(this.atLeast - lowest + step, 2 * NOTHING);
      this.gap = Math.max(
        near,
        this.gap === 0 ? this.firstGap(prices, Math.min(near, wide), wide) : this.gap,
      );
      let { columns, isAll } = this.relaxed.within(prices, Math.min(this.gap, wide), this.random);
      while (!isAll && this.gap > near * 1.1 && this.mayGoOn()) {
        this.gap = Math.max(near, this.gap > 3 * near ? this.gap / 3 : (this.gap + near) / 2.05);
        ({ columns, isAll } = this.relaxed.within(prices, Math.min(this.gap, wide), this.random));
      }
      const missed = columns.filter((column) => this.pricing.over(column, prices) < 10 * NEGATIVE);
      if (missed.length > 0) {
        for (const column of missed) this.relaxed.add(column);
        solved = this.relaxed.solve();
        continue;
      }
      const upTo = isAll ? Math.min(lowest + this.gap, top) : top;
      const answer = wholeOf(this.model, level, this.pricing, columns, {
        upTo,
        step,
        nodes,
        mayGoOn: this.mayGoOn,
      });
      if (answer.x)
        return {
          made: madeOf(this.model, this.pricing.sorts, columns, answer.x),
          isProven: (isAll && answer.isProven) || answer.value <= this.atLeast + NOTHING,
        };
      if (!isAll || !answer.isProven) return none;
      this.atLeast = step > 0 ? (Math.floor(upTo / step + 1e-6) + 1) * step : upTo;
      this.gap = Math.max(this.gap * 1.6, this.gap + step);
    }
  }
}

/** The best whole plan of these columns. */
function wholeOf(
  model: Model,
  level: Level,
  pricing: Pricing,
  columns: readonly Column[],
  {
    upTo,
    step,
    nodes,
    mayGoOn,
  }: {
    readonly upTo: number;
    readonly step: number;
    readonly nodes: number;
    readonly mayGoOn: () => boolean;
  },
) {
  const isExact = model.kinds.some(({ weight, together }) => together || weight < model.least);
  const of = (what: (column: Column) => number): readonly number[] => columns.map(what);
  return leastWhole({
    costs: of((column) => pricing.costOf(column)),
    rows: [
      ...model.kinds.flatMap(({ count }, n) => [
        { a: of(({ counts }) => -(counts[n] ?? 0)), b: -count },
        ...(isExact ? [{ a: of(({ counts }) => counts[n] ?? 0), b: count }] : []),
      ]),
      ...pricing.sorts.map(({ pieces }, n) => ({
        a: of(({ sort }) => (sort === n ? 1 : 0)),
        b: pieces.length,
      })),
      { a: of(({ sort }) => (pricing.sorts[sort]?.piece.isReel ? 1 : 0)), b: level.reels },
      ...(level.waste === undefined ? [] : [{ a: of(({ waste }) => waste), b: level.waste + NOTHING }]),
      ...(level.longerThan === undefined ? [] : [{ a: of(({ isHolder }) => (isHolder ? -1 : 0)), b: -1 }]),
    ],
    upTo,
    many: model.pieces.length,
    sums: [
      ...pricing.sorts.map((_, n) => of(({ sort, isHolder }) => (sort === n && isHolder ? 1 : 0))),
      ...pricing.sorts.map((_, n) => of(({ sort }) => (sort === n ? 1 : 0))),
      ...pricing.sorts.flatMap((_, n) =>
        model.kinds.map((_kind, k) => of(({ sort, counts }) => (sort === n ? (counts[k] ?? 0) : 0))),
      ),
    ],
    step,
    nodes,
    mayGoOn,
  });
}
