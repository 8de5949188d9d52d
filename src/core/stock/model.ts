import type { CutProblem } from './document';

/** What is taken for nothing, mm. */
export const NOTHING = 1e-6;

/** A length to be cut, so many times. */
export interface Kind {
  readonly id: string;
  readonly mm: number;
  /** With one kerf, mm. */
  readonly weight: number;
  readonly count: number;
  readonly together: boolean;
}

/** A piece that may be cut. */
export interface Piece {
  readonly id: string;
  readonly mm: number;
  /** The last kerf may fall off its end: so much weight goes in, mm. */
  readonly room: number;
  readonly isReel: boolean;
}

/** A problem as the search sees it: kinds from long to short, equal lengths that need not stay together as one. */
export interface Model {
  readonly kinds: readonly Kind[];
  /** Every id of a kind, each as often as it is cut. */
  readonly ids: readonly (readonly string[])[];
  readonly pieces: readonly Piece[];
  readonly least: number;
}

/** How many of each kind are cut from each piece, in the order of both. */
export type Made = readonly (readonly number[])[];

/** How good a plan is, level by level; less is better in each but the last. */
export interface Worth {
  readonly drops: number;
  readonly reels: number;
  readonly waste: number;
  readonly longest: number;
}

/** A problem as the search sees it. */
export function modelOf({ kerfMm = 0, leastOffcutMm = 0, stock, cuts }: CutProblem): Model {
  const alike = new Map<string, { kind: Kind; ids: string[] }>();
  for (const { id, mm, count, together = false } of cuts) {
    // One alone is together anyway.
    const isBound = together && count > 1;
    const key = isBound ? `together ${id}` : String(mm);
    const before = alike.get(key);
    alike.set(key, {
      kind: { id, mm, weight: mm + kerfMm, count: count + (before?.kind.count ?? 0), together: isBound },
      ids: [...(before?.ids ?? []), ...Array.from({ length: count }, () => id)],
    });
  }
  const sorted = [...alike.values()].sort((a, b) => b.kind.mm - a.kind.mm);
  return {
    kinds: sorted.map(({ kind }) => kind),
    ids: sorted.map(({ ids }) => ids),
    pieces: stock
      .filter(({ doNotCut }) => !doNotCut)
      .map(({ id, mm, kind }) => ({ id, mm, room: mm + kerfMm, isReel: kind === 'reel' })),
    least: leastOffcutMm,
  };
}

/** What so many of each kind weigh together, mm. */
export const weightOf = ({ kinds }: Model, counts: readonly number[]): number =>
  counts.reduce((sum, count, kind) => sum + count * (kinds[kind]?.weight ?? 0), 0);

/** What is left of a piece from which so much weight is cut, mm. */
export const restOf = ({ mm }: Piece, weight: number): number => {
  const rest = mm - weight;
  return rest < NOTHING ? 0 : rest;
};

/** What of a rest is waste. */
export const wasteOf = ({ least }: Pick<Model, 'least'>, rest: number): number =>
  rest < least - NOTHING ? rest : 0;

/** How good a plan is. */
export function worthOf(model: Model, made: Made): Worth {
  const worth = {
    drops: model.kinds.reduce((sum, { count }) => sum + count, 0),
    reels: 0,
    waste: 0,
    longest: 0,
  };
  for (const [n, counts] of made.entries()) {
    const piece = model.pieces[n];
    const many = counts.reduce((sum, count) => sum + count, 0);
    if (!piece || many === 0) continue;
    const rest = restOf(piece, weightOf(model, counts));
    worth.drops -= many;
    worth.reels += piece.isReel ? 1 : 0;
    worth.waste += wasteOf(model, rest);
    worth.longest = Math.max(worth.longest, rest);
  }
  return worth;
}

/** Whether one plan is better than another, in the order of the levels. */
export function isBetter(one: Worth, other: Worth): boolean {
  if (one.drops !== other.drops) return one.drops < other.drops;
  if (one.reels !== other.reels) return one.reels < other.reels;
  if (Math.abs(one.waste - other.waste) > NOTHING) return one.waste < other.waste;
  return one.longest > other.longest + NOTHING;
}
