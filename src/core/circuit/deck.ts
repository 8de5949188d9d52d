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
  /** What is printed of each; all node voltages where nothing is named. */
  readonly print: { readonly op: readonly Vector[]; readonly ac: readonly Vector[] };
}

/** The frequencies of a sweep, Hz, as SPICE counts them. */
export function frequenciesOf({ spacing, points, from, to }: SweepCard): readonly number[] {
  if (spacing === 'lin')
    return points < 2
      ? [from]
      : Array.from({ length: points }, (_, n) => from + ((to - from) * n) / (points - 1));
  const step = spacing === 'dec' ? 10 : 2;
  const count = Math.floor((Math.log(to / from) / Math.log(step)) * points + 1e-6) + 1;
  return Array.from({ length: count }, (_, n) => from * step ** (n / points));
}
