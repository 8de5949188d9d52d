import type { Selectable } from 'kysely';
import type { Database } from '../db';
import type { JobTable } from './tables';

/** Every job. */
export const jobs = (db: Database): Promise<Selectable<JobTable>[]> =>
  db.selectFrom('job').selectAll().orderBy('seq').execute();

/** The jobs that are not put away, by name only: so many of them, the first first. */
export const openJobs = (db: Database, most: number): Promise<{ id: string; name: string }[]> =>
  db
    .selectFrom('job')
    .select(['id', 'name'])
    .where('away_at', 'is', null)
    .orderBy('seq')
    .limit(most)
    .execute();

/** One job. */
export const job = (db: Database, id: string): Promise<Selectable<JobTable> | undefined> =>
  db.selectFrom('job').selectAll().where('id', '=', id).executeTakeFirst();

/** Whether there is such a job, which nobody can take out before the end of the transaction. */
export const holdJob = async (db: Database, id: string): Promise<boolean> =>
  (await db.selectFrom('job').select('id').where('id', '=', id).forKeyShare().executeTakeFirst()) !==
  undefined;

/** A job with its row locked to the end of the transaction. */
export const lockJob = (db: Database, id: string): Promise<Selectable<JobTable> | undefined> =>
  db.selectFrom('job').selectAll().where('id', '=', id).forUpdate().executeTakeFirst();

/** Adds a job. */
export const insertJob = (
  db: Database,
  job: { id: string; name: string; note: string; demo?: boolean },
): Promise<unknown> => db.insertInto('job').values(job).execute();

/** Puts a job away, or brings it back. */
export const putJobAway = (db: Database, id: string, away: boolean): Promise<unknown> =>
  db
    .updateTable('job')
    .set({ away_at: away ? new Date() : null })
    .where('id', '=', id)
    .execute();

/** Takes out a job that has no leads. */
export const deleteJob = (db: Database, id: string): Promise<unknown> =>
  db.deleteFrom('job').where('id', '=', id).execute();
