import { nearestE24 } from '../quantity';

/** What matched pads are made for, Ω (common practice). */
export const LINE_OHMS = 600;
/** A bridging pad's shunt is about this fraction of the input, so that the input sees a low impedance (common practice). */
const SHUNT_PART = 13;

export type PadDesign = 'bridging' | 'matched-t' | 'matched-pi';

export interface PadValues {
  /** Series resistance in the whole loop, before and after the middle, Ω. */
  readonly series: readonly number[];
  /** Across the line: at the input, in the middle or at the output, Ω. */
  readonly shunts: readonly number[];
}

/**
 * Ideal pad resistances for a loss in dB, Ω. K = 10^(dB/20). Bridging into load RL: shunt RL ÷ 13, then series =
 * (shunt ∥ RL)(K − 1). Matched to Z: T has series Z(K − 1)/(K + 1) twice and shunt 2ZK/(K² − 1); π has series
 * Z(K² − 1)/(2K) and shunts Z(K + 1)/(K − 1) (textbook formulas, from memory).
 */
export function padValues(design: PadDesign, db: number, load: number): PadValues {
  const k = 10 ** (db / 20);
  if (design === 'matched-t') {
    const series = (LINE_OHMS * (k - 1)) / (k + 1);
    return { series: [series, series], shunts: [(2 * LINE_OHMS * k) / (k * k - 1)] };
  }
  if (design === 'matched-pi') {
    const shunt = (LINE_OHMS * (k + 1)) / (k - 1);
    return { series: [(LINE_OHMS * (k * k - 1)) / (2 * k)], shunts: [shunt, shunt] };
  }
  const shunt = nearestE24(load / SHUNT_PART);
  const under = 1 / (1 / shunt + 1 / load);
  return { series: [under * (k - 1)], shunts: [shunt] };
}
