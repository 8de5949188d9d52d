import { trimmed } from './number';
import { bad, good, type Brand, type Result } from './problem';

/** Degrees Celsius. */
export type Celsius = Brand<number, '°C'>;
/** A temperature, °C. */
export const celsius = (value: number): Celsius => value as Celsius;
/** °C from °F. */
export const fahrenheitToCelsius = (f: number): Celsius => celsius(((f - 32) * 5) / 9);
/** °F from °C. */
export const celsiusToFahrenheit = (c: number): number => (c * 9) / 5 + 32;

/** Reads `350`, `350 °C`, `650 F`; a bare number is Celsius. */
export function parseTemperature(text: string, path = ''): Result<Celsius> {
  const match = /^\s*([-−]?\d+(?:[.,]\d+)?)\s*°?\s*([CF])?\s*$/i.exec(text);
  if (!match)
    return bad(
      'temperature.unreadable',
      `“${text.trim()}” is not a temperature: write 350 °C or 650 °F.`,
      path,
    );
  const value = Number((match[1] ?? '').replace('−', '-').replace(',', '.'));
  const inCelsius = match[2]?.toUpperCase() === 'F' ? fahrenheitToCelsius(value) : celsius(value);
  return inCelsius < -273.15
    ? bad('temperature.impossible', 'That is below absolute zero.', path)
    : good(inCelsius);
}

/** A temperature in the unit that is wanted. */
export const formatTemperature = (value: number, unit: 'C' | 'F' = 'C'): string =>
  `${trimmed(unit === 'C' ? value : celsiusToFahrenheit(value), unit === 'C' ? 1 : 0)} °${unit}`;
