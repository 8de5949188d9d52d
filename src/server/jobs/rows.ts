import type { Selectable } from 'kysely';
import type { Database } from '../db';
import type { JobTable } from './tables';

/** Every job. */
export const jobs = (db: Database): Promise<Selectable<JobTable>[]> =>
  db.selectFrom('job').selectAll().orderBy('seq').execute();

/** Adds a job. */
export const insertJob = (db: Database, job: { id: string; name: string; note: string }): Promise<unknown> =>
  db.insertInto('job').values(job).execute();
