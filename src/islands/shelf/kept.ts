import type { CutPlan } from '../../core/stock';

/** A plan as it is cut by: what of it is done. */
export interface KeptPlan {
  readonly plan: CutPlan;
  readonly cut: readonly string[];
  /** By piece of stock: under which ids its cuts are recorded, so that however often one is pressed it is cut once. */
  readonly ids: Readonly<Record<string, readonly string[]>>;
}

/** What this browser keeps of the cutting for a job. */
export interface Kept {
  readonly kerfMm: number;
  readonly leastMm: number;
  /** By cable. */
  readonly plans: Readonly<Record<string, KeptPlan>>;
}
