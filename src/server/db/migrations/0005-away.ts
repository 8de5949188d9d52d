import { createHash } from 'node:crypto';
import { sql, type Kysely, type Migration, type RawBuilder } from 'kysely';

/** The id under which the demo company's jobs have always been loaded. */
function demoId(name: string): string {
  const hex = createHash('sha256').update(`wrenfield ${name}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** The append-only rule with its exceptions: those that there were, and one more. */
const onlyAppend = (db: Kysely<unknown>, more: RawBuilder<unknown>): Promise<unknown> =>
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
        ${more}
        raise exception '% is append-only: a correction is another row', tg_table_name;
      end $$`.execute(db);

const DEMO = sql`
        if exception_taken = 'leaving the demo' and tg_op = 'DELETE' then
          if tg_table_name = 'lead_revision' then
            if exists (select 1 from lead join job on job.id = lead.job_id
                       where lead.id = old.lead_id and job.demo and lead.created_at = job.created_at)
              and not exists (select 1 from unit where unit.lead_id = old.lead_id) then return old; end if;
          elsif exists (select 1 from unit join lead on lead.id = unit.lead_id join job on job.id = lead.job_id
                        where unit.id = old.unit_id and job.demo and unit.created_at = job.created_at) then return old;
          end if;
        end if;`;

/**
 * Jobs and leads can be put away; jobs say whether they are the demo's, and what came with the demo may be taken out with it:
 * all of it was recorded in one transaction, at one time.
 */
export const away: Migration = {
  async up(db: Kysely<unknown>) {
    for (const table of ['job', 'lead'])
      await sql`alter table ${sql.table(table)} add column away_at timestamptz`.execute(db);
    await sql`alter table job add column demo boolean not null default false`.execute(db);
    const { rows } = await sql<{ id: string; name: string }>`select id, name from job`.execute(db);
    for (const { id, name } of rows)
      if (id === demoId(name)) await sql`update job set demo = true where id = ${id}`.execute(db);
    await onlyAppend(db, DEMO);
  },
  async down(db: Kysely<unknown>) {
    await onlyAppend(db, sql``);
    for (const table of ['job', 'lead'])
      await sql`alter table ${sql.table(table)} drop column away_at`.execute(db);
    await sql`alter table job drop column demo`.execute(db);
  },
};
