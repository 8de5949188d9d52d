import { formatLength, mm, MM_PER_INCH, type LengthSystem, type Millimetres } from './length';
import { NUMBER, numberOf } from './number';
import { bad, good, type Result } from './problem';

const UNITS: readonly (readonly [pattern: string, mm: number])[] = [
  ['mm|millimet(?:re|er)s?', 1],
  ['cm|centimet(?:re|er)s?', 10],
  ['m|met(?:re|er)s?', 1000],
  ["ft|feet|foot|′|'", 12 * MM_PER_INCH],
  ['in|inch(?:es)?|″|"', MM_PER_INCH],
];

const PIECE = new RegExp(
  `^\\s*(${NUMBER})\\s*(${UNITS.map(([p]) => p).join('|')})(?![a-z])\\.?\\s*(?:,\\s+|and\\s+)?`,
  'i',
);

const scaleOf = (unit: string): number =>
  UNITS.find(([pattern]) => new RegExp(`^(?:${pattern})$`, 'i').test(unit))?.[1] ?? Number.NaN;

/**
 * Reads a length as people write one: `6 m`, `1.5m`, `600 cm`, `25 mm`, `5 ft 7 1/2 in`, `5' 7½"`, `¾ in`.
 * A bare number takes `bare` (metres unless said otherwise). Zero and negative lengths are refused.
 */
export function parseLength(
  text: string,
  { bare = 'm', path = '' }: { bare?: 'm' | 'mm' | 'in' | 'ft'; path?: string } = {},
): Result<Millimetres> {
  const remedy = 'write it like 6 m, 250 mm, or 5 ft 7 1/2 in';
  if (text.trim() === '') return bad('length.missing', `A length is needed: ${remedy}.`, path);
  if (/^\s*[-−]/.test(text)) return bad('length.negative', `A length cannot be negative: ${remedy}.`, path);
  if (/\d,\d{3}(?!\d)/.test(text))
    return bad(
      'length.ambiguous',
      `“${text.trim()}” can be read two ways: write 1500 or 1.5, without the comma.`,
      path,
    );
  if (new RegExp(`^\\s*${NUMBER}\\s*$`).test(text))
    return positive(numberOf(text) * scaleOf(bare), text, path);
  let rest = text;
  let total = 0;
  let last = Number.POSITIVE_INFINITY;
  while (rest.trim() !== '') {
    const piece = PIECE.exec(rest);
    if (!piece) return bad('length.unreadable', `“${text.trim()}” is not a length: ${remedy}.`, path);
    const scale = scaleOf(piece[2] ?? '');
    if (scale >= last)
      return bad('length.unreadable', `“${text.trim()}” has its units out of order: ${remedy}.`, path);
    last = scale;
    total += numberOf(piece[1] ?? '') * scale;
    rest = rest.slice(piece[0].length);
  }
  return positive(total, text, path);
}

function positive(value: number, text: string, path: string): Result<Millimetres> {
  if (!Number.isFinite(value)) return bad('length.unreadable', `“${text.trim()}” is not a length.`, path);
  return value > 0 ? good(mm(value)) : bad('length.zero', 'A length must be more than nothing.', path);
}

/** A length, mm, with the words it was typed in where they say more than the figure: `19 ft`. */
export interface TypedLength {
  readonly mm: number;
  readonly said?: string | undefined;
}

/** What was typed and still says the length: one that was changed since is not said in the old words. */
function typedWords({ mm: length, said }: TypedLength): string | undefined {
  const read = said === undefined ? undefined : parseLength(said);
  return read?.ok && Math.abs(read.value - length) < 0.05 ? said : undefined;
}

/**
 * A length as it was typed, or in the system that is asked for where nothing is known of that.
 *
 *     asTyped({ mm: 5791.2, said: '19 ft' }, 'metric'); // → '19 ft'
 */
export const asTyped = (length: TypedLength, system: LengthSystem = 'metric'): string =>
  typedWords(length) ?? formatLength(length.mm, system);

/**
 * A length as it was typed, with the other system beside it.
 *
 *     inBoth({ mm: 5791.2, said: '19 ft' }); // → '19 ft (5.791 m)'
 */
export function inBoth(length: TypedLength, system: LengthSystem = 'metric'): string {
  const typed = typedWords(length);
  const isMetric = typed === undefined ? system === 'metric' : /m/i.test(typed);
  return `${typed ?? formatLength(length.mm, system)} (${formatLength(length.mm, isMetric ? 'inch' : 'metric')})`;
}

/** The words of a typed length that are worth keeping: none where it has no unit, or is what would be said anyway. */
export function wordsOf(text: string, system: LengthSystem = 'metric'): string | undefined {
  const words = text.trim().replace(/\s+/g, ' ');
  const read = parseLength(words);
  return read.ok &&
    words.length <= 40 &&
    /[^\d.,/\s½¼¾]/.test(words) &&
    words !== formatLength(read.value, system)
    ? words
    : undefined;
}
