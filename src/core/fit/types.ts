import type { Assembly } from '../assembly';

/** Something that has to go into, over or through something else, with both figures. */
export interface Fit {
  readonly id: string;
  /** Which rule says so. */
  readonly pair: string;
  /** The end or body that it is at. */
  readonly at: string;
  /** What goes into what, as a sentence begins. */
  readonly says: string;
  /** What there is, in words with its figure. */
  readonly has: string;
  /** What there is room for, in words with its figures. */
  readonly takes: string;
  /** How far it is from not fitting, mm: less than nothing where it does not; left out where one of them has to be measured. */
  readonly marginMm?: number;
  readonly verdict: 'fits' | 'tight' | 'not' | 'measure';
  /** What to do, where it is tight or does not fit, or what has to be known. */
  readonly todo?: string;
}

/** Where a lead is laid, as far as it asks for room. */
export interface OnItsWay {
  /** The narrowest place that it is pulled through, mm across. */
  readonly holeMm?: number | undefined;
  /** In a wall or a conduit. */
  readonly inWall?: boolean | undefined;
}

/** One kind of pair that has to fit. One is added by its file and its line. */
export interface Pair {
  readonly id: string;
  readonly what: string;
  readonly source: string;
  readonly of: (assembly: Assembly, way: OnItsWay) => readonly Fit[];
}

/** Nearer than this to not fitting it is tight, mm (nominal: dimensions are). */
export const TIGHT = 0.3;

/** What a margin comes to. */
export const verdictOf = (marginMm: number, tight = TIGHT): Fit['verdict'] =>
  marginMm < 0 ? 'not' : marginMm < tight ? 'tight' : 'fits';

/** A figure with what it is measured in: one decimal. */
export const figure = (mm: number): string => `${Math.round(mm * 10) / 10} mm`;
