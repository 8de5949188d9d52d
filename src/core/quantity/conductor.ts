import { mm, type Millimetres } from './length';
import type { Brand } from './problem';

/** Cross-section of copper in mm². */
export type SquareMillimetres = Brand<number, 'mm²'>;
/** An area, mm². */
export const mm2 = (value: number): SquareMillimetres => value as SquareMillimetres;

/** Volume resistivity of annealed copper at 20 °C, Ω·m (International Annealed Copper Standard; IEC 60028). */
export const COPPER_RESISTIVITY = 1.7241e-8;
/** Temperature coefficient of copper's resistance per kelvin about 20 °C (IEC 60028). */
export const COPPER_TEMPERATURE_COEFFICIENT = 0.00393;

/** Diameter of a solid round AWG conductor (ASTM B258): 0.127 mm × 92^((36 − n)/39). 1/0 is 0, 2/0 is −1, and so on. */
export const awgDiameter = (gauge: number): Millimetres => mm(0.127 * 92 ** ((36 - gauge) / 39));

/** The gauge number, not rounded, of a solid round conductor of this diameter: the inverse of {@link awgDiameter}. */
export const diameterToAwg = (diameter: Millimetres): number =>
  36 - (39 * Math.log(diameter / 0.127)) / Math.log(92);

/** Area of a round wire, mm², from its diameter, mm. */
export const areaOfDiameter = (diameter: Millimetres): SquareMillimetres =>
  mm2((Math.PI / 4) * diameter ** 2);
/** Diameter of a round wire, mm, from its area, mm². */
export const diameterOfArea = (area: SquareMillimetres): Millimetres => mm(Math.sqrt((4 * area) / Math.PI));
/** Area of a gauge, mm². */
export const awgArea = (gauge: number): SquareMillimetres => areaOfDiameter(awgDiameter(gauge));

/** Direct-current resistance of solid copper, Ω/km, at a temperature in °C: ρ/A × (1 + α(T − 20)). */
export const ohmsPerKilometre = (area: SquareMillimetres, celsius = 20): number =>
  ((COPPER_RESISTIVITY * 1e9) / area) * (1 + COPPER_TEMPERATURE_COEFFICIENT * (celsius - 20));

/** Copper area with this resistance at 20 °C: the inverse of {@link ohmsPerKilometre}. */
export const areaOfOhmsPerKilometre = (perKm: number): SquareMillimetres =>
  mm2((COPPER_RESISTIVITY * 1e9) / perKm);

/**
 * Highest resistance at 20 °C of a plain flexible copper conductor, Ω/km, by nominal mm²
 * (IEC 60228, class 5; cited, from memory).
 */
export const CLASS_5_MAX_OHMS_PER_KM: Readonly<Record<string, number>> = {
  '0.5': 39.0,
  '0.75': 26.0,
  '1': 19.5,
  '1.5': 13.3,
  '2.5': 7.98,
  '4': 4.95,
};
