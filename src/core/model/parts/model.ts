import type { Part, PartKind, PartOf } from '../../assembly';
import type { Element, NodeName, Taper } from '../../circuit';

/** Where a part's leads are in the circuit, and how it stands. */
export interface PartPlace {
  readonly at: (lead: string) => NodeName;
  /** What it is of what it should be: 1.05 for one that is 5 % over. */
  readonly times: number;
  /** Of a control, from 0 down to 1 up. */
  readonly turn?: number | undefined;
  readonly taper?: Taper | undefined;
  /** How far its halves are apart. */
  readonly tracking?: number | undefined;
}

/** A resistance that an ohmmeter finds between two leads, Ω. */
export interface Measured {
  readonly between: readonly [string, string];
  readonly ohms: number;
}

/** Where the values of a lead lie: as they are marked, or all at the lowest or the highest that they may be. */
export type Corner = 'low' | 'marked' | 'high';

/** How a part stands on the meter. */
export interface Standing {
  /** Turn of a control, from 0 down to 1 up. */
  readonly turn: number;
  readonly corner: Corner;
  /** What its value is of what it should be, by its tolerance: 1.05 for one that is 5 % over. */
  readonly times: number;
}

/** Two leads of a part on the meter, and what that is set to. */
export interface Legs {
  readonly red: string;
  readonly black: string;
  readonly mode?: 'diode' | 'capacitance';
}

/** What one kind of part is in a circuit, and to a meter. What is left out it is not: open. */
export interface PartModel<P = Part> {
  readonly kind: PartKind;
  /** How far its value may be off where nothing is said of it, a share (from memory). */
  readonly usual: number;
  elements(part: P, place: PartPlace): readonly Element[];
  /** Groups of leads between which direct current passes. */
  passes?(part: P): readonly (readonly string[])[];
  /** What an ohmmeter finds. */
  measures?(part: P, standing: Standing): readonly Measured[];
  /** Between which two of its leads it is measured by itself, and with what, red and black in order; nothing where it cannot be. */
  legs?(part: P): readonly Legs[];
  /** The forward voltage of the junction that it is, V. */
  junction?(part: P): number | undefined;
  /** The capacitance that it is, F. */
  stores?(part: P): number | undefined;
}

/** Ties what is said of a kind to its fields. */
export const partModel = <Kind extends PartKind>(
  model: PartModel<PartOf<Kind>> & { readonly kind: Kind },
): typeof model => model;
