import { reelBound, reelsByWeight } from './bound';
import { CUT_VERSION, type CutPiece, type CutPlan, type CutProblem } from './document';
import { chance, filled, orderOf, type Plan } from './first';
import { isBetter, modelOf, NOTHING, restOf, weightOf, worthOf, type Made, type Model } from './model';
import { patternsOf } from './patterns';
import { neededOf, prepared, type Means, type Prepared } from './room';
import { search, type Searched, type Wanted } from './search';

export interface PlanOptions {
  /** Whether there is time for more; asked often. */
  readonly mayGoOn?: () => boolean;
  /** Told of each better plan as it is found. */
  readonly onBetter?: (plan: CutPlan) => void;
}

/** So many plans are tried by filling before it is searched. */
const TRIALS = 60;
/** Of a long list of cuts fewer: each takes its time. */
const MANY = 150;

/** Where a plan stands: the best that was found, and what is proven of it, level by level. */
interface State {
  readonly model: Model;
  means: Means;
  best: Plan;
  /** What is left out: proven. */
  readonly bound: { drops: number; reels: number; waste: number };
  readonly tell: () => void;
}

function take(state: State, plan: Plan): void {
  if (!isBetter(plan.worth, state.best.worth)) return;
  state.best = plan;
  state.tell();
}

const asked = (state: State, wanted: Wanted): Searched => {
  const found = search(state.model, wanted, state.means);
  if (found.made) take(state, planOf(state.model, found.made));
  return found;
};

const planOf = (model: Model, made: Made): Plan => {
  const whole = model.pieces.map((_, n) => model.kinds.map((_kind, kind) => made[n]?.[kind] ?? 0));
  return { made: whole, worth: worthOf(model, whole) };
};

/** Plans by filling piece after piece, in several orders, until nothing is left out and no bound is missed. */
function tryFilling(state: State, rounds: number): void {
  const { model, means } = state;
  const random = chance(7);
  const fewest = reelsByWeight(model, 0);
  for (let n = 0; n < rounds && means.mayGoOn(); n++) {
    const order = n < 2 ? orderOf(model, () => 0, n === 0) : orderOf(model, random, random() < 0.6);
    for (const filling of ['longest', 'best'] as const)
      for (const keepsRests of [true, false])
        take(state, filled(model, means, random, { order, filling, keepsRests }));
    const { drops, reels, waste } = state.best.worth;
    if (drops === 0 && reels <= fewest && waste === 0) return;
  }
}

/** Level by level: the most cuts, then the fewest reels, then the least waste. Each goes down until the bound or the search says no. */
function improve(state: State): boolean {
  const { bound } = state;
  const reels = state.model.pieces.filter(({ isReel }) => isReel).length;
  const levels = [
    (): Wanted | undefined =>
      state.best.worth.drops > bound.drops
        ? { drops: state.best.worth.drops - 1, reels, waste: Infinity }
        : undefined,
    (): Wanted | undefined =>
      state.best.worth.reels > bound.reels
        ? { drops: state.best.worth.drops, reels: state.best.worth.reels - 1, waste: Infinity }
        : undefined,
    (): Wanted | undefined =>
      state.best.worth.waste > bound.waste + NOTHING
        ? {
            drops: state.best.worth.drops,
            reels: state.best.worth.reels,
            waste: state.best.worth.waste - 2 * NOTHING,
          }
        : undefined,
  ];
  for (const [n, level] of levels.entries()) {
    if (n === 1) boundReels(state);
    for (let wanted = level(); wanted; wanted = level()) {
      const { made, whole } = asked(state, wanted);
      if (made) continue;
      if (!whole) return false;
      const { worth } = state.best;
      if (n === 0) bound.drops = worth.drops;
      if (n === 1) bound.reels = worth.reels;
      if (n === 2) bound.waste = worth.waste;
    }
  }
  return state.means.mayGoOn();
}

/** No fewer reels: by weight, and where that leaves it open by the linear program. */
function boundReels(state: State): void {
  const { model, means, bound, best } = state;
  bound.reels = reelsByWeight(model, best.worth.drops);
  if (best.worth.drops > 0 || best.worth.reels <= bound.reels) return;
  bound.reels = Math.max(bound.reels, Math.ceil(reelBound(model, means.mayGoOn) - 1e-6));
}

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
}

/**
 * The longest rest, with all that goes before it as it is: of every piece it is known what at the most is left of it where
 * all others are filled; the one that promises most is looked into first, close to what it promises, then farther off.
 */
