import type { Circuit } from '../circuit';
import type { Result } from '../quantity';

/** The channels that a figure is of, by name: what sends, and what receives. */
export interface FigureLink {
  readonly out: string;
  readonly in: string;
}

/** A computed figure with where it comes from: what a number opens to. */
export interface Figure {
  /** What it is, the same for every link: `gain`, `hum`. */
  readonly kind: string;
  /** Of which link, where it is of one. */
  readonly link?: FigureLink;
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  /** The value in words with its unit: “−6.3 dB”. */
  readonly says: string;
  /** In symbols of the trade; the circuit gives the number, and this is what it comes to. */
  readonly formula: string;
  readonly inputs: readonly (readonly [name: string, says: string])[];
  readonly source: string;
  /** Between what it lies where it hangs on figures known from memory only. */
  readonly range?: {
    readonly low: number;
    readonly high: number;
    readonly says: string;
    readonly hangsOn: string;
  };
}

export interface Axis {
  readonly name: string;
  readonly unit: string;
  readonly scale: 'linear' | 'log';
}

export interface Chart {
  readonly name: string;
  readonly x: Axis;
  readonly y: Axis;
  /** Told apart by name and by dashes, not by colour alone. */
  readonly series: readonly {
    readonly name: string;
    readonly points: readonly (readonly [number, number])[];
  }[];
  /** A value worth a line across. */
  readonly mark?: { readonly y: number; readonly says: string };
}

export type Weight = 'good' | 'note' | 'caution' | 'stop';

/** Rows that no chart gives: a truth table, a list of values tried. */
export interface Table {
  readonly name: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** What a question comes to. */
export interface Answer {
  /** The verdict in one sentence. */
  readonly says: string;
  readonly weight: Weight;
  readonly figures: readonly Figure[];
  readonly chart?: Chart;
  readonly table?: Table;
  /** The circuit that it was solved from. */
  readonly circuit: Circuit;
  /** What it leaves out, and cautions. */
  readonly notes: readonly string[];
}

/** Something that is asked for in a question's sentence. */
export type Slot =
  | {
      readonly id: string;
      readonly kind: 'number';
      readonly name: string;
      readonly unit: string;
      readonly usual: number;
      readonly min: number;
      readonly max: number;
    }
  | {
      readonly id: string;
      readonly kind: 'choice';
      readonly name: string;
      readonly options: Readonly<Record<string, string>>;
      readonly usual: string;
    };

export interface Values {
  readonly number: (id: string) => number;
  readonly choice: (id: string) => string;
}

/** One sum of the trade: a sentence with slots, and what it comes to. Added by one file and one line in the index. */
export interface Question {
  readonly id: string;
  readonly name: string;
  /** The sentence: words, and `{slot}` where something is asked. */
  readonly sentence: string;
  readonly slots: readonly Slot[];
  readonly answer: (values: Values) => Result<Answer>;
}
