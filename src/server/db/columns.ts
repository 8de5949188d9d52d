import type { ColumnType } from 'kysely';

/** When the database took it: set by the database. */
export type TakenAt = ColumnType<Date, never, never>;

/** When it was last written: set by the database at first. */
export type ChangedAt = ColumnType<Date, Date | undefined, Date>;
