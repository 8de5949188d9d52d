import { sql, type RawBuilder } from 'kysely';
import type { Database } from '../db';

/** How much was taken out. */
export interface TakenOut {
  readonly jobs: number;
  readonly leads: number;
  readonly units: number;
}

// All of the demo was recorded in one transaction: at the time of its job.
const UNITS = sql`
  select unit.id from unit join lead on lead.id = unit.lead_id join job on job.id = lead.job_id
  where job.demo and unit.created_at = job.created_at`;
const LEADS = sql`
  select lead.id from lead join job on job.id = lead.job_id
  where job.demo and lead.created_at = job.created_at
    and not exists (select 1 from unit where unit.lead_id = lead.id)`;
const JOBS = sql`
  select job.id from job where job.demo and not exists (select 1 from lead where lead.job_id = job.id)`;

/**
 * Takes out what came with the demo, in this transaction. What was recorded since stays, with what it hangs on: a job, a lead
 * that was added, a unit that was started. The database lets nothing else go.
 */
export async function takeOutDemo(trx: Database): Promise<TakenOut> {
  const run = async (statement: RawBuilder<unknown>): Promise<number> =>
    Number((await statement.execute(trx)).numAffectedRows ?? 0);
  // What was asked under these ids may be asked again.
  const forget = (ids: RawBuilder<unknown>): Promise<number> =>
    run(sql`delete from request where id in (${ids})`);
  await run(sql`select set_config('antler.exception', 'leaving the demo', true)`);
  await forget(UNITS);
  for (const table of ['bench_event', 'reading'])
    await run(sql`delete from ${sql.table(table)} where unit_id in (${UNITS})`);
  const units = await run(sql`delete from unit where id in (${UNITS})`);
  await forget(sql`select request_id from lead_revision where lead_id in (${LEADS})`);
  // Read once: it says of itself which leads have nothing left.
  const gone = (await sql<{ id: string }>`${LEADS}`.execute(trx)).rows.map(({ id }) => id);
  await run(sql`delete from lead_revision where lead_id = any(${gone}::uuid[])`);
  const leads = await run(sql`delete from lead where id = any(${gone}::uuid[])`);
  // Of its shelf what nobody has touched since.
  await run(sql`
    delete from shelf_event where piece_id in (
      select piece_id from shelf_event group by piece_id
      having bool_and(recorded_at in (select created_at from job where demo)))`);
  await run(sql`delete from shelf_piece where id not in (select piece_id from shelf_event)`);
  // Of its stage what nobody has looked at since.
  const SWEEPS = sql`
    select id from sweep where created_at in (select created_at from job where demo)
      and not exists (select 1 from look where sweep_id = sweep.id and look.recorded_at <> sweep.created_at)`;
  await forget(SWEEPS);
  // Read once: it says of itself which sweeps have nothing left.
  const swept = (await sql<{ id: string }>`${SWEEPS}`.execute(trx)).rows.map(({ id }) => id);
  await run(sql`delete from look where sweep_id = any(${swept}::uuid[])`);
  await run(sql`delete from sweep where id = any(${swept}::uuid[])`);
  await run(sql`
    delete from venue where created_at in (select created_at from job where demo)
      and not exists (select 1 from sweep where venue_id = venue.id)`);
  await run(sql`select set_config('antler.exception', '', true)`);
  await forget(JOBS);
  // Its prices too, but for those that somebody has settled since.
  for (const table of ['price', 'sold_by'])
    await run(sql`delete from ${sql.table(table)} where at in (select created_at from job where demo)`);
  const jobs = await run(sql`delete from job where id in (${JOBS})`);
  await run(sql`update job set demo = false where demo`);
  // The first lead of a house is number one.
  await run(sql`
    select setval(pg_get_serial_sequence('unit', 'number'), 1, false) where not exists (select 1 from unit)`);
  return { jobs, leads, units };
}
