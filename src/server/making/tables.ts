import type { Generated } from 'kysely';
import type { ChangedAt } from '../db/columns';

/** How many of a lead its job asks for; one where it has no row. */
export interface MakingTable {
  lead_id: string;
  count: number;
  /** As pairs, left and right: twice as many. */
  pairs: Generated<boolean>;
  at: ChangedAt;
}

/** Its tables by their names. */
export interface MakingTables {
  making: MakingTable;
}
