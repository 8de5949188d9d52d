import { sql, type Kysely, type Migration } from 'kysely';

/** What was picked of a lead’s kit, left out or is there already, line by line: it goes with the lead. */
export const picks: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table kit_pick (
        lead_id uuid not null references lead (id) on delete cascade,
        line text not null check (length(line) between 1 and 400),
        state text not null check (state in ('picked', 'have', 'waived')),
        at timestamptz not null default now(),
        primary key (lead_id, line))`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop table kit_pick`.execute(db);
  },
};
