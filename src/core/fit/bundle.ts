/**
 * How much of the circle round n equal round wires, laid as tight as they go, is filled: k = n·(d/D)² (derived: the
 * densest packings of equal circles; 19 from memory).
 */
const FILLED: Readonly<Record<number, number>> = {
  1: 1,
  2: 0.5,
  3: 0.6461,
  4: 0.6862,
  5: 0.6852,
  6: 0.6667,
  7: 0.7778,
  8: 0.7325,
  9: 0.6895,
  19: 0.8032,
};
/** For counts that are not in the list, on the safe side (from memory: 0.7 to 0.8). */
const FILLED_USUALLY = 0.7;

/**
 * Diameter of the circle round several wires side by side, mm: √(Σ d²/k) (handbook, section 8); of two, exactly the sum
 * of both. No wires: 0.
 *
 *     bundleMm([0.76, 0.76]); // → 1.52
 */
export function bundleMm(diameters: readonly number[]): number {
  const [first = 0, second = 0] = diameters;
  if (diameters.length < 3) return first + second;
  const squares = diameters.reduce((sum, each) => sum + each * each, 0);
  return Math.max(Math.sqrt(squares / (FILLED[diameters.length] ?? FILLED_USUALLY)), ...diameters);
}

/**
 * The share of a twisted screen’s strands that has to be cut so that it comes down to a diameter, 0 to 1, and how many
 * times its resistance that makes it: what is left of the copper goes with the square of the diameter (derived).
 */
export function thinned(
  fromMm: number,
  toMm: number,
): { readonly share: number; readonly resistance: number } {
  if (toMm >= fromMm || toMm <= 0) return { share: toMm <= 0 ? 1 : 0, resistance: toMm <= 0 ? Infinity : 1 };
  const left = (toMm / fromMm) ** 2;
  return { share: 1 - left, resistance: 1 / left };
}
