import type { Generated } from 'kysely';
import type { TakenAt } from '../db/columns';

export interface JobTable {
  seq: Generated<string>;
  id: string;
  name: string;
  note: string;
  created_at: TakenAt;
}

/** Its tables by their names. */
export interface JobTables {
  job: JobTable;
}
