import { sql, type Kysely, type Migration } from 'kysely';

/**
 * What the board shows is worked out once: of each lead what its newest revision comes to, of each unit where it stands. What
 * is not there, or was worked out by other rules, is worked out when it is asked for and meanwhile.
 */
export const summaries: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table lead_summary (
        lead_id uuid primary key references lead (id) on delete cascade,
        revision integer not null,
        rules text not null,
        words text not null,
        content jsonb not null)`.execute(db);
    await sql`alter table unit add column stand jsonb`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`alter table unit drop column stand`.execute(db);
    await sql`drop table lead_summary`.execute(db);
  },
};
