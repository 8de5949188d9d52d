import type { Assembly, Terminal } from '../../assembly';
import type { ResistiveElement } from '../../model';
import type { Situation } from '../../situation';

export type FaultKind =
  | 'open'
  | 'short'
  | 'crossed'
  | 'reversed'
  | 'high resistance'
  | 'shell'
  | 'leak'
  | 'part'
  | 'channels'
  | 'touching';

/** A faulty lead. Two of them when the fault has a range of sizes: its mildest and its worst. */
export interface Variant {
  readonly assembly: Assembly;
  readonly extra?: readonly ResistiveElement[];
}

/** One thing that can have gone wrong, at one place. */
export interface Fault {
  readonly id: string;
  readonly kind: FaultKind;
  /** What it is, in terms of contacts. Faults that read the same and say the same differ only in place. */
  readonly says: string;
  /** Where: a body, a span, or two bodies together. */
  readonly place: string;
  readonly look: string;
  readonly cause: string;
  readonly remedy: string;
  /** What an eye would see of it before the lead is closed: where these conductors sit, or how this part is fitted. */
  readonly eye?: { readonly conductors: readonly Terminal[] } | { readonly part: string };
  /** Why it may read as a good lead does, where it may. */
  readonly blind?: string;
  /** Whether it may be of any size from nothing up: a reading between a good one and its mildest is of it too. */
  readonly fromNothing?: true;
  /** How often it happens against the others (breaks are commoner than shorts: common practice). */
  readonly weight: number;
  /** Terminals of every piece of metal that it has to do with: between others a meter reads as ever. */
  readonly near: readonly Terminal[];
  /** The lead with this fault. Made when it is asked for: of hundreds of faults few are ever looked at. */
  readonly variants: () => readonly Variant[];
}

/** A kind of fault: all the places of a lead where it can happen. */
export type FaultModel = (assembly: Assembly, situation: Situation | undefined) => readonly Fault[];
