import { ByColumns } from './by-columns';
import type { Plan } from './first';
import type { Level } from './pricing';
import { isBetter, NOTHING, worthOf, type Made, type Model } from './model';
import type { Means } from './room';
import { search, type Searched, type Wanted } from './search';

/** Where a plan stands: the best that was found, and what is proven of it, level by level. */
export interface State {
  readonly model: Model;
  means: Means;
  best: Plan;
  /** What is left out: proven. */
  readonly bound: { drops: number; reels: number; waste: number };
  readonly tell: () => void;
}

/** Takes a plan where it is better, and tells of it. */
export function take(state: State, plan: Plan): void {
  if (!isBetter(plan.worth, state.best.worth)) return;
  state.best = plan;
  state.tell();
}

/** What is wanted, looked for piece by piece; taken where it is found. */
export const asked = (state: State, wanted: Wanted, means: Means): Searched => {
  const found = search(state.model, wanted, means);
  if (found.made) take(state, planOf(state.model, found.made));
  return found;
};

/** A plan of what is made, with what it is worth. */
export const planOf = (model: Model, made: Made): Plan => {
  const whole = model.pieces.map((_, n) => model.kinds.map((_kind, kind) => made[n]?.[kind] ?? 0));
  return { made: whole, worth: worthOf(model, whole) };
};

/**
 * A level by its linear program, with as much left out as is proven to be; undefined where what belongs together may be made in part,
 * which it does not know of.
 */
export function columnsFor({ model, means, best }: State, level: Level): ByColumns | undefined {
  const { drops } = best.worth;
  if (drops > 0 && model.kinds.some(({ together }) => together)) return undefined;
  return new ByColumns(model, drops > 0 ? { drops, ...level } : level, means.mayGoOn);
}

/** So many looks at the clock, and so many linear programs, each way of looking has in its first round; then more. */
const FIRST = { looks: 100, looksAtFew: 1500, nodes: 200, more: 3 } as const;
/** Of so many pieces that may be cut from it is gone through piece by piece for longer. */
const FEW = 14;

/** For one round: out of time after so many looks at it. */
export function forRound(
  means: Means,
  looks: number,
): { readonly means: Means; readonly isOut: () => boolean } {
  let seen = 0;
  return {
    means: { ...means, mayGoOn: () => seen++ < looks && means.mayGoOn() },
    isOut: () => seen > looks,
  };
}

/** What looking piece by piece came to: nothing is better; cut off in time; or not all of it could be looked at. */
export type Looked = 'settled' | 'cut off' | 'unsure';

/** So many rounds of the program alone, where piece by piece not all can be looked at. */
const ROUNDS_ALONE = 8;

/**
 * A level by two ways of looking in turn, each with more time every round: piece by piece, and the linear program over all ways to
 * cut. Whether it is settled.
 */
export function inTurn(
  state: State,
  known: () => number,
  columns: ByColumns | undefined,
  pieceByPiece: (looks: number) => Looked,
): boolean {
  // Few pieces are gone through sooner than written down as a program.
  const isFew = state.model.pieces.filter(({ isReel }) => !isReel).length + state.best.worth.reels <= FEW;
  const first = isFew ? FIRST.looksAtFew : FIRST.looks;
  let alone = 0;
  for (let times = 1; state.means.mayGoOn(); times *= FIRST.more) {
    // Of many pieces the program is asked first.
    const isFirst = columns !== undefined && times === 1 && !isFew;
    const look = (): Looked => (isFirst ? 'cut off' : pieceByPiece(columns ? first * times : Infinity));
    const looked = alone > 0 ? 'unsure' : look();
    if (looked === 'settled') return true;
    if (looked === 'unsure' && (!columns || columns.isAtEnd || alone++ > ROUNDS_ALONE)) return false;
    if (!columns) continue;
    // What is better bounds the program: it is asked once more at once.
    for (let isBetter = true; isBetter && state.means.mayGoOn();) {
      const { made, isProven } = columns.round(known(), FIRST.nodes * times);
      if (made) take(state, planOf(state.model, made));
      if (isProven || columns.atLeast >= known() - NOTHING) return true;
      isBetter = made !== undefined;
    }
  }
  return false;
}
