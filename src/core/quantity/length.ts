import { trimmed } from './number';
import type { Brand } from './problem';

/** A length in millimetres, the one unit lengths are kept in. */
export type Millimetres = Brand<number, 'mm'>;
export type LengthSystem = 'metric' | 'inch';

/** A length, mm. */
export const mm = (value: number): Millimetres => value as Millimetres;
/** A length of so many metres, mm. */
export const metres = (value: number): Millimetres => mm(value * 1000);
/** 1 in = 25.4 mm exactly (international yard and pound agreement, 1959). */
export const MM_PER_INCH = 25.4;
/** A length of so many inches, mm. */
export const inches = (value: number): Millimetres => mm(value * MM_PER_INCH);

/**
 * A length as text. Metric: metres to the millimetre from 1 m up, otherwise millimetres to a tenth.
 * Inch: feet and inches from 2 ft up, otherwise inches, to the nearest sixteenth.
 */
export function formatLength(length: number, system: LengthSystem = 'metric'): string {
  if (system === 'metric')
    return Math.abs(length) >= 999.95 ? `${trimmed(length / 1000, 3)} m` : `${trimmed(length, 1)} mm`;
  const sixteenths = Math.round((length / MM_PER_INCH) * 16);
  const feet = sixteenths >= 24 * 16 ? Math.floor(sixteenths / (12 * 16)) : 0;
  const rest = sixteenths - feet * 12 * 16;
  const parts = [feet > 0 ? `${feet} ft` : '', rest > 0 || feet === 0 ? `${mixed(rest)} in` : ''];
  return parts.filter(Boolean).join(' ');
}

function mixed(sixteenths: number): string {
  const whole = Math.floor(sixteenths / 16);
  let above = sixteenths % 16;
  let below = 16;
  while (above > 0 && above % 2 === 0) {
    above /= 2;
    below /= 2;
  }
  if (above === 0) return String(whole);
  return whole === 0 ? `${above}/${below}` : `${whole} ${above}/${below}`;
}
