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

/** What one kind of part is in a circuit, and to a meter. What is left out it is not: open. */
export interface PartModel<P = Part> {
  readonly kind: PartKind;
  elements(part: P, place: PartPlace): readonly Element[];
  /** Groups of leads between which direct current passes. */
  passes?(part: P): readonly (readonly string[])[];
  /** What an ohmmeter finds, with a control at this turn. */
  measures?(part: P, turn: number): readonly Measured[];
}

/** Ties what is said of a kind to its fields. */
export const partModel = <Kind extends PartKind>(
  model: PartModel<PartOf<Kind>> & { readonly kind: Kind },
): typeof model => model;
