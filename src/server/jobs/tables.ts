import type { Generated } from 'kysely';
import type { TakenAt } from '../db/columns';

export interface JobTable {
  seq: Generated<string>;
  id: string;
  name: string;
  note: string;
  /** Whether it came with the demo. */
  demo: Generated<boolean>;
  /** When it was put away; nothing where it is at hand. */
  away_at: Date | null;
  /** Since when the shelf holds what it takes; nothing where it does not. */
  held_at: Date | null;
  created_at: TakenAt;
}

/** Its tables by their names. */
export interface JobTables {
  job: JobTable;
}
