import type { Generated, JSONColumnType } from 'kysely';
import type { CutPlan } from '../../core/stock';
import type { ChangedAt } from '../db/columns';

/** How many of a lead its job asks for; one where it has no row. */
export interface MakingTable {
  lead_id: string;
  count: number;
  /** As pairs, left and right: twice as many. */
  pairs: Generated<boolean>;
  at: ChangedAt;
}

/** A cutting plan with the number that the ids of all its cuts come from. */
export interface Planned {
  readonly seed: string;
  readonly plan: CutPlan;
}

/** The cutting plan of one cable of a job. */
export interface CutPlanTable {
  job_id: string;
  item: string;
  document: JSONColumnType<Planned>;
  at: ChangedAt;
}

/** Its tables by their names. */
export interface MakingTables {
  making: MakingTable;
  cut_plan: CutPlanTable;
}
