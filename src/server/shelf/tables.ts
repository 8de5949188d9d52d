import type { ColumnType, Generated, GeneratedAlways, JSONColumnType } from 'kysely';
import type { ShelfEvent } from '../../core/stock';
import type { ChangedAt } from '../db/columns';

/** One piece of the shelf: what is locked while something happens to it. */
export interface ShelfPieceTable {
  id: string;
  at: ChangedAt;
}

/** What happened to a piece, in the order in which it was recorded. */
export interface ShelfEventTable {
  seq: GeneratedAlways<string>;
  id: string;
  piece_id: string;
  document: JSONColumnType<ShelfEvent>;
  recorded_at: Generated<ColumnType<Date, never, never>>;
}

/** Its tables by their names. */
export interface ShelfTables {
  shelf_piece: ShelfPieceTable;
  shelf_event: ShelfEventTable;
}
