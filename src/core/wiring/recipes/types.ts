import type { Because } from '../../assembly';
import type { Problem } from '../../quantity';
import type { Ask } from '../intent';
import type { Plan } from '../plan';

/** Whether a recipe suits what is asked, and why. */
export type Fit =
  | { readonly fits: true; readonly why: string }
  /** `problem` is given when it is the right recipe but for one thing that can be mended. */
  | { readonly fits: false; readonly why: string; readonly problem?: Problem };

/** A way of wiring one kind of lead. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  readonly fit: (ask: Ask) => Fit;
  /** The wiring, for an ask that fits; and what was decided on the way. */
  readonly plan: (ask: Ask) => { readonly plan: Plan; readonly reasons: readonly Because[] };
}
