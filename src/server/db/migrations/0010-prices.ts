import { sql, type Kysely, type Migration } from 'kysely';

/** What the house pays for each thing, and in which money. */
export const prices: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table price (
        item text primary key check (length(item) between 1 and 120),
        amount numeric(12, 4) not null check (amount >= 0),
        at timestamptz not null default now())`.execute(db);
    await sql`
      create table money (
        singleton boolean primary key default true check (singleton),
        currency text not null check (currency ~ '^[A-Z]{3}$'),
        at timestamptz not null default now())`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop table money`.execute(db);
    await sql`drop table price`.execute(db);
  },
};
