import { reelBound, reelsByWeight } from './bound';
import { CUT_VERSION, type CutPiece, type CutPlan, type CutProblem } from './document';
import { chance, filled, orderOf } from './first';
import { lengthen } from './lengthen';
import { modelOf, NOTHING, restOf, weightOf, worthOf } from './model';
import { patternsOf } from './patterns';
import type { Wanted } from './search';
import { asked, columnsFor, forRound, inTurn, take, type Looked, type State } from './state';

export interface PlanOptions {
  /** Whether there is time for more; asked often. */
  readonly mayGoOn?: () => boolean;
  /** Told of each better plan as it is found. */
  readonly onBetter?: (plan: CutPlan) => void;
}

/** So many plans are tried by filling before it is searched. */
const TRIALS = 6;
/** Of a long list of cuts fewer: each takes its time. */
const MANY = 150;

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

/** Looks piece by piece for what is better, until there is no such; whether that is so. */
const downTo =
  (state: State, wanted: () => Wanted | undefined) =>
  (looks: number): Looked => {
    const { means, isOut } = forRound(state.means, looks);
    for (let next = wanted(); next; next = wanted()) {
      const { made, whole } = asked(state, next, means);
      if (!made) return whole ? 'settled' : isOut() || !state.means.mayGoOn() ? 'cut off' : 'unsure';
    }
    return 'settled';
  };

/** Level by level: the most cuts, then the fewest reels, then the least waste. Each goes down until the bound or the search says no. */
function improve(state: State): boolean {
  const { model, bound } = state;
  const worth = () => state.best.worth;
  const reels = model.pieces.filter(({ isReel }) => isReel).length;
  const drops = downTo(state, () =>
    worth().drops > bound.drops ? { drops: worth().drops - 1, reels, waste: Infinity } : undefined,
  );
  const leaving = worth().drops > 0 ? columnsFor(state, { reels, drops: 'fewest' }) : undefined;
  if (!inTurn(state, () => worth().drops, leaving, drops)) return false;
  bound.drops = worth().drops;
  boundReels(state);
  while (worth().reels > bound.reels) {
    const fewer = worth().reels - 1;
    const columns = columnsFor(state, { reels: fewer });
    const known = (): number => (worth().reels > fewer ? Infinity : 0);
    const step = downTo(state, () =>
      worth().reels > fewer ? { drops: bound.drops, reels: fewer, waste: Infinity } : undefined,
    );
    if (!inTurn(state, known, columns, step)) return false;
    if (worth().reels > fewer) bound.reels = worth().reels;
  }
  bound.reels = worth().reels;
  const columns = worth().waste <= NOTHING ? undefined : columnsFor(state, { reels: bound.reels });
  const less = downTo(state, () =>
    worth().waste > (columns?.atLeast ?? 0) + NOTHING
      ? { drops: bound.drops, reels: bound.reels, waste: worth().waste - 2 * NOTHING }
      : undefined,
  );
  const isSettled = inTurn(state, () => worth().waste, columns, less);
  bound.waste = isSettled ? worth().waste : (columns?.atLeast ?? 0);
  return isSettled;
}

/** No fewer reels: by weight, and where that leaves it open by the linear program. */
function boundReels(state: State): void {
  const { model, means, bound, best } = state;
  bound.reels = reelsByWeight(model, best.worth.drops);
  if (best.worth.drops > 0 || best.worth.reels <= bound.reels) return;
  bound.reels = Math.max(bound.reels, Math.ceil(reelBound(model, means.mayGoOn) - 1e-6));
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
  tryFilling(state, total > MANY ? TRIALS / 2 : TRIALS);
  // Where not all can be made, of what belongs together a part may be.
  if (state.best.worth.drops > 0)
    state.means = { ...state.means, patterns: patternsOf(model.kinds, true, mayGoOn) };
  const isProven = improve(state) && lengthen(state);
  return written(state, isProven);
}
