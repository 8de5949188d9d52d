import { leastWhole, type WholeAnswer } from '../optimum';
import type { Column, Sort } from './columns';
import { coveredBy } from './covered';
import { chance } from './first';
import { NOTHING, type Made, type Model } from './model';
import { longestOf, mayBeIn, narrowed, Pricing, stepOf, type Level, type Prices } from './pricing';
import { NEGATIVE, Relaxed, type Within } from './relaxed';

/** So many columns are looked at first. */
const FIRST_COLUMNS = 150;
/** How much farther is looked where nothing was found. */
const FARTHER = { few: 2.5, many: 1.6 };
/** For every linear program that branching may solve, so many columns may be held against what is left. */
const LOOKS = 10_000;
/** Of its programs branching has so many before a cover is looked for. */
const SHARE = 0.3;

/** What a round came to. */
export interface Round {
  readonly made?: Made;
  /** Nothing is better than what was found; where nothing was, than what was known. */
  readonly isProven: boolean;
}

/** The linear program of all plans that cost no more than `upTo`. */
interface Stage {
  readonly upTo: number;
  readonly level: Level;
  readonly pricing: Pricing;
  readonly relaxed: Relaxed;
  /** None of them costs less, at these prices. */
  lowest: number;
  prices: Prices;
  /** All columns that such a plan can be made of, once they are asked for. */
  within?: Within;
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
    let over = Math.max(0, made.reduce((sum, counts) => sum + (counts[n] ?? 0), 0) - count);
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
 * than; then, of the columns that a plan so near to that can be made of, the best whole plan, nearer first. What no plan so near
 * has in it is left out of the program too, so that it says more. Nothing is left out that could be better, so that what is
 * proven is.
 */
export class ByColumns {
  /** Nothing costs less than this: waste, or what the longest rest is shorter than the longest piece, mm. */
  atLeast = 0;
  /** Nothing more is to be had of it. */
  isAtEnd = false;
  private readonly most: number;
  private readonly step: number;
  private readonly random = chance(5);
  private readonly columns: Column[] = [];
  private widest: Stage | undefined;
  private last: Stage | undefined;
  /** Up to what cost is looked next. */
  private next = 0;
  /** How many columns the last plans without success were of. */
  private before = 0;

  constructor(
    private readonly model: Model,
    private readonly level: Level,
    private readonly mayGoOn: () => boolean,
  ) {
    const total = model.kinds.reduce((sum, { count }) => sum + count, 0);
    this.most =
      (level.drops === 'fewest'
        ? total
        : level.waste === undefined
          ? model.pieces.length * model.least
          : longestOf(model)) + 1;
    this.step = level.drops === 'fewest' ? 1 : stepOf(model);
  }

  private up(cost: number): number {
    return this.step > 0 ? Math.ceil(cost / this.step - 1e-6) * this.step : cost;
  }

  /** What costs the least above this. */
  private after(cost: number): number {
    return this.step > 0 ? (Math.floor(cost / this.step + 1e-6) + 1) * this.step : cost;
  }

  /** The program of the plans up to this cost; undefined where it is not solved in time. */
  private stage(upTo: number): Stage | undefined {
    if (this.last?.upTo === upTo) return this.last;
    const { model, columns, mayGoOn } = this;
    const level = narrowed(model, this.level, upTo);
    const pricing = new Pricing(model, level, mayGoOn);
    const relaxed = new Relaxed(model, pricing, level, this.most, mayGoOn);
    const before = columns.filter((column) => mayBeIn(level, column));
    for (const column of before) relaxed.add(column);
    const solved = relaxed.solve();
    columns.push(...relaxed.columns.slice(before.length));
    if (!solved) return undefined;
    return (this.last = { upTo, level, pricing, relaxed, lowest: solved.atLeast, prices: solved.prices });
  }

  /** The columns that a plan up to the cost of a stage can be made of; undefined where its program is not solved in time. */
  private within(stage: Stage): Within | undefined {
    if (stage.within) return stage.within;
    for (;;) {
      const { relaxed, pricing, prices, lowest, upTo } = stage;
      const found = relaxed.within(prices, upTo - lowest, this.random);
      const missed = found.columns.filter((column) => pricing.over(column, prices) < 10 * NEGATIVE);
      if (missed.length === 0) {
        // Of too many other ones are taken the next time.
        if (found.isAll) stage.within = found;
        return found;
      }
      for (const column of missed) relaxed.add(column);
      const solved = relaxed.solve();
      if (!solved) return undefined;
      [stage.lowest, stage.prices] = [solved.atLeast, solved.prices];
    }
  }

