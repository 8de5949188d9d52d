import type { KitLine } from './lines';

/** A line as it is picked: another count, length or bore is another thing to pick. */
export const pickKey = ({ what, count, mm }: KitLine): string =>
  `${count} × ${what}${mm === undefined ? '' : `, ${Math.round(mm)} mm`}`.slice(0, 400);

/** What a line was of, whatever its count and length were when it was picked. */
const whatOf = (key: string): string => key.replace(/^\d+ × /, '').replace(/, \d+ mm$/, '');

/**
 * The ids of the lines that nothing is taken from the shelf for: the builder has them, or leaves them out. That holds of one lead as of
 * ten of it.
 */
export function sparedOf(
  lines: readonly KitLine[],
  picks: Readonly<Record<string, string>>,
): ReadonlySet<string> {
  const spared = new Set(
    Object.entries(picks).flatMap(([key, is]) => (is === 'have' || is === 'waived' ? [whatOf(key)] : [])),
  );
  return new Set(lines.filter((line) => spared.has(whatOf(pickKey(line)))).map(({ id }) => id));
}
