import { sql } from 'kysely';
import type { Database } from '../db';
import { MIGRATIONS } from '../db/migrations';
import { BadBackup, readManifest, rowsOf, type Manifest } from './file';
import { migrationsRun, tablesInOrder } from './tables';

const AT_ONCE = 500;

/** Whether nothing was ever recorded in a house. */
export async function isEmptyHouse(db: Database): Promise<boolean> {
  if ((await migrationsRun(db)).length === 0) return true;
  for (const table of await tablesInOrder(db)) {
    const { rows } = await sql`select 1 from ${sql.table(table)} limit 1`.execute(db);
    if (rows.length > 0) return false;
  }
  return true;
}

/**
 * Puts a backup in the place of what is in the database, all of it or nothing, and brings it up to date. A house that is not
 * empty is refused unless it may be overwritten. Throws {@link BadBackup}.
 */
export async function restore(
  db: Database,
  file: string,
  { overwrite = false }: { readonly overwrite?: boolean } = {},
): Promise<Manifest> {
  const manifest = await readManifest(file);
  const names = Object.keys(MIGRATIONS);
  if (!names.includes(manifest.migration))
    throw new BadBackup(`${file} is of a newer database (${manifest.migration}) than this Antler knows.`);
  if (!overwrite && !(await isEmptyHouse(db)))
    throw new BadBackup(
      'This house is not empty: restore into a new data folder, or say --overwrite to put the backup in its place.',
    );
  await db.transaction().execute(async (trx) => {
    await emptied(trx, names);
    const till = names.indexOf(manifest.migration) + 1;
    for (const name of names.slice(0, till)) await MIGRATIONS[name]?.up(trx);
    await putRows(trx, file);
    await putSequences(trx);
    for (const name of names.slice(till)) await MIGRATIONS[name]?.up(trx);
    for (const name of names)
      await sql`insert into kysely_migration (name, timestamp) values (${name}, now()::text)`.execute(trx);
  });
  return manifest;
}

/** Takes the schema back to nothing, with all that is in it. */
async function emptied(trx: Database, names: readonly string[]): Promise<void> {
  const tables = await tablesInOrder(trx);
  if (tables.length > 0)
    await sql`truncate ${sql.join(tables.map((name) => sql.table(name)))} restart identity cascade`.execute(
      trx,
    );
  const run = await migrationsRun(trx);
  for (const name of names.filter((each) => run.includes(each)).reverse())
    await MIGRATIONS[name]?.down?.(trx);
  await sql`delete from kysely_migration`.execute(trx);
}

async function putRows(trx: Database, file: string): Promise<void> {
  let table: string | undefined;
  let rows: string[] = [];
  const put = async (): Promise<void> => {
    if (table === undefined || rows.length === 0) return;
    await sql`
      insert into ${sql.table(table)} overriding system value
      select * from jsonb_populate_recordset(null::${sql.table(table)}, ${`[${rows.join(',')}]`}::jsonb)`.execute(
      trx,
    );
    rows = [];
  };
  for await (const row of rowsOf(file)) {
    if (row.table !== table || rows.length >= AT_ONCE) {
      await put();
      table = row.table;
    }
    rows.push(row.json);
  }
  await put();
}

/** What counts up goes on after the highest that was restored. */
async function putSequences(trx: Database): Promise<void> {
  const { rows } = await sql<{ table: string; column: string; sequence: string }>`
    select c.table_name as table, c.column_name as column,
      coalesce(pg_get_serial_sequence(quote_ident(c.table_name), c.column_name),
               substring(c.column_default from 'nextval\\(''([^'']+)''')) as sequence
    from information_schema.columns c
    where c.table_schema = 'public' and c.table_name not like 'kysely%'
      and (c.is_identity = 'YES' or c.column_default like 'nextval(%')`.execute(trx);
  for (const { table, column, sequence } of rows) {
    const { rows: found } = await sql<{ most: string | null }>`
      select max(${sql.ref(column)}) as most from ${sql.table(table)}`.execute(trx);
    const most = found[0]?.most;
    // Two tables may share one: it only ever goes up.
    if (most !== null && most !== undefined)
      await sql`select setval(${sequence}, greatest(${most}::bigint, (select last_value from ${sql.raw(sequence)})))`.execute(
        trx,
      );
  }
}