  /** Up to what cost is looked first: as many columns as are soon gone through, where a plan is likely to be among them. */
  private first({ relaxed, prices, lowest }: Stage, top: number): number {
    let gap = this.near() - lowest;
    while (lowest + gap < top && this.mayGoOn()) {
      const { columns, isAll } = relaxed.within(prices, Math.min(2 * gap, top - lowest), this.random);
      if (!isAll || columns.length > FIRST_COLUMNS) break;
      gap *= 2;
    }
    return lowest + gap;
  }

  /** The least that is worth looking up to. */
  private near(): number {
    return this.atLeast + Math.max(this.step, 2 * NOTHING);
  }

  /** One round of at most so many programs; `known`: what the best plan so far costs. */
  round(known: number, nodes: number): Round {
    const none: Round = { isProven: false };
    // Where no plan is known yet, what any could cost: only a bound above that says that there is none.
    const top = known === Infinity ? this.most - 1 : known - Math.max(this.step, 2 * NOTHING);
    while (!this.isAtEnd && this.mayGoOn()) {
      if (this.atLeast > top + NOTHING) return { isProven: true };
      const stage = this.stage(this.widest ? Math.min(Math.max(this.next, this.near()), top) : top);
      const within =
        stage && (stage.lowest > stage.upTo + NOTHING || !this.widest ? 'none' : this.within(stage));
      this.isAtEnd = !within && this.mayGoOn();
      if (!stage || !within) return none;
      const { lowest, upTo } = stage;
      this.atLeast = Math.max(this.atLeast, this.up(Math.min(lowest, this.after(upTo))));
      if (!this.widest) {
        this.widest = stage;
        this.next = this.first(stage, top);
        continue;
      }
      const gap = upTo - this.widest.lowest;
      if (within === 'none') {
        this.goFarther(upTo, gap, 0);
        continue;
      }
      const near = this.near() - this.widest.lowest;
      if (!within.isAll && gap > near * 1.1) {
        this.next = this.widest.lowest + Math.max(near, gap > 3 * near ? gap / 3 : (gap + near) / 2.05);
        continue;
      }
      const answer = this.whole(stage, within, within.isAll ? upTo : top, nodes);
      if (answer.x)
        return {
          made: madeOf(this.model, stage.pricing.sorts, within.columns, answer.x),
          isProven: (within.isAll && answer.isProven) || answer.value <= this.atLeast + NOTHING,
        };
      if (!within.isAll || !answer.isProven) return none;
      this.goFarther(upTo, gap, within.columns.length);
    }
    return none;
  }

  /** Nothing up to this cost is to be had of so many columns: it is looked farther, and the farther the fewer they are, or the fewer more than before. */
  private goFarther(upTo: number, gap: number, columns: number): void {
    this.atLeast = Math.max(this.atLeast, this.after(upTo));
    const times = columns < FIRST_COLUMNS || columns < 1.2 * this.before ? FARTHER.few : FARTHER.many;
    this.before = columns;
    this.next = Math.max(upTo + gap * (times - 1), upTo + this.step);
  }

  /** The best whole plan of these columns: by branching first, then as a cover, which is sooner through few columns of many pieces. */
  private whole(stage: Stage, { columns, isAll }: Within, upTo: number, nodes: number): WholeAnswer {
    const { model, step, mayGoOn } = this;
    const branched = wholeOf(model, stage.level, stage.pricing, columns, {
      upTo,
      step,
      nodes: Math.ceil(nodes * (isAll ? SHARE : 1)),
      mayGoOn,
    });
    if (branched.isProven || !isAll) return branched;
    const covered = coveredBy(model, stage, columns, {
      upTo: branched.x ? branched.value - Math.max(step, 2 * NOTHING) : upTo,
      step,
      looks: nodes * LOOKS,
      mayGoOn,
    });
    return covered.x ? covered : { ...branched, isProven: covered.isProven };
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
      ...(typeof level.drops === 'number'
        ? [{ a: of(({ isLeftOut }) => (isLeftOut ? 1 : 0)), b: level.drops }]
        : []),
      ...(level.waste === undefined ? [] : [{ a: of(({ waste }) => waste), b: level.waste + NOTHING }]),
      ...(level.longerThan === undefined ? [] : [{ a: of(({ isHolder }) => (isHolder ? -1 : 0)), b: -1 }]),
    ],
    upTo,
    many:
      model.pieces.length +
      (level.drops === undefined ? 0 : model.kinds.reduce((sum, { count }) => sum + count, 0)),
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
