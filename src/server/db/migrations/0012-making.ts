import { sql, type Kysely, type Migration } from 'kysely';

/** How many of each lead its job asks for. */
export const making: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table making (
        lead_id uuid primary key references lead (id) on delete cascade,
        count int not null check (count between 0 and 1000),
        pairs boolean not null default false,
        at timestamptz not null default now())`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop table making`.execute(db);
  },
};
