import type { Generated, JSONColumnType } from 'kysely';
import type { OwnEntry } from '../../core/catalogue';
import type { House } from '../../core/house';
import type { ChangedAt } from '../db/columns';

/** One row: what is settled for the house. */
export interface HouseTable {
  singleton: Generated<boolean>;
  document: JSONColumnType<House>;
  changed_at: ChangedAt;
}

/** A connector or a cable of the workshop's own. */
export interface OwnEntryTable {
  kind: 'connector' | 'cable';
  id: string;
  document: JSONColumnType<OwnEntry>;
  changed_at: ChangedAt;
}

/** Its tables by their names. */
export interface WorkshopTables {
  house: HouseTable;
  own_entry: OwnEntryTable;
}
