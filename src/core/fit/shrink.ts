/** A bore of heat-shrink: inside as it is supplied, and as far as it recovers, mm. */
export interface Bore {
  readonly suppliedMm: number;
  readonly recoveredMm: number;
}

/** Sizes by what is left of the supplied bore; thin wall first. */
export interface ShrinkRange {
  readonly ratio: 2 | 3 | 4;
  readonly bores: readonly Bore[];
  readonly source: string;
}

const range = (ratio: 2 | 3 | 4, supplied: readonly number[], source: string): ShrinkRange => ({
  ratio,
  bores: supplied.map((mm) => ({ suppliedMm: mm, recoveredMm: Math.round((mm / ratio) * 100) / 100 })),
  source,
});

/** What is on the shelf of a usual shop. 2:1 after SAE-AMS-DTL-23053/5, from memory; the others from memory. */
export const SHRINK: readonly ShrinkRange[] = [
  {
    ratio: 2,
    bores: (
      [
        [1.2, 0.6],
        [1.6, 0.8],
        [2.4, 1.2],
        [3.2, 1.6],
        [4.8, 2.4],
        [6.4, 3.2],
        [9.5, 4.8],
        [12.7, 6.4],
        [19.1, 9.5],
        [25.4, 12.7],
      ] as const
    ).map(([suppliedMm, recoveredMm]) => ({ suppliedMm, recoveredMm })),
    source: 'SAE-AMS-DTL-23053/5, from memory',
  },
  range(3, [1.5, 3, 6, 9, 12, 18, 24, 39], 'from memory'),
  range(4, [4, 8, 12, 16, 24, 32, 52], 'from memory'),
];

/** It has to be pushed on by hand: this much wider than what it goes over, mm (nominal). */
const PLAY = 0.2;

/** What a piece of shrink has to do: pass over the biggest thing on its way, and grip the smallest that it ends up on. */
export interface ShrinkOver {
  readonly passesMm: number;
  /** Left out where it only has to lie there: a sleeve on a wire between jacket and joint. */
  readonly gripsMm?: number | undefined;
}

/**
 * The smallest bore that passes over the biggest thing and recovers below the smallest; of the lowest ratio that has one,
 * since that is the cheapest and the quickest to shrink. Undefined where none does both.
 *
 *     shrinkFor({ passesMm: 6, gripsMm: 4.4 }); // → { suppliedMm: 6.4, recoveredMm: 3.2 }
 */
export const shrinkFor = (over: ShrinkOver): Bore | undefined =>
  SHRINK.flatMap(({ bores }) => bores.find((bore) => fitsShrink(bore, over)) ?? [])[0];

/** Whether a bore does both. */
export const fitsShrink = (
  { suppliedMm, recoveredMm }: { readonly suppliedMm: number; readonly recoveredMm?: number | undefined },
  { passesMm, gripsMm }: ShrinkOver,
): boolean =>
  suppliedMm >= passesMm + PLAY &&
  (gripsMm === undefined || (recoveredMm !== undefined && recoveredMm < gripsMm));
