import { boolean, number, object } from 'yup';
import { uuid, type Shape } from '../../core/quantity';
import { beside } from '../beside';
import { inTransaction, type Database } from '../db';
import { picksOfEach } from '../leads/picked';
import { missing } from '../refused';
import { withoutHeld } from '../../core/stock';
import { priceList } from '../prices/service';
import { readyOf } from '../shelf/for-unit';
import { shelf } from '../shelf/service';
import { house } from '../workshop/rows';
import type { JobComesTo } from './comes-to';
import { makingOf, type Making } from './asked';
import { heldBefore } from './held';

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

/** What a job asks for, and what that takes. */
export interface JobKit extends JobComesTo {
  readonly job: string;
  /** Whether the shelf holds what it takes. */
  readonly held: boolean;
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

/** What is still to be made for a job, what that takes, and what is short. Errors: 404. */
export async function jobKit(db: Database, id: string): Promise<JobKit> {
  const [{ job, held, making }, last, { sold }, { cutting }, others] = await Promise.all([
    makingOf(db, id),
    lastOnShelf(db),
    priceList(db),
    house(db),
    heldBefore(db, id),
  ]);
  const kerfMm = cutting?.kerfMm ?? 0;
  const picks = await picksOfEach(
    db,
    making.map(({ lead }) => lead),
  );
  const stamp = JSON.stringify([
    last,
    sold,
    kerfMm,
    others,
    [...picks],
    making.map(({ document: _, ...of }) => of),
  ]);
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
            pieces: withoutHeld(pieces, others, kerfMm),
            sold,
            kerfMm,
          }),
        );
  KNOWN.delete(id);
  KNOWN.set(id, { stamp, kit });
  kit.catch(() => KNOWN.delete(id));
  const [oldest] = KNOWN.keys();
  if (KNOWN.size > MOST_KNOWN && oldest !== undefined) KNOWN.delete(oldest);
  return {
    job,
    held,
    leads: making.map(({ document: _, revision: __, ...of }) => of),
    ...(await kit),
  };
}
