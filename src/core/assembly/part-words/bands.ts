import { RESISTOR_CODE, type ColourCode } from '../../catalogue';

/** A band round a resistor: a colour of the code, or gold or silver, which only say tolerances and tenths. */
export type Band = ColourCode | 'gold' | 'silver';

/** What the last band says, by tolerance (IEC 60062, from memory). */
const TOLERANCES: readonly (readonly [share: number, band: Band])[] = [
  [0.001, 'VT'],
  [0.0025, 'BU'],
  [0.005, 'GN'],
  [0.01, 'BN'],
  [0.02, 'RD'],
  [0.05, 'gold'],
  [0.1, 'silver'],
];
/** Up to this tolerance a value has three figures, and so five bands. */
const CLOSE = 0.02;
/** What a resistor is off by where nothing is said of it (common practice). */
const USUAL = 0.05;

/**
 * The bands of a resistor, from the end that they are nearer to (IEC 60062, from memory): two figures, or three where it is
 * 2 % or closer, how many noughts come after, and the tolerance. Nothing of a value that has more figures than bands, or
 * that the code does not reach.
 *
 *     bandsOf(4700) // → YE VT RD gold
 */
export function bandsOf(ohms: number, tolerance = USUAL): readonly Band[] {
  const last = TOLERANCES.find(([share]) => tolerance <= share * (1 + 1e-9))?.[1];
  const figures = tolerance <= CLOSE ? 3 : 2;
  if (last === undefined || !(ohms > 0)) return [];
  const noughts = Math.floor(Math.log10(ohms) + 1e-9) - (figures - 1);
  const value = Math.round(ohms / 10 ** noughts);
  const multiplier: Band | undefined =
    noughts === -1 ? 'gold' : noughts === -2 ? 'silver' : RESISTOR_CODE[noughts];
  if (multiplier === undefined || Math.abs(value * 10 ** noughts - ohms) > ohms * 1e-6) return [];
  const digits = [...`${value}`].flatMap((digit) => RESISTOR_CODE[Number(digit)] ?? []);
  return [...digits, multiplier, last];
}
