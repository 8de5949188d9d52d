import {
  NOTHING,
  restOf,
  wasteOf,
  weightOf,
  worthOf,
  type Made,
  type Model,
  type Piece,
  type Worth,
} from './model';
import type { Pattern } from './patterns';
import type { Means } from './room';

/** A plan with what it is worth. */
export interface Plan {
  readonly made: Made;
  readonly worth: Worth;
}

/** Numbers that look like chance and are the same every time (a linear congruential generator). */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/** How a piece is filled: the longest first, or a list of what fits it best. */
type Filling = 'longest' | 'best';

interface Filler {
  readonly model: Model;
  readonly means: Means;
  readonly left: number[];
  readonly random: () => number;
}

/** What goes in, the longest first; what belongs together all or not at all. */
function longestFirst({ model, left }: Filler, piece: Piece, begun: readonly number[]): number[] {
  const counts = [...begun];
  let room = piece.room - weightOf(model, counts);
  for (const [n, { weight, together }] of model.kinds.entries()) {
    const open = (left[n] ?? 0) - (counts[n] ?? 0);
    const fit = Math.min(open, Math.floor((room + NOTHING) / weight));
    const many = together && fit < open ? 0 : fit;
    counts[n] = (counts[n] ?? 0) + many;
    room -= many * weight;
  }
  return counts;
}

/** So many patterns are looked at for one that fits. */
const MOST_LOOKED = 4000;

/** Of what fills a piece best without waste, one of the first that what is left allows. */
function bestFit(
  { model, means, left, random }: Filler,
  piece: Piece,
  begun: readonly number[],
): readonly number[] | undefined {
  let skip = random() < 0.7 ? 0 : Math.floor(random() * 4);
  const willDo = ({ counts, weight }: Pattern): boolean => {
    if (wasteOf(model, restOf(piece, weight)) > 0) return false;
    for (let n = 0; n < counts.length; n++) {
      const count = counts[n] as number;
      if (count < (begun[n] as number)) return false;
      if (count > 0 && count < (left[n] as number) && model.kinds[n]?.together) return false;
    }
    return skip-- <= 0;
  };
  return means.patterns(piece.room, piece.room * 0.96).find(left, MOST_LOOKED, willDo)?.counts;
}

/** So many fillings by chance are tried of a piece that no pattern fits. */
const BY_CHANCE = 24;

/** The fullest of several fillings in which the longest go first but for some that are passed over. */
function byChance(filler: Filler, piece: Piece, begun: readonly number[]): readonly number[] {
  const { model, left, random } = filler;
  let best: readonly number[] | undefined;
  let most = -1;
  for (let n = 0; n < BY_CHANCE; n++) {
    const counts = [...begun];
    let room = piece.room - weightOf(model, counts);
    for (const [k, { weight, together }] of model.kinds.entries()) {
      const open = (left[k] ?? 0) - (counts[k] ?? 0);
      if (together || open <= 0 || weight > room || random() < 0.5) continue;
      const many = Math.floor(random() * (Math.min(open, Math.floor(room / weight)) + 1));
      counts[k] = (counts[k] ?? 0) + many;
      room -= many * weight;
    }
    const whole = withoutWaste(model, piece, longestFirst(filler, piece, counts), begun);
    const weight = weightOf(model, whole);
    if (wasteOf(model, restOf(piece, weight)) === 0 && weight > most) [best, most] = [whole, weight];
  }
  return best ?? longestFirst(filler, piece, begun);
}

/** What is taken out again so that the rest is long enough to keep: the shortest that does; nothing where none does. */
function withoutWaste(
  model: Model,
  piece: Piece,
  counts: readonly number[],
  begun: readonly number[],
): readonly number[] {
  const waste = wasteOf(model, restOf(piece, weightOf(model, counts)));
  if (waste === 0) return counts;
  for (let n = model.kinds.length - 1; n >= 0; n--) {
    const kind = model.kinds[n];
    if (!kind || kind.together || (counts[n] ?? 0) <= (begun[n] ?? 0)) continue;
    if (waste + kind.weight >= model.least - NOTHING)
      return counts.map((count, m) => (m === n ? count - 1 : count));
  }
  return counts;
}

/** How one plan is tried. */
export interface Trial {
  /** The order in which pieces are cut from. */
  readonly order: readonly number[];
  readonly filling: Filling;
  readonly keepsRests: boolean;
  /** What a piece is cut from by all means, before any other. */
  readonly begun?: { readonly piece: number; readonly counts: readonly number[] };
}

/** Fills piece after piece. */
export function filled(
  model: Model,
  means: Means,
  random: () => number,
  { order, filling, keepsRests, begun }: Trial,
): Plan {
  const left = model.kinds.map(({ count }) => count);
  const none = left.map(() => 0);
  const made: (readonly number[])[] = model.pieces.map(() => none);
  const set = (n: number, counts: readonly number[], before: readonly number[]): void => {
    made[n] = counts;
    counts.forEach((count, kind) => (left[kind] = (left[kind] ?? 0) - count + (before[kind] ?? 0)));
  };
  if (begun) set(begun.piece, begun.counts, none);
  for (const n of order) {
    const piece = model.pieces[n];
    if (!piece || left.every((many) => many === 0)) continue;
    const start = begun?.piece === n ? begun.counts : none;
    // Where it was begun, what is left has what is there already in it.
    const filler: Filler = {
      model,
      means,
      left: left.map((many, kind) => many + (start[kind] ?? 0)),
      random,
    };
    const best = filling === 'best' ? bestFit(filler, piece, start) : undefined;
    const counts =
      best ?? (filling === 'best' ? byChance(filler, piece, start) : longestFirst(filler, piece, start));
    set(n, keepsRests ? withoutWaste(model, piece, counts, start) : counts, start);
  }
  return { made, worth: worthOf(model, made) };
}

/** An order of pieces: those that cost no reel first, the small ones or the large ones of them; then so many reels. */
export function orderOf(
  { pieces }: Model,
  random: () => number,
  small: boolean,
  last?: number,
): readonly number[] {
  const jitter = pieces.map(() => (random() < 0.5 ? 0 : random() * 0.1));
  const size = (n: number): number => (pieces[n]?.mm ?? 0) * (1 + (jitter[n] ?? 0));
  return pieces
    .map((_, n) => n)
    .sort(
      (a, b) =>
        Number(a === last) - Number(b === last) ||
        Number(pieces[a]?.isReel) - Number(pieces[b]?.isReel) ||
        (pieces[a]?.isReel || !small ? size(b) - size(a) : size(a) - size(b)),
    );
}
