import { bad, good, type Result } from './problem';
import { OPEN } from './resistance';

const MULTIPLIER: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
};

/** Reads a capacitance as a meter shows it, F: `10 µF`, `10u`, `470n`, `220 pF`; a bare figure is in µF. */
export function parseCapacitance(text: string, path = ''): Result<number> {
  const read = /^(\d+(?:[.,]\d+)?|[.,]\d+)\s*([pnuµμm]?)F?$/i.exec(text.trim());
  const value = read
    ? Number((read[1] ?? '').replace(',', '.')) *
      (MULTIPLIER[(read[2] ?? '').toLowerCase() || 'u'] ?? Number.NaN)
    : Number.NaN;
  return Number.isFinite(value)
    ? good(value)
    : bad(
        'capacitance.unreadable',
        `“${text.trim()}” is not a capacitance: type it like 10 µF, 470n or 220 pF.`,
        path,
      );
}

/** Three significant figures: 10 µF, 470 nF, 220 pF. */
export function formatCapacitance(farads: number): string {
  const figures = (value: number): string => String(Number(value.toPrecision(3)));
  if (farads >= 0.9995e-6) return `${figures(farads * 1e6)} µF`;
  if (farads >= 0.9995e-9) return `${figures(farads * 1e9)} nF`;
  return `${figures(farads * 1e12)} pF`;
}

/** Reads what a diode test shows, V: `0.62`, `1.8 V`; and what it cannot reach as `OL`. */
export function parseVolts(text: string, path = ''): Result<number> {
  const plain = text.trim().replace(/\s*V$/i, '');
  if (/^(?:o\.?l\.?|open|∞|over(?:load)?)$/i.test(plain)) return good(OPEN);
  const value = /^(?:\d+(?:[.,]\d+)?|[.,]\d+)$/.test(plain) ? Number(plain.replace(',', '.')) : Number.NaN;
  return Number.isFinite(value)
    ? good(value)
    : bad('volts.unreadable', `“${text.trim()}” is not a voltage: type it like 0.62, or OL.`, path);
}
