import { NOTHING, restOf, wasteOf, type Model, type Piece } from './model';
import type { Patterns } from './patterns';

/** What search needs beside the model. */
export interface Means {
  readonly patterns: (room: number, down: number) => Patterns;
  readonly mayGoOn: () => boolean;
}

/** The heaviest pattern of a piece that is allowed, or what none can be above. */
function heaviest(
  { patterns }: Means,
  model: Model,
  piece: Piece,
  total: number,
  isAllowed: (rest: number) => boolean,
): number {
  const most = Math.min(piece.room, total);
  for (let window = Math.max(model.least * 2, piece.room / 50); ; window *= 4) {
    const { list, down } = patterns(piece.room, Math.max(0, piece.room - window));
    if (down === Infinity) return most;
    const found = list.find(({ weight }) => isAllowed(restOf(piece, weight)));
    if (found) return found.weight;
    if (down <= 0) return 0;
    if (down > piece.room - window + NOTHING) return Math.min(most, down);
  }
}

/** By piece and how many reels are left: what at the most goes into it and all after it. */
function roomAfter(
  model: Model,
  order: readonly number[],
  fill: ReadonlyMap<number, number>,
  most: number,
): readonly (readonly number[])[] {
  const after: number[][] = [];
  // From the largest down.
  const reels: number[] = [];
  let free = 0;
  for (let j = order.length; j >= 0; j--) {
    if (j < order.length) {
      const n = order[j] as number;
      const room = fill.get(n) ?? 0;
      if (model.pieces[n]?.isReel) {
        const at = reels.findIndex((other) => other < room);
        reels.splice(at < 0 ? reels.length : at, 0, room);
      } else free += room;
    }
    let sum = free;
    after[j] = Array.from({ length: most + 1 }, (_, r) => (r === 0 ? sum : (sum += reels[r - 1] ?? 0)));
  }
  return after;
}

/** The order in which pieces are decided: small ones first, since little fits them; those alike beside each other. */
const inOrder = ({ pieces }: Model, without: number | undefined): readonly number[] =>
  pieces
    .map((_, n) => n)
    .filter((n) => n !== without)
    .sort((a, b) => {
      const [one, other] = [pieces[a] as Piece, pieces[b] as Piece];
      return one.room - other.room || Number(one.isReel) - Number(other.isReel) || a - b;
    });

type Rooms = readonly (readonly number[])[];

/** What is worked out once for every search that leaves the same piece for the end. */
export interface Prepared {
  readonly order: readonly number[];
  /** By piece, and how many reels are left: what at the most goes into it and all after it; as it is, and without waste. */
  readonly room: readonly [Rooms, Rooms];
  /** By piece: the most that leaves a rest to keep. */
  readonly keeping: ReadonlyMap<number, number>;
  /** Small pieces, from which so little may be cut that all of it is gone through at once. */
  readonly small: ReadonlySet<number>;
}

/** What may be cut from a small piece in so many ways at the most. */
const FEW_WAYS = 300;

/** The small pieces of an order; reels are none. */
function smallOf(model: Model, { patterns }: Means, order: readonly number[]): ReadonlySet<number> {
  const small = new Set<number>();
  for (const n of order) {
    const piece = model.pieces[n] as Piece;
    if (piece.isReel) continue;
    const { list, down } = patterns(piece.room, 0);
    if (down > NOTHING * 2 || list.length > FEW_WAYS) break;
    small.add(n);
  }
  return small;
}

/** The pieces in the order in which they are decided, but for the one that is held back, and how much goes into them. */
export function prepared(model: Model, means: Means, held?: number): Prepared {
  const total = model.kinds.reduce((sum, { weight, count }) => sum + weight * count, 0);
  const order = inOrder(model, held);
  const reels = order.filter((n) => model.pieces[n]?.isReel).length;
  const fill = (isAllowed: (rest: number) => boolean): ReadonlyMap<number, number> => {
    const known = new Map<number, number>();
    return new Map(
      order.map((n) => {
        const piece = model.pieces[n] as Piece;
        const most = known.get(piece.mm) ?? heaviest(means, model, piece, total, isAllowed);
        known.set(piece.mm, most);
        return [n, most];
      }),
    );
  };
  const [any, clean] = [fill(() => true), fill((rest) => wasteOf(model, rest) === 0)];
  return {
    order,
    room: [roomAfter(model, order, any, reels), roomAfter(model, order, clean, reels)],
    keeping: fill((rest) => rest >= model.least - NOTHING),
    small: smallOf(model, means, order),
  };
}

/** The least weight of all cuts but so many, the longest left out. */
export function neededOf({ kinds }: Model, left: readonly number[], drops: number): number {
  let [sum, out] = [0, drops];
  for (let n = 0; n < kinds.length; n++) {
    const many = left[n] as number;
    const gone = Math.min(many, out);
    out -= gone;
    sum += (many - gone) * (kinds[n]?.weight as number);
  }
  return sum;
}
