import { type Circuit, type NodeName } from './elements';

/** How the frequencies of a sweep are spaced: points a decade, an octave, or in all. */
export interface SweepCard {
  readonly spacing: 'dec' | 'oct' | 'lin';
  readonly points: number;
  /** Hz. */
  readonly from: number;
  readonly to: number;
}

/** A vector that is printed: `v(n)`, `v(a,b)`, `i(v1)`, or magnitude, phase, dB, real or imaginary part of one. */
export interface Vector {
  readonly name: string;
  readonly part: '' | 'm' | 'p' | 'db' | 'r' | 'i';
  readonly of: { readonly volts: readonly [NodeName, NodeName] } | { readonly amps: string };
}

/** A plain SPICE deck as it is read or written: a circuit and what is asked of it. */
export interface Deck {
  readonly title: string;
  readonly circuit: Circuit;
  readonly op: boolean;
  readonly ac?: SweepCard;
  /** Commands that were read and change nothing here, as they stand in the deck. */
  readonly ignored?: readonly string[];
  /** What is printed of each; all node voltages where nothing is named. */
  readonly print: { readonly op: readonly Vector[]; readonly ac: readonly Vector[] };
}

/** Rounding that must not cost a step where the span is a whole number of them. */
const ROUNDING = 1e-9;

/**
 * The frequencies of a sweep, Hz, as the reference simulator counts them (measured beside it): by decades as many whole steps
 * as there is room for, drawn out so that the last falls on the end; by octaves steps of a whole fraction of one, the last
 * at the end or before it; in line evenly, and of fewer than three the first alone. None where by decades not even one
 * step has room.
 */
export function frequenciesOf({ spacing, points, from, to }: SweepCard): readonly number[] {
  if (spacing === 'lin')
    return points < 3 || to === from
      ? [from]
      : Array.from({ length: points }, (_, n) => from + ((to - from) * n) / (points - 1));
  if (spacing === 'dec') {
    const steps = Math.floor(points * Math.log10(to / from) + ROUNDING);
    return steps < 1 ? [] : Array.from({ length: steps + 1 }, (_, n) => from * (to / from) ** (n / steps));
  }
  const steps = Math.floor(points * Math.log2(to / from) + ROUNDING);
  return Array.from({ length: steps + 1 }, (_, n) => from * 2 ** (n / points));
}
