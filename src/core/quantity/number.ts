const VULGAR: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

/** Pattern of a number as people type one: `7`, `7.5`, `7,5`, `7 1/2`, `1/2`, `7½`, `¾`. */
export const NUMBER = String.raw`(?:\d+(?:[.,]\d+)?(?:\s*[½⅓⅔¼¾⅛⅜⅝⅞]|\s+\d+\s*\/\s*\d+|\s*\/\s*\d+)?|[½⅓⅔¼¾⅛⅜⅝⅞])`;

/**
 * The value of text that matches {@link NUMBER}; NaN when it does not. A decimal comma is accepted unless exactly
 * three digits follow it (`1,500` could be one and a half or fifteen hundred), which is NaN too.
 */
export function numberOf(text: string): number {
  const trimmed = text.trim();
  if (/,\d{3}$/.test(trimmed)) return Number.NaN;
  const glyph = trimmed.at(-1) ?? '';
  if (glyph in VULGAR) {
    const whole = trimmed.slice(0, -1).trim();
    return (whole === '' ? 0 : Number(whole.replace(',', '.'))) + (VULGAR[glyph] ?? Number.NaN);
  }
  const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(trimmed);
  if (fraction) {
    const below = Number(fraction[3]);
    return below === 0 ? Number.NaN : Number(fraction[1] ?? 0) + Number(fraction[2]) / below;
  }
  return /^\d+(?:[.,]\d+)?$/.test(trimmed) ? Number(trimmed.replace(',', '.')) : Number.NaN;
}

/** A number with at most `places` decimals and no trailing zeros: 2.50 → "2.5". */
export const trimmed = (value: number, places: number): string => String(Number(value.toFixed(places)));
