import { sql, type Kysely, type Migration } from 'kysely';

const APPEND_ONLY = ['lead_revision', 'bench_event', 'reading'] as const;

/** Jobs, leads with their revisions, units pinned to one, and what happened at the bench and the meter. */
export const first: Migration = {
  async up(db: Kysely<unknown>) {
    const now = sql`now()`;
    await db.schema
      .createTable('job')
      .addColumn('seq', 'bigint', (c) => c.notNull().generatedAlwaysAsIdentity().unique())
      .addColumn('id', 'uuid', (c) => c.primaryKey())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('note', 'text', (c) => c.notNull())
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .execute();
    await db.schema
      .createTable('lead')
      .addColumn('seq', 'bigint', (c) => c.notNull().generatedAlwaysAsIdentity().unique())
      .addColumn('id', 'uuid', (c) => c.primaryKey())
      .addColumn('job_id', 'uuid', (c) => c.notNull().references('job.id'))
      .addColumn('revision', 'integer', (c) => c.notNull())
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .execute();
    await db.schema.createIndex('lead_job').on('lead').column('job_id').execute();
    await db.schema
      .createTable('lead_revision')
      .addColumn('lead_id', 'uuid', (c) => c.notNull().references('lead.id'))
      .addColumn('revision', 'integer', (c) => c.notNull().check(sql`revision > 0`))
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('intent', 'jsonb', (c) => c.notNull())
      .addColumn('assembly', 'jsonb', (c) => c.notNull())
      .addColumn('request_id', 'uuid', (c) => c.notNull().unique())
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addPrimaryKeyConstraint('lead_revision_key', ['lead_id', 'revision'])
      .execute();
    await db.schema
      .createTable('unit')
      .addColumn('id', 'uuid', (c) => c.primaryKey())
      .addColumn('number', 'integer', (c) => c.notNull().generatedAlwaysAsIdentity().unique())
      .addColumn('lead_id', 'uuid', (c) => c.notNull())
      .addColumn('revision', 'integer', (c) => c.notNull())
      .addColumn('builder', 'text', (c) => c.notNull())
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addForeignKeyConstraint('unit_pinned', ['lead_id', 'revision'], 'lead_revision', [
        'lead_id',
        'revision',
      ])
      .execute();
    for (const table of ['bench_event', 'reading'] as const) {
      const common = db.schema
        .createTable(table)
        .addColumn('seq', 'bigint', (c) => c.notNull().generatedAlwaysAsIdentity().unique())
        .addColumn('id', 'uuid', (c) => c.primaryKey())
        .addColumn('unit_id', 'uuid', (c) => c.notNull().references('unit.id'));
      const own =
        table === 'bench_event'
          ? common
              .addColumn('kind', 'text', (c) => c.notNull())
              .addColumn('operation', 'text')
              .addColumn('text', 'text')
          : common
              .addColumn('probe', 'text', (c) => c.notNull())
              .addColumn('answer', 'jsonb', (c) => c.notNull());
      await own
        .addColumn('at', 'timestamptz', (c) => c.notNull())
        .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
        .execute();
      await db.schema.createIndex(`${table}_unit`).on(table).columns(['unit_id', 'seq']).execute();
    }
    await sql`
      create function only_append() returns trigger language plpgsql as
      $$ begin raise exception '% is append-only: a correction is another row', tg_table_name; end $$`.execute(
      db,
    );
    for (const table of APPEND_ONLY)
      await sql`create trigger only_append before update or delete on ${sql.table(table)}
        for each row execute function only_append()`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    for (const table of ['reading', 'bench_event', 'unit', 'lead_revision', 'lead', 'job'])
      await db.schema.dropTable(table).execute();
    await sql`drop function only_append()`.execute(db);
  },
};
