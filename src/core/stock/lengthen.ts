import { chance, filled, orderOf } from './first';
import { NOTHING, restOf, type Model } from './model';
import { longestOf } from './pricing';
import { neededOf, prepared, type Prepared } from './room';
import { search } from './search';
import { columnsFor, forRound, inTurn, planOf, take, type Looked, type State } from './state';

/** How far below what could be at best a rest is looked for, one after the other, mm: near it there is little to try. */
const NEAR = [
  0,
  100,
  650,
  1250,
  1850,
  2450,
  3100,
  3700,
  4300,
  5000,
  5600,
  6500,
  8000,
  10_000,
  12_000,
  15_000,
  18_000,
  22_000,
  30_000,
  40_000,
  60_000,
  100_000,
  Infinity,
] as const;

/** A piece that is held back, and what its rest cannot be longer than. */
interface Held {
  readonly piece: number;
  readonly ready: Prepared;
  readonly most: number;
  /** Which of the steps below that comes next, and what is proven so far. */
  step: number;
  could: number;
  whole: boolean;
}

/** The pieces whose rest may be the longest, alike ones once, and at the most how long where all others are filled. */
function holdersOf(state: State): readonly Held[] {
  const { model, means } = state;
  const { drops, reels, waste } = state.best.worth;
  const alike = new Map<string, number>();
  model.pieces.forEach((piece, n) => {
    const key = `${piece.mm} ${piece.isReel}`;
    if (!alike.has(key)) alike.set(key, n);
  });
  const all = model.kinds.map(({ count }) => count);
  const need = neededOf(model, all, drops);
  const shortest = Math.min(
    ...model.kinds.map(({ weight, count, together }) => (together && drops === 0 ? count : 1) * weight),
  );
  return [...alike.values()].flatMap((n): Held[] => {
    const piece = model.pieces[n];
    if (!piece || (piece.isReel && reels === 0) || !means.mayGoOn()) return [];
    const ready = prepared(model, means, n);
    const rooms = ready.room[waste <= NOTHING ? 1 : 0][0] ?? [];
    const others = rooms[Math.min(rooms.length - 1, reels - (piece.isReel ? 1 : 0))] ?? 0;
    const most = restOf(piece, Math.max(shortest, need - others));
    return [{ piece: n, ready, most, step: 0, whole: true, could: piece.mm < shortest ? 0 : most }];
  });
}

/**
 * The longest rest, with all that goes before it as it is: of every piece it is known what at the most is left of it where
 * all others are filled; the one that promises most is looked into first, close to what it promises, then farther off.
 */
export function lengthen(state: State): boolean {
  const { model } = state;
  const { drops, reels, waste, longest: known } = state.best.worth;
  const longest = longestOf(model);
  const columns = columnsFor(state, { reels, waste, longerThan: known });
  const holders = holdersOf(state);
  if (!state.means.mayGoOn()) return false;
  const pieceByPiece = (looks: number): Looked => {
    const { means, isOut } = forRound(state.means, looks);
    const most = (): number => longest - (columns?.atLeast ?? 0);
    for (;;) {
      const held = holders.reduce<Held | undefined>(
        (best, each) => (best && best.could >= each.could ? best : each),
        undefined,
      );
      const best = state.best.worth.longest;
      if (!held || Math.min(held.could, most()) <= best + NOTHING)
        return holders.every(({ whole }) => whole) ? 'settled' : 'unsure';
      if (held.step === 0) tryHolding(state, held.piece);
      if (held.could <= state.best.worth.longest + NOTHING) continue;
      const near = NEAR[held.step] ?? Infinity;
      const longerThan = Math.max(state.best.worth.longest, held.most - near - 4 * NOTHING, 0);
      const found = search(
        model,
        { drops, reels, waste, holder: { piece: held.piece, longerThan } },
        means,
        held.ready,
      );
      if (found.made) take(state, planOf(model, found.made));
      if (isOut() || !means.mayGoOn()) return 'cut off';
      held.step++;
      held.whole &&= found.whole;
      held.could = found.made ? state.best.worth.longest : longerThan;
    }
  };
  return inTurn(state, () => longest - state.best.worth.longest, columns, pieceByPiece);
}

/** Plans in which as little as may be is cut from one piece, and it is filled up last. */
function tryHolding(state: State, piece: number): void {
  const { model, means } = state;
  const random = chance(piece + 11);
  const few =
    model.kinds.length > 12
      ? [model.kinds.length - 1]
      : model.kinds
          .map((_, n) => n)
          .reverse()
          .slice(0, 2);
  for (let n = 0; n < 5 && means.mayGoOn(); n++)
    for (const kind of few) {
      const { together = false, count = 0, weight = 0 } = model.kinds[kind] ?? {};
      const counts = model.kinds.map((_, m) => (m === kind ? (together ? count : 1) : 0));
      if (weight * (counts[kind] ?? 0) > (model.pieces[piece]?.room ?? 0)) continue;
      const order = orderOf(model, random, random() < 0.6, piece);
      const whole = model.pieces[piece]?.isReel
        ? reelsFirst(model, order, state.best.worth.reels, piece)
        : order;
      for (const filling of ['best', 'longest'] as const)
        take(
          state,
          filled(model, means, random, { order: whole, filling, keepsRests: true, begun: { piece, counts } }),
        );
    }
}

/** Only so many reels, the one that is held among them: the others stay whole. */
function reelsFirst(
  { pieces }: Model,
  order: readonly number[],
  reels: number,
  held: number,
): readonly number[] {
  let left = reels - 1;
  return order.filter((n) => n === held || !pieces[n]?.isReel || left-- > 0);
}
