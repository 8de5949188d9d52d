import { sql, type Kysely, type Migration } from 'kysely';

/** The shelf: each piece of it, and what happened to it, which only grows. */
export const shelf: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`create table shelf_piece (id uuid primary key, at timestamptz not null default now())`.execute(
      db,
    );
    await sql`
      create table shelf_event (
        seq bigint generated always as identity primary key,
        id uuid not null unique,
        piece_id uuid not null references shelf_piece (id),
        document jsonb not null,
        recorded_at timestamptz not null default now())`.execute(db);
    await sql`create index shelf_event_of_piece on shelf_event (piece_id, seq)`.execute(db);
    // What came with the demo goes with it, as long as it is all that happened to its piece.
    await sql`
      create function shelf_only_append() returns trigger language plpgsql as $$
      declare exception_taken text := coalesce(current_setting('antler.exception', true), '');
      begin
        if exception_taken = 'migration' then
          if tg_op = 'DELETE' then return old; else return new; end if;
        end if;
        if exception_taken = 'leaving the demo' and tg_op = 'DELETE'
          and exists (select 1 from job where job.demo and job.created_at = old.recorded_at) then
          return old;
        end if;
        raise exception '% is append-only: a correction is another row', tg_table_name;
      end $$`.execute(db);
    await sql`
      create trigger only_append before update or delete on shelf_event
        for each row execute function shelf_only_append()`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`drop table shelf_event`.execute(db);
    await sql`drop function shelf_only_append()`.execute(db);
    await sql`drop table shelf_piece`.execute(db);
  },
};
