import { sql, type Kysely, type Migration } from 'kysely';
import { stateOf, type BenchEvent, type EventKind } from '../../../core/bench';

/**
 * What was asked under a client's id, so that it is done once and is the same thing when it is asked again; where each
 * unit stands, so that an event is judged without its history; and the readings after a mending by an index.
 */
export const once: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table request (
        id uuid primary key,
        -- Nothing for what was asked before this was kept: it counts as the same.
        hash text,
        created_at timestamptz not null default now())`.execute(db);
    await sql`insert into request (id) select request_id from lead_revision union select id from unit union select id from job`.execute(
      db,
    );
    await sql`alter table unit add column state jsonb`.execute(db);
    const units = await sql<{ id: string }>`select id from unit`.execute(db);
    for (const { id } of units.rows) {
      const events = await sql<{
        id: string;
        kind: EventKind;
        operation: string | null;
        text: string | null;
        at: Date;
      }>`
        select id, kind, operation, text, at from bench_event where unit_id = ${id} order by place`.execute(
        db,
      );
      const state = stateOf(
        events.rows.map((row): BenchEvent => ({
          id: row.id,
          kind: row.kind,
          operation: row.operation ?? undefined,
          text: row.text ?? undefined,
          at: row.at.toISOString(),
        })),
      );
      await sql`update unit set state = ${JSON.stringify(state)}::jsonb where id = ${id}`.execute(db);
    }
    await sql`alter table unit alter column state set not null`.execute(db);
    for (const table of ['bench_event', 'reading'])
      await sql`create index ${sql.ref(`${table}_unit_place`)} on ${sql.table(table)} (unit_id, place)`.execute(
        db,
      );
    await sql`create index reading_after on reading (unit_id, after, place)`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop index reading_after`.execute(db);
    for (const table of ['bench_event', 'reading'])
      await sql`drop index ${sql.ref(`${table}_unit_place`)}`.execute(db);
    await sql`alter table unit drop column state`.execute(db);
    await sql`drop table request`.execute(db);
  },
};
