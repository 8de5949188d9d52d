import { program } from '../optimum';
import { NOTHING, type Kind, type Model } from './model';

/** So many rounds of new patterns at the most. */
const ROUNDS = 400;
/** So many looks for the pattern that is worth most, before it is bounded. */
const LOOKS = 20_000;

/** The fewest reels by weight alone, of so many cuts left out the longest. */
export function reelsByWeight({ kinds, pieces }: Model, drops: number): number {
  let out = drops;
  const need = kinds.reduce((sum, { weight, count }) => {
    const gone = Math.min(count, out);
    out -= gone;
    return sum + (count - gone) * weight;
  }, 0);
  let room = pieces.reduce((sum, piece) => sum + (piece.isReel ? 0 : piece.room), 0);
  const reels = pieces.flatMap((piece) => (piece.isReel ? [piece.room] : [])).sort((a, b) => b - a);
  let many = 0;
  while (room < need - NOTHING && many < reels.length) room += reels[many++] ?? 0;
  return many;
}

export interface Priced {
  readonly counts: readonly number[];
  readonly worth: number;
  /** No pattern is worth more. */
  readonly most: number;
}

/**
 * The pattern that is worth most at these prices, of those that weigh no less than the floor: branch and bound by worth a length
 * (Gilmore and Gomory’s knapsack). What is worth nothing may still be what reaches the floor.
 */
export function dearest(
  kinds: readonly Kind[],
  prices: readonly number[],
  room: number,
  mayGoOn: () => boolean,
  { floor = 0, most: looksAtMost = LOOKS }: { readonly floor?: number; readonly most?: number } = {},
): Priced {
  const enough = Math.ceil((looksAtMost * 8) / Math.max(8, kinds.length));
  const order = kinds
    .map((_, n) => n)
    .filter((n) => floor > 0 || (prices[n] ?? 0) > NOTHING)
    .sort((a, b) => (prices[b] ?? 0) / (kinds[b]?.weight ?? 1) - (prices[a] ?? 0) / (kinds[a]?.weight ?? 1));
  /** What all from each on weigh together. */
  const heavy = order.map(() => 0);
  for (let k = order.length - 1; k >= 0; k--) {
    const { weight = 0, count = 0 } = kinds[order[k] as number] ?? {};
    heavy[k] = (heavy[k + 1] ?? 0) + count * weight;
  }
  const counts = kinds.map(() => 0);
  let [best, worth, looks, most] = [[...counts], 0, 0, 0];
  const bound = (from: number, left: number): number => {
    let [sum, room] = [0, left];
    for (let k = from; k < order.length && room > 0; k++) {
      const n = order[k] as number;
      if ((prices[n] ?? 0) <= 0) break;
      const { weight, count } = kinds[n] as Kind;
      const many = Math.min(count, room / weight);
      sum += many * (prices[n] ?? 0);
      room -= many * weight;
    }
    return sum;
  };
  const from = (k: number, left: number, so: number): void => {
    if (so > worth && room - left >= floor - NOTHING) [worth, best] = [so, [...counts]];
    const n = order[k];
    const could = so + (n === undefined ? 0 : bound(k, left));
    if (n === undefined || could <= worth + NOTHING) return;
    if (room - left + (heavy[k] ?? 0) < floor - NOTHING) return;
    if (++looks % 512 === 0 && !mayGoOn()) looks = enough;
    if (looks > enough) {
      most = Math.max(most, could);
      return;
    }
    const { weight, count } = kinds[n] as Kind;
    for (let many = Math.min(count, Math.floor((left + NOTHING) / weight)); many >= 0; many--) {
      counts[n] = many;
      from(k + 1, left - many * weight, so + many * (prices[n] ?? 0));
    }
    counts[n] = 0;
  };
  from(0, room, 0);
  return { counts: best, worth, most: Math.max(worth, most) };
}

/**
 * No plan that makes everything cuts into fewer reels: the linear program over all patterns, found by adding the ones that
 * are worth most (column generation, on its dual), with Lagrange’s bound at each round, so that it holds wherever it stops.
 */
export function reelBound(model: Model, mayGoOn: () => boolean): number {
  const { kinds, pieces } = model;
  const byRoom = new Map<string, { room: number; isReel: boolean; many: number }>();
  for (const { room, isReel } of pieces) {
    const key = `${room} ${isReel}`;
    byRoom.set(key, { room, isReel, many: (byRoom.get(key)?.many ?? 0) + 1 });
  }
  const sorts = [...byRoom.values()];
  // What a cut is worth, and what a piece of each sort is worth beyond its cost: the most of one less the other.
  const dual = program([...kinds.map(({ count }) => -count), ...sorts.map(({ many }) => many)]);
  const unit = (at: number): number[] =>
    Array.from({ length: kinds.length + sorts.length }, (_, n) => (n === at ? 1 : 0));
  const most = pieces.length + 1;
  for (const n of kinds.keys()) dual.add(unit(n), most);
  let bound = 0;
  for (let round = 0; round < ROUNDS && mayGoOn(); round++) {
    if (dual.solve() !== 'optimal') break;
    const prices = dual.unknowns();
    const worth = kinds.map((_, n) => Math.max(0, prices[n] ?? 0));
    let sum = kinds.reduce((all, { count }, n) => all + count * (worth[n] ?? 0), 0);
    let added = 0;
    for (const [s, { room, isReel, many }] of sorts.entries()) {
      const cost = isReel ? 1 : 0;
      const found = dearest(kinds, worth, room, mayGoOn);
      sum -= many * Math.max(0, found.most - cost);
      if (found.worth > cost + (prices[kinds.length + s] ?? 0) + 1e-7) {
        dual.add([...found.counts, ...sorts.map((_, n) => (n === s ? -1 : 0))], cost);
        added++;
      }
    }
    bound = Math.max(bound, sum);
    if (added === 0) break;
  }
  return bound;
}