function lengthen(state: State): boolean {
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
  const holders = [...alike.values()].flatMap((n): Held[] => {
    const piece = model.pieces[n];
    if (!piece || (piece.isReel && reels === 0) || !means.mayGoOn()) return [];
    const ready = prepared(model, means, n);
    const rooms = ready.room[waste <= NOTHING ? 1 : 0][0] ?? [];
    const others = rooms[Math.min(rooms.length - 1, reels - (piece.isReel ? 1 : 0))] ?? 0;
    const most = restOf(piece, Math.max(shortest, need - others));
    return [{ piece: n, ready, most, step: 0, could: piece.mm < shortest ? 0 : most }];
  });
  if (!means.mayGoOn()) return false;
  let whole = true;
  for (;;) {
    const held = holders.reduce<Held | undefined>(
      (best, each) => (best && best.could >= each.could ? best : each),
      undefined,
    );
    if (!held || held.could <= state.best.worth.longest + NOTHING) return whole;
    if (held.step === 0) tryHolding(state, held.piece);
    if (held.could <= state.best.worth.longest + NOTHING) continue;
    const near = NEAR[held.step++] ?? Infinity;
    const longerThan = Math.max(state.best.worth.longest, held.most - near - 4 * NOTHING, 0);
    const found = search(
      model,
      { drops, reels, waste, holder: { piece: held.piece, longerThan } },
      means,
      held.ready,
    );
    if (found.made) take(state, planOf(model, found.made));
    if (!means.mayGoOn()) return false;
    whole &&= found.whole;
    held.could = found.made ? state.best.worth.longest : longerThan;
  }
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

function written(state: State, isProven: boolean): CutPlan {
  const { model, best, bound } = state;
  const queues = model.ids.map((ids) => [...ids]);
  const pieces: CutPiece[] = [];
  for (const [n, counts] of best.made.entries()) {
    const piece = model.pieces[n];
    const cuts = counts.flatMap((count, kind) => queues[kind]?.splice(0, count) ?? []);
    if (piece && cuts.length > 0)
      pieces.push({ stock: piece.id, cuts, restMm: tidy(restOf(piece, weightOf(model, counts))) });
  }
  const missing = new Map<string, { count: number; mm: number }>();
  queues.forEach((ids, kind) =>
    ids.forEach((id) =>
      missing.set(id, { count: (missing.get(id)?.count ?? 0) + 1, mm: model.kinds[kind]?.mm ?? 0 }),
    ),
  );
  const short = [...missing].map(([id, { count, mm }]) => ({ id, count, missingMm: tidy(count * mm) }));
  const { reels, waste, longest } = best.worth;
  return {
    version: CUT_VERSION,
    pieces,
    reelsOpened: reels,
    wasteMm: tidy(waste),
    longestRestMm: tidy(longest),
    ...(short.length > 0 ? { short } : {}),
    optimal: isProven,
    bound: { reelsOpened: Math.min(reels, bound.reels), wasteMm: tidy(Math.min(waste, bound.waste)) },
  };
}

/** Without the dust of sums. */
const tidy = (mm: number): number => Math.round(mm * 1e6) / 1e6;

/**
 * What to cut from what: every cut made that can be, then the fewest whole reels cut into, then the least waste, then the
 * longest single rest. Proven where `optimal` says so; else the best so far, and its bounds.
 *
 *     cutPlan({ version: 1, stock: [{ id: 'reel', mm: 10000, kind: 'reel' }], cuts: [{ id: 'a', mm: 3000, count: 2 }] })
 *       .longestRestMm; // 4000
 */
export function cutPlan(problem: CutProblem, { mayGoOn = () => true, onBetter }: PlanOptions = {}): CutPlan {
  const model = modelOf(problem);
  const none = model.pieces.map(() => model.kinds.map(() => 0));
  const total = model.kinds.reduce((sum, { count }) => sum + count, 0);
  const state: State = {
    model,
    means: { patterns: patternsOf(model.kinds, false, mayGoOn), mayGoOn },
    best: { made: none, worth: worthOf(model, none) },
    bound: { drops: 0, reels: 0, waste: 0 },
    tell: () => onBetter?.(written(state, false)),
  };
  tryFilling(state, total > MANY ? TRIALS / 6 : TRIALS);
  // Where not all can be made, of what belongs together a part may be.
  if (state.best.worth.drops > 0)
    state.means = { ...state.means, patterns: patternsOf(model.kinds, true, mayGoOn) };
  const isProven = improve(state) && lengthen(state);
  return written(state, isProven);
}
