import { sql, type Kysely, type Migration } from 'kysely';

/** The house's answers to the schools, and connectors and cables of the workshop's own. */
export const workshop: Migration = {
  async up(db: Kysely<unknown>) {
    const now = sql`now()`;
    await db.schema
      .createTable('workshop')
      .addColumn('singleton', 'boolean', (c) =>
        c
          .primaryKey()
          .defaultTo(true)
          .check(sql`singleton`),
      )
      .addColumn('schools', 'jsonb', (c) => c.notNull())
      .addColumn('changed_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .execute();
    await db.schema
      .createTable('own_entry')
      .addColumn('kind', 'text', (c) => c.notNull().check(sql`kind in ('connector', 'cable')`))
      .addColumn('id', 'text', (c) => c.notNull())
      .addColumn('entry', 'jsonb', (c) => c.notNull())
      .addColumn('changed_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addPrimaryKeyConstraint('own_entry_key', ['kind', 'id'])
      .execute();
  },
  async down(db: Kysely<unknown>) {
    for (const table of ['own_entry', 'workshop']) await db.schema.dropTable(table).execute();
  },
};
