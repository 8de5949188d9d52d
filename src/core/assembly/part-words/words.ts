import type { Part, PartKind, PartOf } from '../parts';

/** What one kind of part is called on a bag, and its value as it is written there. */
export interface PartWords<P = Part> {
  readonly kind: PartKind;
  readonly name: string;
  value(part: P): string;
  /** What is marked on it for the way round that it goes in, by what each of its leads is toward. */
  way?(part: P, toward: (lead: string) => string): string | undefined;
  /** What the hand knows one of its leads by: “the long leg”. Nothing where it is like the others. */
  leg?(lead: string): string | undefined;
  /** Whatever else has to be asked for. */
  more?(part: P): readonly string[];
}

/** Ties the words of a kind to its fields. */
export const partWords = <Kind extends PartKind>(
  words: PartWords<PartOf<Kind>> & { readonly kind: Kind },
): typeof words => words;
