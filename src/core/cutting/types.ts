import type { Datum } from '../assembly';
import type { CableConductor } from '../catalogue';
import type { Millimetres } from '../quantity';

/** One thing that makes a cut longer or shorter than the length asked for, mm, with its reason. */
export interface Allowance {
  readonly what: string;
  readonly mm: number;
  readonly because: string;
}

/** One wire of a cable that is none yet: loose wires that are cut each by itself. */
export interface CutWire {
  readonly id: string;
  readonly colour: CableConductor['colour'];
  readonly mm: Millimetres;
  /** Why it is longer than the others. */
  readonly because?: string;
}

export interface Cut {
  readonly span: string;
  readonly cable: string;
  /** Asked length first, then every allowance; they add up to `total`. */
  readonly allowances: readonly Allowance[];
  /** To cut off the reel, mm: of loose wires the length of most of them. */
  readonly total: Millimetres;
  /** Of loose wires, each with what is cut of it. */
  readonly wires?: readonly CutWire[];
  /** It is no reel’s: a donor lead is cut to it, measured from the face, tip or jacket of this end, which stays. */
  readonly from?: { readonly end: string; readonly datum: Datum };
}

/** Where a cable is parted into its legs: what comes off its jacket there, from the raw end. */
export interface Parting {
  readonly body: string;
  readonly trunk: string;
  /** The longest leg’s own way, its strip-back and trim; they add up to `jacketMm`. */
  readonly allowances: readonly Allowance[];
  readonly jacketMm: Millimetres;
  /** Each leg as it is cut, from the split, mm. */
  readonly legs: readonly { readonly span: string; readonly mm: Millimetres }[];
}
