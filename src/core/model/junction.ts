import { THERMAL_VOLTS } from '../circuit';

/**
 * A light-emitting or signal diode with this forward voltage, V: an LED at 4 mA with n = 2, a signal diode at 1 mA with
 * n = 1.8 (from memory).
 */
export function junctionOf(
  kind: 'led' | 'diode',
  forward: number,
): { readonly is: number; readonly n: number } {
  const [n, amps] = kind === 'led' ? [2, 4e-3] : [1.8, 1e-3];
  return { is: amps / (Math.exp(forward / (n * THERMAL_VOLTS)) - 1), n };
}
