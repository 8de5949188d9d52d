import type { TakenAt } from './columns';

/** What was asked under a client's id. */
export interface RequestTable {
  id: string;
  /** Of what was asked; nothing for what was asked before this was kept. */
  hash: string | null;
  created_at: TakenAt;
}

/** Its table by its name. */
export interface RequestTables {
  request: RequestTable;
}
