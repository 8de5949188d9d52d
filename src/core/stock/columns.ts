import { NOTHING, restOf, wasteOf, type Kind, type Model, type Piece } from './model';

/** Pieces that are alike. */
export interface Sort {
  readonly piece: Piece;
  /** Which of the model’s pieces they are. */
  readonly pieces: readonly number[];
}

/** What is cut from one piece of a sort. */
export interface Column {
  readonly sort: number;
  readonly counts: readonly number[];
  readonly rest: number;
  readonly waste: number;
  /** It is the piece whose rest is the longest. */
  readonly isHolder: boolean;
  /** It is cut from nothing: one that is left out. */
  readonly isLeftOut?: true;
}

/** The pieces, alike ones together. */
export function sortsOf({ pieces }: Model): readonly Sort[] {
  const sorts = new Map<string, { piece: Piece; pieces: number[] }>();
  pieces.forEach((piece, n) => {
    const key = `${piece.mm} ${piece.isReel}`;
    const before = sorts.get(key);
    if (before) before.pieces.push(n);
    else sorts.set(key, { piece, pieces: [n] });
  });
  return [...sorts.values()];
}

/** A column of these counts. */
export function columnOf(
  model: Model,
  sorts: readonly Sort[],
  of: { readonly sort: number; readonly counts: readonly number[]; readonly isHolder: boolean },
): Column {
  const { piece } = sorts[of.sort] as Sort;
  const weight = of.counts.reduce((sum, count, n) => sum + count * (model.kinds[n]?.weight ?? 0), 0);
  const rest = restOf(piece, weight);
  return { ...of, rest, waste: wasteOf(model, rest) };
}

/** One of each kind that is left out: of a sort that is not there. */
export const leftOut = ({ kinds }: Model, sorts: readonly Sort[]): readonly Column[] =>
  kinds.map((_, kind) => ({
    sort: sorts.length,
    counts: kinds.map((_kind, n) => (n === kind ? 1 : 0)),
    rest: 0,
    waste: 0,
    isHolder: false,
    isLeftOut: true,
  }));

/** In what order kinds are gone through: what is worth most a length first. */
const byWorth = (kinds: readonly Kind[], prices: readonly number[]): readonly number[] =>
  kinds
    .map((_, n) => n)
    .sort((a, b) => (prices[b] ?? 0) / (kinds[b]?.weight ?? 1) - (prices[a] ?? 0) / (kinds[a]?.weight ?? 1));

/** So many combinations are gone through between two looks at the clock. */
const LOOKS = 4096;

/**
 * Every combination that weighs no more than `room` and is worth at least so much at these prices, in depth, with the best
 * that is still possible as bound; false where there are too many, or time is over.
 */
export function worthAtLeast(
  kinds: readonly Kind[],
  prices: readonly number[],
  { room, least, floor = 0 }: { readonly room: number; readonly least: number; readonly floor?: number },
  onFound: (counts: readonly number[], weight: number) => boolean,
  mayGoOn: () => boolean,
): boolean {
  const order = byWorth(kinds, prices);
  const counts = kinds.map(() => 0);
  let looks = 0;
  let isWhole = true;
  const bound = (from: number, left: number): number => {
    let [sum, free] = [0, left];
    for (let k = from; k < order.length && free > 0; k++) {
      const n = order[k] as number;
      const price = prices[n] ?? 0;
      if (price <= 0) break;
      const { weight, count } = kinds[n] as Kind;
      const many = Math.min(count, free / weight);
      sum += many * price;
      free -= many * weight;
    }
    return sum;
  };
  const from = (k: number, left: number, so: number): void => {
    if (!isWhole) return;
    if (++looks % LOOKS === 0 && !mayGoOn()) isWhole = false;
    if (so + bound(k, left) < least - NOTHING) return;
    const n = order[k];
    if (n === undefined) {
      if (room - left < floor - NOTHING) return;
      if (!onFound(counts, room - left)) isWhole = false;
      return;
    }
    const { weight, count, together } = kinds[n] as Kind;
    const fit = Math.min(count, Math.floor((left + NOTHING) / weight));
    const step = together ? count : 1;
    for (let many = fit - (fit % step); many >= 0 && isWhole; many -= step) {
      counts[n] = many;
      from(k + 1, left - many * weight, so + many * (prices[n] ?? 0));
    }
    counts[n] = 0;
  };
  from(0, room, 0);
  return isWhole;
}
