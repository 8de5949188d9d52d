import { boolean, number, object } from 'yup';
import { sql } from 'kysely';
import { uuid, type Shape } from '../../core/quantity';
import { beside } from '../beside';
import { inTransaction, type Database } from '../db';
import * as jobRows from '../jobs/rows';
import * as leadRows from '../leads/rows';
import { picksOfEach } from '../leads/picked';
import { missing } from '../refused';
import type { Lead } from '../../core/lead';
import { priceList } from '../prices/service';
import { readyOf } from '../shelf/for-unit';
import { shelf } from '../shelf/service';
import type { JobComesTo } from './comes-to';

/** So many of one lead at the most, as many as one kit is made for. */
const MOST = 1000;

export const makingSchema = object({
  lead: uuid(),
  count: number()
    .typeError('Give a whole number.')
    .integer('Count in whole numbers.')
    .min(0, 'Count from 0.')
    .max(MOST, `${MOST} at the most.`)
    .required('Say how many.'),
  pairs: boolean().required('Say whether they are pairs.').strict(),
}).noUnknown();

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

/** What a job asks for, and what that takes. */
export interface JobKit extends JobComesTo {
  readonly job: string;
  readonly leads: readonly Making[];
}

/** What a job is short of; nothing of a job whose leads nobody has counted out. */
export interface JobShort {
  readonly short: readonly string[];
}

/** What a job is short of, by name. Errors: 404. */
export async function jobShort(db: Database, id: string): Promise<JobShort> {
  const counted = await db
    .selectFrom('making')
    .innerJoin('lead', 'lead.id', 'making.lead_id')
    .select('lead_id')
    .where('lead.job_id', '=', id)
    .limit(1)
    .executeTakeFirst();
  if (!counted) return { short: [] };
  return { short: (await jobKit(db, id)).lines.flatMap(({ short, name }) => (short > 0 ? [name] : [])) };
}

/** Settles how many of a lead its job asks for. Said twice it is the same. Errors: 404. */
export async function settleMaking(
  db: Database,
  job: string,
  { lead, count, pairs }: Shape<typeof makingSchema>,
): Promise<{ readonly lead: string }> {
  await inTransaction(db, async (trx) => {
    const known = await trx
      .selectFrom('lead')
      .select('job_id')
      .where('id', '=', lead)
      .forKeyShare()
      .executeTakeFirst();
    if (known?.job_id !== job) throw missing('lead');
    await trx
      .insertInto('making')
      .values({ lead_id: lead, count, pairs })
      .onConflict((row) => row.column('lead_id').doUpdateSet({ count, pairs, at: new Date() }))
      .execute();
  });
  return { lead };
}

async function startedOf(db: Database, job: string): Promise<ReadonlyMap<string, number>> {
  const { rows } = await sql<{ lead: string; started: number }>`
    select u.lead_id as lead, count(*)::int as started
    from unit u join lead l on l.id = u.lead_id where l.job_id = ${job} and coalesce(u.state->>'givenUp', '') <> 'true' group by u.lead_id`.execute(
    db,
  );
  return new Map(rows.map(({ lead, started }) => [lead, started]));
}

/** What was asked for last: what so many of these revisions take of this shelf does not change. */
const KNOWN = new Map<string, { readonly stamp: string; readonly kit: Promise<JobComesTo> }>();
const MOST_KNOWN = 64;

async function lastOnShelf(db: Database): Promise<string> {
  const row = await db
    .selectFrom('shelf_event')
    .select((of) => of.fn.max('seq').as('last'))
    .executeTakeFirst();
  return String(row?.last ?? 0);
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
): Promise<{ readonly job: string; readonly making: readonly MakingOf[] }> {
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
  return { job: job.name, making };
}

/** What is still to be made for a job, what that takes, and what is short. Errors: 404. */
export async function jobKit(db: Database, id: string): Promise<JobKit> {
  const [{ job, making }, last, { sold }] = await Promise.all([
    makingOf(db, id),
    lastOnShelf(db),
    priceList(db),
  ]);
  const picks = await picksOfEach(
    db,
    making.map(({ lead }) => lead),
  );
  const stamp = JSON.stringify([last, sold, [...picks], making.map(({ document: _, ...of }) => of)]);
  const known = KNOWN.get(id);
  const kit =
    known?.stamp === stamp
      ? known.kit
      : Promise.all([
          shelf(db),
          readyOf(
            db,
            making.map(({ lead }) => lead),
          ),
        ]).then(([{ pieces }, ready]) =>
          beside('jobComesTo', {
            making: making.map(({ lead, document, left, pairs }) => ({
              lead: document,
              left,
              pairs,
              picks: picks.get(lead) ?? {},
              ready: ready.get(lead) ?? [],
            })),
            pieces,
            sold,
          }),
        );
  KNOWN.delete(id);
  KNOWN.set(id, { stamp, kit });
  kit.catch(() => KNOWN.delete(id));
  const [oldest] = KNOWN.keys();
  if (KNOWN.size > MOST_KNOWN && oldest !== undefined) KNOWN.delete(oldest);
  return {
    job,
    leads: making.map(({ document: _, revision: __, ...of }) => of),
    ...(await kit),
  };
}
