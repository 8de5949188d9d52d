import type { Selectable } from 'kysely';
import { currentAssembly, type Assembly } from '../../core/assembly';
import { currentIntent, type Intent } from '../../core/wiring';
import type { Database } from '../db';
import type { JobTable } from '../db/types';

export interface StoredLead {
  readonly id: string;
  readonly jobId: string;
  readonly jobName: string;
  readonly revision: number;
  readonly name: string;
  readonly intent: Intent;
  readonly assembly: Assembly;
  readonly savedAt: string;
}

const newest = (db: Database) =>
  db
    .selectFrom('lead')
    .innerJoin('job', 'job.id', 'lead.job_id')
    .innerJoin('lead_revision as r', (join) =>
      join.onRef('r.lead_id', '=', 'lead.id').onRef('r.revision', '=', 'lead.revision'),
    )
    .select([
      'lead.id',
      'lead.job_id as jobId',
      'job.name as jobName',
      'r.revision',
      'r.name',
      'r.intent',
      'r.assembly',
      'r.created_at as savedAt',
    ]);

/** A row's documents, brought up to the versions that are written today. */
const current = <T extends { intent: Intent; assembly: Assembly }>(row: T): T => ({
  ...row,
  intent: currentIntent(row.intent) as Intent,
  assembly: currentAssembly(row.assembly) as Assembly,
});

const plain = <T extends { savedAt: Date; intent: Intent; assembly: Assembly }>(
  row: T,
): Omit<T, 'savedAt'> & { savedAt: string } => ({
  ...current(row),
  savedAt: row.savedAt.toISOString(),
});

export const jobs = (db: Database): Promise<Selectable<JobTable>[]> =>
  db.selectFrom('job').selectAll().orderBy('seq').execute();

export const insertJob = (db: Database, job: { id: string; name: string; note: string }): Promise<unknown> =>
  db
    .insertInto('job')
    .values(job)
    .onConflict((c) => c.column('id').doNothing())
    .execute();

export const leads = async (db: Database): Promise<StoredLead[]> =>
  (await newest(db).orderBy('lead.seq').execute()).map(plain);

export async function lead(db: Database, id: string): Promise<StoredLead | undefined> {
  const row = await newest(db).where('lead.id', '=', id).executeTakeFirst();
  return row && plain(row);
}

export async function leadAt(
  db: Database,
  id: string,
  revision: number,
): Promise<Pick<StoredLead, 'name' | 'intent' | 'assembly'> | undefined> {
  const row = await db
    .selectFrom('lead_revision')
    .select(['name', 'intent', 'assembly'])
    .where('lead_id', '=', id)
    .where('revision', '=', revision)
    .executeTakeFirst();
  return row && current(row);
}

export const revisions = async (db: Database, id: string) =>
  (
    await db
      .selectFrom('lead_revision')
      .select(['revision', 'name', 'intent', 'created_at as savedAt'])
      .where('lead_id', '=', id)
      .orderBy('revision')
      .execute()
  ).map((row) => ({ ...row, intent: currentIntent(row.intent) as Intent }));

/** The current revision, with the lead's row locked to the end of the transaction. */
export const lockLead = (db: Database, id: string): Promise<{ revision: number } | undefined> =>
  db.selectFrom('lead').select('revision').where('id', '=', id).forUpdate().executeTakeFirst();

export const savedBy = (
  db: Database,
  requestId: string,
): Promise<{ lead_id: string; revision: number } | undefined> =>
  db
    .selectFrom('lead_revision')
    .select(['lead_id', 'revision'])
    .where('request_id', '=', requestId)
    .executeTakeFirst();

export const insertLead = (db: Database, row: { id: string; jobId: string }): Promise<unknown> =>
  db.insertInto('lead').values({ id: row.id, job_id: row.jobId, revision: 1 }).execute();

export async function insertRevision(
  db: Database,
  row: {
    leadId: string;
    revision: number;
    name: string;
    intent: Intent;
    assembly: Assembly;
    requestId: string;
  },
): Promise<void> {
  await db
    .insertInto('lead_revision')
    .values({
      lead_id: row.leadId,
      revision: row.revision,
      name: row.name,
      intent: JSON.stringify(row.intent),
      assembly: JSON.stringify(row.assembly),
      request_id: row.requestId,
    })
    .execute();
  await db.updateTable('lead').set({ revision: row.revision }).where('id', '=', row.leadId).execute();
}
