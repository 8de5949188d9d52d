import { sql } from 'kysely';
import { loadWorld } from '../../demo/load';
import { connectAtLeisure, inTransaction, migrate, unmigrate, type Database } from '../server/db';

/** What the bootstrap asks of the database: `migrate`, `seed` an empty one, `reset` to the demo, `unmigrate`. */
const COMMANDS: Readonly<Record<string, (db: Database) => Promise<void>>> = {
  migrate,
  unmigrate,
  async seed(db) {
    const { count } = await db
      .selectFrom('job')
      .select(({ fn }) => fn.countAll<string>().as('count'))
      .executeTakeFirstOrThrow();
    if (count === '0') await inTransaction(db, loadWorld);
  },
  async reset(db) {
    const { rows } = await sql<{ name: string }>`
      select table_name as name from information_schema.tables
      where table_schema = 'public' and table_type = 'BASE TABLE' and table_name not like 'kysely%'`.execute(
      db,
    );
    await sql`truncate ${sql.join(rows.map(({ name }) => sql.table(name)))} restart identity`.execute(db);
    await sql`select setval('record_place', 1, false)`.execute(db);
    await inTransaction(db, loadWorld);
  },
};

const url = process.env['DATABASE_URL'];
const command = COMMANDS[process.argv[2] ?? ''];
if (!url || !command) {
  console.error(`usage: DATABASE_URL=… node dist/admin.mjs ${Object.keys(COMMANDS).join('|')}`);
  process.exit(2);
}
const db = connectAtLeisure(url);
try {
  await command(db);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await db.destroy();
}
