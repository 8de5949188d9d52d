import { bad, good, type Brand, type Result } from './problem';

/** Electrical resistance in ohms. `Infinity` is an open circuit. */
export type Ohms = Brand<number, 'Ω'>;
/** A resistance, Ω. */
export const ohms = (value: number): Ohms => value as Ohms;
export const OPEN = ohms(Number.POSITIVE_INFINITY);

const MULTIPLIER: Readonly<Record<string, number>> = { m: 1e-3, '': 1, R: 1, k: 1e3, K: 1e3, M: 1e6, G: 1e9 };

/**
 * Reads a resistance or a meter's display: `470`, `0.3 Ω`, `20 kΩ`, `4k7`, `470R`, `1.2M`; and open as `OL`,
 * `open`, `∞`. A lower-case m is milli, an upper-case M is mega.
 */
export function parseResistance(text: string, path = ''): Result<Ohms> {
  const plain = text
    .trim()
    .replace(/\s*(?:Ω|ohms?)$/i, '')
    .trim();
  if (/^(?:o\.?l\.?|open|∞|inf(?:inity)?|over(?:load)?)$/i.test(plain)) return good(OPEN);
  const infix = /^(\d+)([RkKMG])(\d+)$/.exec(plain);
  const suffix = /^(\d+(?:[.,]\d+)?|[.,]\d+)\s*([mRkKMG]?)$/.exec(plain);
  const value = infix
    ? Number(`${infix[1]}.${infix[3]}`) * (MULTIPLIER[infix[2] ?? ''] ?? Number.NaN)
    : suffix
      ? Number((suffix[1] ?? '').replace(',', '.')) * (MULTIPLIER[suffix[2] ?? ''] ?? Number.NaN)
      : Number.NaN;
  return Number.isFinite(value)
    ? good(ohms(value))
    : bad(
        'resistance.unreadable',
        `“${text.trim()}” is not a reading: type ohms like 0.3, 4.7k or 20M, or OL for open.`,
        path,
      );
}

/** Three significant figures with the usual multiplier: 0.253 Ω, 4.7 kΩ, 20 MΩ, open. */
export function formatResistance(value: number): string {
  if (value === Number.POSITIVE_INFINITY) return 'open';
  const size = Math.abs(value);
  const figures = (v: number): string => String(Number(v.toPrecision(3)));
  if (size >= 999.5e3) return `${figures(value / 1e6)} MΩ`;
  if (size >= 999.5) return `${figures(value / 1e3)} kΩ`;
  if (size >= 0.1 || size === 0) return `${figures(value)} Ω`;
  return `${figures(value * 1e3)} mΩ`;
}
