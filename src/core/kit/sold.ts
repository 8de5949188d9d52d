/** So little over a whole pack is a rounding. */
const NOTHING = 1e-9;

/**
 * How many packs of so many hold what is wanted: at the least as many as whole packs make up.
 *
 *     packsOf(11, 10); // → 2
 */
export const packsOf = (much: number, of: number): number => Math.ceil(much / of - NOTHING);
