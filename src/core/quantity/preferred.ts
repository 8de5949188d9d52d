/** Preferred numbers for resistors of 5 % (IEC 60063, series E24). */
export const E24: readonly number[] = [
  1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8,
  7.5, 8.2, 9.1,
];

/** The E24 value nearest to a resistance by ratio, Ω. */
export function nearestE24(value: number): number {
  const decade = 10 ** Math.floor(Math.log10(value));
  const candidates = [...E24.map((each) => each * decade), 10 * decade];
  const best = candidates.reduce((a, b) =>
    Math.abs(Math.log(b / value)) < Math.abs(Math.log(a / value)) ? b : a,
  );
  return Number(best.toPrecision(2));
}
