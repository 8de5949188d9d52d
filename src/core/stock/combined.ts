import { NOTHING, type Model } from './model';
import type { Packing } from './packed';
import { compare, Patterns, type Pattern } from './patterns';

/** Where what is left combines in fewer ways, they are gone through rather than the list. */
const FEW_WAYS = 3000;

/**
 * Where little is left: every combination of it between two weights, in the order of the lists; undefined where there are many. Nothing
 * of it belongs together.
 */
export function combined(
  { kinds }: Model,
  packing: Packing,
  left: readonly number[],
  [least, most]: readonly [least: number, most: number],
): Patterns | undefined {
  let ways = 1;
  for (const many of left) ways *= many + 1;
  if (ways > FEW_WAYS) return undefined;
  const found: Pattern[] = [];
  const counts = kinds.map(() => 0);
  const rest = kinds.map((_, n) =>
    kinds.slice(n).reduce((sum, { weight }, k) => sum + weight * (left[n + k] as number), 0),
  );
  const from = (n: number, weight: number): void => {
    if (n === kinds.length) {
      if (weight > 0) found.push({ counts: [...counts], weight });
      return;
    }
    if (weight + (rest[n] as number) < least - NOTHING) return;
    const each = kinds[n]?.weight as number;
    for (let many = 0; many <= (left[n] as number) && weight + many * each <= most + NOTHING; many++) {
      counts[n] = many;
      from(n + 1, weight + many * each);
    }
    counts[n] = 0;
  };
  from(0, 0);
  found.sort((a, b) => b.weight - a.weight || compare(a.counts, b.counts));
  return new Patterns(packing, found, 0);
}
