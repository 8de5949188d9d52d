import { sql } from 'kysely';
import type { Lead } from '../../core/lead';
import type { Database } from '../db';
import * as jobRows from '../jobs/rows';
import * as leadRows from '../leads/rows';
import { missing } from '../refused';

/** One lead of a job: how many it asks for, and how many were started. */
export interface Making {
  readonly lead: string;
  readonly name: string;
  readonly count: number;
  readonly pairs: boolean;
  readonly started: number;
  /** How many are still to be made. */
  readonly left: number;
}

async function startedOf(db: Database, job: string): Promise<ReadonlyMap<string, number>> {
  const { rows } = await sql<{ lead: string; started: number }>`
    select u.lead_id as lead, count(*)::int as started
    from unit u join lead l on l.id = u.lead_id where l.job_id = ${job} and coalesce(u.state->>'givenUp', '') <> 'true' group by u.lead_id`.execute(
    db,
  );
  return new Map(rows.map(({ lead, started }) => [lead, started]));
}

/** One lead of a job with its document, as it is now. */
interface MakingOf extends Making {
  readonly document: Lead;
  readonly revision: number;
}

/** How many a job asks for of each of its leads that is not put away, and how many are still to be made. Errors: 404. */
export async function makingOf(
  db: Database,
  id: string,
): Promise<{ readonly job: string; readonly held: boolean; readonly making: readonly MakingOf[] }> {
  const job = await jobRows.job(db, id);
  if (!job) throw missing('job');
  const [stored, started, rows] = await Promise.all([
    leadRows.leadsOfJob(db, id),
    startedOf(db, id),
    db
      .selectFrom('making')
      .innerJoin('lead', 'lead.id', 'making.lead_id')
      .select(['lead_id', 'count', 'pairs'])
      .where('lead.job_id', '=', id)
      .execute(),
  ]);
  const making = stored
    .filter(({ away }) => !away)
    .map(({ id: lead, lead: document, revision }) => {
      const { count = 1, pairs = false } = rows.find(({ lead_id }) => lead_id === lead) ?? {};
      const made = started.get(lead) ?? 0;
      const left = Math.max(0, count * (pairs ? 2 : 1) - made);
      return { lead, name: document.name, count, pairs, started: made, left, document, revision };
    });
  return { job: job.name, held: job.held_at !== null, making };
}
