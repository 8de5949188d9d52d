import { sql, type Kysely, type Migration } from 'kysely';

/** How many of each lead its job asks for; and what of the shelf is looked up by what it went into. */
export const making: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`
      create table making (
        lead_id uuid primary key references lead (id) on delete cascade,
        count int not null check (count between 0 and 1000),
        pairs boolean not null default false,
        at timestamptz not null default now())`.execute(db);
    // What a unit took, and where an item lies.
    await sql`create index shelf_event_for on shelf_event ((document->>'for'))`.execute(db);
    await sql`create index shelf_event_lead on shelf_event ((document->>'lead'))`.execute(db);
    await sql`create index shelf_event_item on shelf_event ((document->>'item'))`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop index shelf_event_item`.execute(db);
    await sql`drop index shelf_event_lead`.execute(db);
    await sql`drop index shelf_event_for`.execute(db);
    await sql`drop table making`.execute(db);
  },
};
