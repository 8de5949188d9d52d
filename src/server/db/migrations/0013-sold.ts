import { sql, type Kysely, type Migration } from 'kysely';

/** By how much each thing is sold at once. */
export const sold: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table sold_by (
        item text primary key check (length(item) between 1 and 120),
        much int not null check (much > 0),
        at timestamptz not null default now())`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop table sold_by`.execute(db);
  },
};
