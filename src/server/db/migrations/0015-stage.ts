import { sql, type Kysely, type Migration } from 'kysely';

/** The lines of a venue, the input list of a job, and the sweeps: what was seen of each line, when and by whom. */
export const stage: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table venue (
        seq bigint generated always as identity,
        id uuid primary key,
        name text not null check (length(name) between 1 and 80),
        lines jsonb not null,
        revision int not null default 1,
        created_at timestamptz not null default now())`.execute(db);
    await sql`
      create table input_list (
        job_id uuid primary key references job (id) on delete cascade,
        document jsonb not null,
        revision int not null default 1,
        at timestamptz not null default now())`.execute(db);
    // A venue remembers its sweeps, whatever becomes of the job.
    await sql`
      create table sweep (
        seq bigint generated always as identity,
        id uuid primary key,
        venue_id uuid not null references venue (id),
        job_id uuid references job (id) on delete set null,
        started_by text not null check (length(started_by) between 1 and 80),
        plug jsonb not null,
        trusts boolean not null default false,
        at timestamptz not null,
        created_at timestamptz not null default now())`.execute(db);
    await sql`create index sweep_venue on sweep (venue_id, seq)`.execute(db);
    await sql`create index sweep_job on sweep (job_id)`.execute(db);
    await sql`
      create table look (
        seq bigint generated always as identity,
        id uuid primary key,
        sweep_id uuid not null references sweep (id),
        document jsonb not null,
        seen_at timestamptz not null,
        recorded_at timestamptz not null default now())`.execute(db);
    await sql`create index look_sweep on look (sweep_id, seen_at, seq)`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    for (const table of ['look', 'sweep', 'input_list', 'venue'])
      await sql`drop table ${sql.table(table)}`.execute(db);
  },
};
