import { sql } from 'kysely';
import type { Database } from '../db';

/** Every table of ours, each after those that it refers to: nothing has to be listed by hand. */
export async function tablesInOrder(db: Database): Promise<readonly string[]> {
  const { rows: tables } = await sql<{ name: string }>`
    select table_name as name from information_schema.tables
    where table_schema = 'public' and table_type = 'BASE TABLE' and table_name not like 'kysely%'
    order by table_name`.execute(db);
  const { rows: references } = await sql<{ from: string; to: string }>`
    select conrelid::regclass::text as from, confrelid::regclass::text as to
    from pg_constraint where contype = 'f'`.execute(db);
  const order: string[] = [];
  const place = (name: string): void => {
    if (order.includes(name)) return;
    for (const { from, to } of references) if (from === name && to !== name) place(to);
    order.push(name);
  };
  for (const { name } of tables) place(name);
  return order;
}

/** The migrations that have been run, in their order. */
export async function migrationsRun(db: Database): Promise<readonly string[]> {
  const { rows } = await sql<{ is: boolean }>`
    select to_regclass('public.kysely_migration') is not null as is`.execute(db);
  if (!rows[0]?.is) return [];
  const { rows: run } = await sql<{ name: string }>`select name from kysely_migration order by name`.execute(
    db,
  );
  return run.map(({ name }) => name);
}
