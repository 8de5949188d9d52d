/** The day, as a number: what is left out today is looked at tomorrow. */
const TODAY = Math.floor(Date.now() / 86_400_000);

/**
 * Of a long list one in so many, another each day or by `ANTLER_TEST_SEED`; in the long run all of them. For what takes
 * long and is alike for each.
 */
export function everySo<T>(many: number, all: readonly T[]): readonly T[] {
  if (process.env['ANTLER_TEST_LONG']) return all;
  const seed = Number(process.env['ANTLER_TEST_SEED'] ?? TODAY);
  return all.filter((_, n) => n % many === seed % many);
}
