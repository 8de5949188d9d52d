import { Kysely, Migrator, PostgresDialect } from 'kysely';
import pg from 'pg';
import { MIGRATIONS } from './migrations';
import type { Tables } from '../tables';

export type Database = Kysely<Tables>;

/**
 * Opens a pool on a PostgreSQL address. Connections that the database drops are replaced by the next query, so that
 * the app comes back by itself when the database does; `onLost` hears of them.
 */
export function connect(url: string, onLost: (error: Error) => void = () => undefined): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: 8,
    connectionTimeoutMillis: 3_000,
    statement_timeout: 15_000,
    idleTimeoutMillis: 30_000,
  });
  pool.on('error', onLost);
  return new Kysely<Tables>({ dialect: new PostgresDialect({ pool }) });
}

const migrator = (db: Database): Migrator =>
  new Migrator({ db, provider: { getMigrations: () => Promise.resolve({ ...MIGRATIONS }) } });

/** Brings the schema up to date. Kysely holds a lock while it does, so that two starts at once run it once. */
export async function migrate(db: Database): Promise<void> {
  const { error } = await migrator(db).migrateToLatest();
  if (error) throw error instanceof Error ? error : new Error(JSON.stringify(error));
}

/** Brings the schema to where it was after this migration, up or down. */
export async function migrateTo(db: Database, name: string): Promise<void> {
  const { error } = await migrator(db).migrateTo(name);
  if (error) throw error instanceof Error ? error : new Error(JSON.stringify(error));
}

/** Takes the schema back to nothing. */
export async function unmigrate(db: Database): Promise<void> {
  for (let left = true; left;) {
    const { error, results } = await migrator(db).migrateDown();
    if (error) throw error instanceof Error ? error : new Error(JSON.stringify(error));
    left = (results?.length ?? 0) > 0;
  }
}

/** Runs work in a transaction: the one that is open already, or a new one. */
export const inTransaction = <T>(db: Database, work: (db: Database) => Promise<T>): Promise<T> =>
  db.isTransaction ? work(db) : db.transaction().execute(work);
