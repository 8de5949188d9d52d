import { dearest } from './bound';
import { sortsOf, type Column, type Sort } from './columns';
import { NOTHING, type Model } from './model';

/** What is looked for: a plan that makes everything, but for what may be left out. */
export interface Level {
  /** No more cuts than these are left out; or that is what is looked for. Nothing, where it is not said. */
  readonly drops?: number | 'fewest';
  /** No more whole reels than these are cut into. */
  readonly reels: number;
  /** No more waste than this, mm; where none is said, the least waste is looked for. */
  readonly waste?: number;
  /** No piece is left with more waste than this, mm. */
  readonly eachWaste?: number;
  /** One piece that is cut from keeps a longer rest than this: the longest is looked for. */
  readonly longerThan?: number;
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** Lengths are told apart to a thousandth of a millimetre. */
const FINE = 1e-3;

/** What all rests are multiples of, mm; 0 where lengths are no whole thousandths of a millimetre. */
export function stepOf({ kinds, pieces }: Model): number {
  const all = [...kinds.map(({ weight }) => weight), ...pieces.map(({ mm }) => mm)].map((mm) => mm / FINE);
  return all.every((fine) => Math.abs(fine - Math.round(fine)) < 1e-5)
    ? all.reduce((sum, fine) => divisor(sum, Math.round(fine)), 0) * FINE
    : 0;
}

/** The longest piece, mm: what a rest is measured against. */
export const longestOf = ({ pieces }: Model): number => Math.max(0, ...pieces.map(({ mm }) => mm));

/** A level without what no plan can have in it that costs no more than this: a piece with more waste, or a shorter rest. */
export function narrowed(model: Model, level: Level, upTo: number): Level {
  if (level.drops === 'fewest') return level;
  if (level.waste === undefined) return upTo < model.least ? { ...level, eachWaste: upTo } : level;
  if (level.longerThan === undefined) return level;
  const longerThan = longestOf(model) - upTo - Math.max(stepOf(model), 2 * NOTHING);
  return longerThan > level.longerThan ? { ...level, longerThan } : level;
}

/** Whether a plan of this level can have a column in it. */
export const mayBeIn = ({ eachWaste, longerThan }: Level, { waste, rest, isHolder }: Column): boolean =>
  (eachWaste === undefined || waste <= eachWaste + NOTHING) &&
  (longerThan === undefined || !isHolder || rest > longerThan + NOTHING);

/** The prices of a linear program over all columns. */
export interface Prices {
  readonly kinds: readonly number[];
  readonly sorts: readonly number[];
  readonly reel: number;
  readonly waste: number;
  readonly holder: number;
  readonly drop: number;
}

/** One way in which a column of a sort may be: its kinds priced so that what it is worth is a sum, less what it costs anyway. */
export interface Way {
  readonly sort: number;
  readonly isHolder: boolean;
  readonly prices: readonly number[];
  readonly room: number;
  /** It weighs no less than this, mm. */
  readonly floor: number;
  /** A column is worth its place where its kinds are worth more than this. */
  readonly costs: number;
}

/** What columns cost and are worth at the prices of a linear program. */
export class Pricing {
  readonly sorts: readonly Sort[];
  private readonly longest: number;
  private readonly step: number;

  constructor(
    private readonly model: Model,
    private readonly level: Level,
    private readonly mayGoOn: () => boolean,
  ) {
    this.sorts = sortsOf(model);
    this.longest = longestOf(model);
    this.step = stepOf(model);
  }

  costOf({ isHolder, waste, rest, isLeftOut }: Column): number {
    if (this.level.drops === 'fewest') return isLeftOut ? 1 : 0;
    if (this.level.waste === undefined) return waste;
    return isHolder ? this.longest - rest : 0;
  }

  /** What a column costs more than its place is worth at these prices. */
  over(column: Column, { kinds, sorts, reel, waste, holder, drop }: Prices): number {
    const worth = column.counts.reduce((sum, count, n) => sum + count * (kinds[n] ?? 0), 0);
    return (
      this.costOf(column) -
      worth +
      (sorts[column.sort] ?? 0) +
      (this.sorts[column.sort]?.piece.isReel ? reel : 0) +
      waste * column.waste -
      (column.isHolder ? holder : 0) +
      (column.isLeftOut ? drop : 0)
    );
  }

  /** The ways of all columns: with a rest to keep or with waste, the holder or another. */
  ways({ kinds: worth, sorts: places, reel, waste, holder }: Prices): readonly Way[] {
    const { kinds, least } = this.model;
    const { drops, longerThan } = this.level;
    const wasteCosts = drops === 'fewest' ? 0 : this.level.waste === undefined ? 1 : waste;
    return this.sorts.flatMap(({ piece: { mm, room, isReel } }, sort): readonly Way[] => {
      const place = (places[sort] ?? 0) + (isReel ? reel : 0);
      const wasting = kinds.map(({ weight }, n) => (worth[n] ?? 0) + wasteCosts * weight);
      const plain: Way = {
        sort,
        isHolder: false,
        prices: worth,
        room: least > 0 ? mm - least : room,
        floor: 0,
        costs: place,
      };
      const wastes = wasteCosts * mm;
      const floor = mm - (this.level.eachWaste ?? mm);
      const all: Way[] = [plain];
      if (least > 0) all.push({ ...plain, prices: wasting, room: mm, floor, costs: place + wastes });
      // Where the last kerf falls off the end nothing is wasted, however much of it does.
      if (least > 0 && room > mm) all.push({ ...plain, room, floor: mm });
      const keeps = longerThan === undefined ? 0 : mm - longerThan - Math.max(this.step, 2 * NOTHING);
      if (longerThan === undefined || keeps <= 0) return all.filter((way) => way.room > 0);
      const less = (prices: readonly number[]): readonly number[] =>
        prices.map((price, n) => price - (kinds[n]?.weight ?? 0));
      const asHolder = place + this.longest - mm - holder;
      const held: Way = {
        sort,
        isHolder: true,
        prices: less(worth),
        room: Math.min(plain.room, keeps),
        floor: 0,
        costs: asHolder,
      };
      if (longerThan < least)
        all.push({ ...held, prices: less(wasting), room: keeps, costs: asHolder + wasteCosts * mm });
      return [...all, held].filter((way) => way.room > 0);
    });
  }

  /** The column of a way that is worth most, of so many that were looked at: whether those were all that could be. */
  best(way: Way, most?: number): { readonly counts: readonly number[]; readonly isExact: boolean } {
    const { kinds } = this.model;
    const found = dearest(kinds, way.prices, way.room, this.mayGoOn, {
      floor: way.floor,
      ...(most === undefined ? {} : { most }),
    });
    const isExact = found.most <= found.worth + 1e-6;
    if (found.counts.some((count) => count > 0) || !way.isHolder) return { counts: found.counts, isExact };
    // A holder is cut from: by what costs it least.
    const at = kinds.reduce(
      (best, { weight }, n) =>
        weight <= way.room + NOTHING && (best < 0 || (way.prices[n] ?? 0) > (way.prices[best] ?? 0))
          ? n
          : best,
      -1,
    );
    return { counts: kinds.map((_, n) => (n === at ? 1 : 0)), isExact };
  }
}
