import { createHash } from 'node:crypto';
import { sql } from 'kysely';
import type { Database } from '../db';
import { migrationsRun, tablesInOrder } from './tables';

/** The version of backups written today. */
export const BACKUP_VERSION = 1;
const AT_ONCE = 500;

/**
 * The whole house as JSON lines, as it was at one moment while people go on working: what it is; every row of every table,
 * those first that others refer to; and at the end how many of each there are, and the checksum of all lines before.
 * The connection must have no limit on its queries.
 */
export async function* backupLines(
  db: Database,
  { app, at }: { readonly app: string; readonly at: string },
): AsyncGenerator<string> {
  const hash = createHash('sha256');
  const counts: Record<string, number> = {};
  const line = (value: string): string => {
    hash.update(value).update('\n');
    return `${value}\n`;
  };
  // One snapshot for all tables. The lines leave while it is open.
  const snapshot = await db.startTransaction().setIsolationLevel('repeatable read').execute();
  try {
    const migration = (await migrationsRun(snapshot)).at(-1) ?? '';
    yield line(JSON.stringify({ antler: 'house', version: BACKUP_VERSION, migration, app, at }));
    for (const table of await tablesInOrder(snapshot)) {
      counts[table] = 0;
      await sql`declare every no scroll cursor for select row_to_json(t)::text as row from ${sql.table(table)} t`.execute(
        snapshot,
      );
      for (;;) {
        const { rows } = await sql<{ row: string }>`fetch ${sql.lit(AT_ONCE)} from every`.execute(snapshot);
        if (rows.length === 0) break;
        counts[table] += rows.length;
        yield rows.map(({ row }) => line(`{"table":${JSON.stringify(table)},"row":${row}}`)).join('');
      }
      await sql`close every`.execute(snapshot);
    }
    yield `${JSON.stringify({ end: true, counts, sha256: hash.digest('hex') })}\n`;
  } finally {
    await snapshot.rollback().execute();
  }
}
