import { magnitudes, transfer, type Circuit, type Port } from '../circuit';
import { decibels, sound } from './figures';

/** Level of a circuit against frequency: dB for 1 V of one source. */
export const response = (
  circuit: Circuit,
  source: string,
  between: Port,
  frequencies: readonly number[],
): readonly number[] => magnitudes(sound(transfer(circuit, source, between, frequencies))).map(decibels);

/**
 * The frequency above `from`, Hz, at which a curve has fallen by so many dB from what it is there; `Infinity` where it has not
 * by `to`. A first look along the logarithm, then the interval is halved to a part in a million.
 */
export function fallsTo(levelAt: (hertz: number) => number, drop: number, from: number, to: number): number {
  const reference = levelAt(from);
  const fallen = (hertz: number): boolean => levelAt(hertz) <= reference - drop;
  const steps = 60;
  let low = from;
  for (let n = 1; n <= steps; n++) {
    let high = from * (to / from) ** (n / steps);
    if (fallen(high)) {
      while (high / low > 1 + 1e-6) {
        const middle = Math.sqrt(low * high);
        if (fallen(middle)) high = middle;
        else low = middle;
      }
      return high;
    }
    low = high;
  }
  return Infinity;
}

/** The largest value of something for which a limit is kept, between two bounds, by halving; the bound where it always or never is. */
export function largest(keeps: (value: number) => boolean, low: number, high: number): number {
  if (keeps(high)) return high;
  if (!keeps(low)) return low;
  let [inside, outside] = [low, high];
  for (let n = 0; n < 60 && outside - inside > 1e-6 * outside; n++) {
    const middle = (inside + outside) / 2;
    if (keeps(middle)) inside = middle;
    else outside = middle;
  }
  return inside;
}
