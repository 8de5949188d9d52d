import { Kysely, Migrator, PostgresDialect } from 'kysely';
import pg from 'pg';
import { isCollision } from './away';
import { MIGRATIONS } from './migrations';
import { guardedPool, type Patience } from './pool';
import type { Tables } from '../tables';

export type Database = Kysely<Tables>;

/**
 * Opens a pool on a PostgreSQL address. Connections that the database drops are replaced by the next query, so that
 * the app comes back by itself when the database does; `onLost` hears of them.
 */
export const connect = (
  url: string,
  onLost: (error: Error) => void = () => undefined,
  patience?: Patience,
): Database =>
  new Kysely<Tables>({ dialect: new PostgresDialect({ pool: guardedPool(url, onLost, patience) }) });

/**
 * Opens one connection with no limit on how long a query may take, for what is long: migrations, backups, restoring. Where it
 * breaks, what is asked of it fails, and nothing else.
 */
export function connectAtLeisure(url: string): Database {
  const pool = new pg.Pool({ connectionString: url, max: 1 });
  pool.on('error', () => undefined);
  pool.on('connect', (client) => client.on('error', () => undefined));
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

/**
 * Runs work in a transaction: the one that is open already, or a new one. Where two got into each other's way it is run
 * once more.
 */
export async function inTransaction<T>(db: Database, work: (db: Database) => Promise<T>): Promise<T> {
  if (db.isTransaction) return work(db);
  try {
    return await db.transaction().execute(work);
  } catch (error) {
    if (!isCollision(error)) throw error;
    return db.transaction().execute(work);
  }
}
