import { sql, type Kysely, type Migration } from 'kysely';

/** What the shelf holds for a job, and the cutting plan of each of its cables: one for everybody who cuts. */
export const cutting: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`alter table job add column held_at timestamptz`.execute(db);
    await sql`
      create table cut_plan (
        job_id uuid not null references job (id) on delete cascade,
        item text not null check (length(item) between 1 and 120),
        document jsonb not null,
        at timestamptz not null default now(),
        primary key (job_id, item))`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop table cut_plan`.execute(db);
    await sql`alter table job drop column held_at`.execute(db);
  },
};
