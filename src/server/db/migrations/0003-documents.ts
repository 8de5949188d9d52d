import { sql, type Kysely, type Migration } from 'kysely';
import { planOf } from '../../../core/bench';
import { storedLead } from '../../../core/lead';

/**
 * One document a row: a revision holds its whole lead, a unit the plan that it is built by, the house its settings. What
 * happened to a unit has one order, which the database gives; a reading names the mending it follows.
 *
 * Rows of append-only tables are filled in here: that is one of the two exceptions that the rule has from now on, and
 * both are named in the function that keeps it.
 */
export const documents: Migration = {
  async up(db: Kysely<unknown>) {
    await exceptions(db);
    await sql`select set_config('antler.exception', 'migration', true)`.execute(db);
    await revisions(db);
    await order(db);
    await plans(db);
    await house(db);
    await sql`select set_config('antler.exception', '', true)`.execute(db);
  },
  async down(db: Kysely<unknown>) {
    await sql`select set_config('antler.exception', 'migration', true)`.execute(db);
    await sql`alter table lead_revision add column name text, add column intent jsonb, add column assembly jsonb`.execute(
      db,
    );
    await sql`update lead_revision set name = document->>'name', intent = document->'intent', assembly = document->'assembly'`.execute(
      db,
    );
    await sql`alter table lead_revision drop column document, alter column name set not null, alter column assembly set not null`.execute(
      db,
    );
    await sql`alter table unit drop column plan`.execute(db);
    await sql`alter table bench_event drop column place`.execute(db);
    await sql`alter table reading drop column place, drop column after`.execute(db);
    await sql`drop sequence record_place`.execute(db);
    await sql`alter table house rename to workshop`.execute(db);
    await sql`alter table workshop rename column document to schools`.execute(db);
    await sql`update workshop set schools = schools->'schools'`.execute(db);
    await sql`alter table own_entry rename column document to entry`.execute(db);
    await sql`update own_entry set entry = entry->'entry'`.execute(db);
    await sql`
      create or replace function only_append() returns trigger language plpgsql as
      $$ begin raise exception '% is append-only: a correction is another row', tg_table_name; end $$`.execute(
      db,
    );
  },
};

/** The append-only rule with its exceptions: a migration fills in, and a lead that was never built may go. */
const exceptions = (db: Kysely<unknown>): Promise<unknown> =>
  sql`
    create or replace function only_append() returns trigger language plpgsql as $$
    declare exception_taken text := coalesce(current_setting('antler.exception', true), '');
    begin
      if exception_taken = 'migration' then
        if tg_op = 'DELETE' then return old; else return new; end if;
      end if;
      if exception_taken = 'never built' and tg_op = 'DELETE' and tg_table_name = 'lead_revision' then
        if not exists (select 1 from unit where unit.lead_id = old.lead_id) then return old; end if;
      end if;
      raise exception '% is append-only: a correction is another row', tg_table_name;
    end $$`.execute(db);

async function revisions(db: Kysely<unknown>): Promise<void> {
  await sql`alter table lead_revision add column document jsonb`.execute(db);
  await sql`
    update lead_revision set document = jsonb_build_object(
      'antler', 'lead', 'version', 1, 'name', name, 'intent', intent, 'assembly', assembly)`.execute(db);
  await sql`
    alter table lead_revision
      alter column document set not null,
      drop column name, drop column intent, drop column assembly`.execute(db);
}

async function order(db: Kysely<unknown>): Promise<void> {
  await sql`create sequence record_place`.execute(db);
  await sql`alter table bench_event add column place bigint`.execute(db);
  await sql`alter table reading add column place bigint, add column after uuid`.execute(db);
  // What came before has the order in which the database took it.
  await sql`
    with taken as (
      select id, row_number() over (order by created_at, kind, seq) as place from (
        select id, created_at, seq, 1 as kind from bench_event
        union all select id, created_at, seq, 0 from reading
      ) as both_kinds
    ), events as (
      update bench_event e set place = taken.place from taken where taken.id = e.id
    )
    update reading r set place = taken.place from taken where taken.id = r.id`.execute(db);
  await sql`
    select setval('record_place', 1 + coalesce(
      (select max(place) from (select place from bench_event union all select place from reading) as p), 0), false)`.execute(
    db,
  );
  for (const table of ['bench_event', 'reading'])
    await sql`
      alter table ${sql.table(table)}
        alter column place set default nextval('record_place'), alter column place set not null,
        add constraint ${sql.ref(`${table}_place`)} unique (place)`.execute(db);
  // Until now a mending and the readings after it were told apart by their clocks.
  await sql`
    update reading r set after = (
      select e.id from bench_event e
      where e.unit_id = r.unit_id and e.kind = 'mended' and e.at < r.at
      order by e.seq desc limit 1)`.execute(db);
}

/** Units that were started before plans were kept get the one that this version gives them, which is what they had. */
async function plans(db: Kysely<unknown>): Promise<void> {
  await sql`alter table unit add column plan jsonb`.execute(db);
  const pinned = await sql<{ id: string; document: unknown }>`
    select unit.id, r.document from unit
    join lead_revision r on r.lead_id = unit.lead_id and r.revision = unit.revision`.execute(db);
  for (const { id, document } of pinned.rows) {
    const plan = JSON.stringify(planOf(storedLead(document)));
    await sql`update unit set plan = ${plan}::jsonb where id = ${id}`.execute(db);
  }
  await sql`alter table unit alter column plan set not null`.execute(db);
}

async function house(db: Kysely<unknown>): Promise<void> {
  await sql`alter table workshop rename to house`.execute(db);
  await sql`alter table house rename column schools to document`.execute(db);
  await sql`update house set document = jsonb_build_object('version', 0, 'schools', document)`.execute(db);
  await sql`alter table own_entry rename column entry to document`.execute(db);
  await sql`
    update own_entry set document = jsonb_build_object('version', 1, 'kind', kind, 'entry', document)`.execute(
    db,
  );
}
