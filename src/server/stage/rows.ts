import type { Selectable } from 'kysely';
import type { InputList, Look } from '../../core/sweep';
import type { Database } from '../db';
import type { SweepTable, VenueTable } from './tables';

export type VenueRow = Selectable<VenueTable>;
export type SweepRow = Selectable<SweepTable>;

/** Every venue, the newest last. */
export const venues = (db: Database): Promise<VenueRow[]> =>
  db.selectFrom('venue').selectAll().orderBy('seq').execute();

/** One venue. */
export const venue = (db: Database, id: string): Promise<VenueRow | undefined> =>
  db.selectFrom('venue').selectAll().where('id', '=', id).executeTakeFirst();

/** A venue, held to the end of the transaction. */
export const lockVenue = (db: Database, id: string): Promise<VenueRow | undefined> =>
  db.selectFrom('venue').selectAll().where('id', '=', id).forUpdate().executeTakeFirst();

/** The input list of a job, and how often it was changed; nothing where it has none. */
export const inputList = (
  db: Database,
  jobId: string,
): Promise<{ document: InputList; revision: number } | undefined> =>
  db.selectFrom('input_list').select(['document', 'revision']).where('job_id', '=', jobId).executeTakeFirst();

/** One sweep. */
export const sweep = (db: Database, id: string): Promise<SweepRow | undefined> =>
  db.selectFrom('sweep').selectAll().where('id', '=', id).executeTakeFirst();

/** The last sweeps of a venue that began before one, or all; the newest first. */
export const sweepsOfVenue = (
  db: Database,
  venueId: string,
  { before, most }: { readonly before?: string; readonly most: number },
): Promise<SweepRow[]> => {
  const all = db.selectFrom('sweep').selectAll().where('venue_id', '=', venueId);
  return (before === undefined ? all : all.where('seq', '<', before))
    .orderBy('seq', 'desc')
    .limit(most)
    .execute();
};

/** The sweeps of a job, the newest first. */
export const sweepsOfJob = (db: Database, jobId: string, most: number): Promise<SweepRow[]> =>
  db.selectFrom('sweep').selectAll().where('job_id', '=', jobId).orderBy('seq', 'desc').limit(most).execute();

/** What was seen in these sweeps, each in its order, by this clock. */
export async function looksOf(
  db: Database,
  sweeps: readonly string[],
): Promise<ReadonlyMap<string, readonly Look[]>> {
  const found = new Map<string, Look[]>(sweeps.map((id) => [id, []]));
  if (sweeps.length === 0) return found;
  const rows = await db
    .selectFrom('look')
    .select(['sweep_id', 'document', 'seen_at'])
    .where('sweep_id', 'in', [...sweeps])
    .orderBy('seen_at')
    .orderBy('seq')
    .execute();
  for (const { sweep_id, document, seen_at } of rows)
    found.get(sweep_id)?.push({ ...document, at: seen_at.toISOString() });
  return found;
}
