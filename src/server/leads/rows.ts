import { sql } from 'kysely';
import { LEAD_VERSION, storedLead, type Lead } from '../../core/lead';
import { INTENT_VERSION } from '../../core/wiring';
import type { Database } from '../db';

export interface StoredLead {
  readonly id: string;
  readonly jobId: string;
  readonly jobName: string;
  readonly revision: number;
  /** Whether it was put away. */
  readonly away: boolean;
  readonly lead: Lead;
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
      sql<boolean>`lead.away_at is not null`.as('away'),
      'r.document',
      'r.created_at as savedAt',
    ]);

/** A row with its lead brought up to the version that is written today. */
const plain = <T extends { savedAt: Date; document: unknown }>({
  document,
  savedAt,
  ...row
}: T): Omit<T, 'savedAt' | 'document'> & { lead: Lead; savedAt: string } => ({
  ...row,
  lead: storedLead(document),
  savedAt: savedAt.toISOString(),
});

/** The ids of a job's leads, locked to the end of the transaction. */
export const leadsOf = async (db: Database, jobId: string): Promise<string[]> =>
  (await db.selectFrom('lead').select('id').where('job_id', '=', jobId).forUpdate().execute()).map(
    ({ id }) => id,
  );

/** Puts a lead away, or brings it back. */
export const putLeadAway = (db: Database, id: string, away: boolean): Promise<unknown> =>
  db
    .updateTable('lead')
    .set({ away_at: away ? new Date() : null })
    .where('id', '=', id)
    .execute();

/** A job's leads in their newest revision, in the order in which they were made. */
export const leadsOfJob = async (db: Database, jobId: string): Promise<StoredLead[]> =>
  (await newest(db).where('lead.job_id', '=', jobId).orderBy('lead.seq').execute()).map(plain);

/** A lead in its newest revision. */
export async function leadById(db: Database, id: string): Promise<StoredLead | undefined> {
  const row = await newest(db).where('lead.id', '=', id).executeTakeFirst();
  return row && plain(row);
}

/** A lead as it was in one revision. */
export async function leadAt(db: Database, id: string, revision: number): Promise<Lead | undefined> {
  const row = await db
    .selectFrom('lead_revision')
    .select('document')
    .where('lead_id', '=', id)
    .where('revision', '=', revision)
    .executeTakeFirst();
  return row && storedLead(row.document);
}

/** The client's id of the save that made a revision. */
export async function savedBy(db: Database, id: string, revision: number): Promise<string> {
  const row = await db
    .selectFrom('lead_revision')
    .select('request_id as by')
    .where('lead_id', '=', id)
    .where('revision', '=', revision)
    .executeTakeFirstOrThrow();
  return row.by;
}

/** What a revision was called, and what it was for. */
export interface RevisionLine {
  readonly revision: number;
  readonly name: string;
  readonly intent: Lead['intent'];
  readonly savedAt: string;
}

/** Every revision of a lead, in its order: without its document, but where that is of an older version. */
export const revisions = async (db: Database, id: string): Promise<readonly RevisionLine[]> =>
  (
    await db
      .selectFrom('lead_revision')
      .select([
        'revision',
        'created_at as savedAt',
        sql<string>`document->>'name'`.as('name'),
        sql<Lead['intent'] | null>`document->'intent'`.as('intent'),
        sql<unknown>`case when document->>'version' = ${`${LEAD_VERSION}`}
          and coalesce(document#>>'{intent,version}', ${`${INTENT_VERSION}`}) = ${`${INTENT_VERSION}`}
          then null else document end`.as('older'),
      ])
      .where('lead_id', '=', id)
      .orderBy('revision')
      .execute()
  ).map(({ savedAt, older, intent, ...line }) => ({
    ...line,
    intent: older === null ? (intent ?? undefined) : storedLead(older).intent,
    savedAt: savedAt.toISOString(),
  }));

/** The current revision, with the lead's row locked to the end of the transaction. */
export const lockLead = (
  db: Database,
  id: string,
): Promise<{ revision: number; jobId: string } | undefined> =>
  db
    .selectFrom('lead')
    .select(['revision', 'job_id as jobId'])
    .where('id', '=', id)
    .forUpdate()
    .executeTakeFirst();

/** Adds a lead to a job. */
export const insertLead = (db: Database, row: { id: string; jobId: string }): Promise<unknown> =>
  db.insertInto('lead').values({ id: row.id, job_id: row.jobId, revision: 1 }).execute();

/** Appends a revision. */
export async function insertRevision(
  db: Database,
  row: { leadId: string; revision: number; lead: Lead; requestId: string },
): Promise<void> {
  await db
    .insertInto('lead_revision')
    .values({
      lead_id: row.leadId,
      revision: row.revision,
      document: JSON.stringify(row.lead),
      request_id: row.requestId,
    })
    .execute();
  await db.updateTable('lead').set({ revision: row.revision }).where('id', '=', row.leadId).execute();
}

/** Takes out a lead with all its revisions, in this transaction. The database lets only one go that was never built. */
export async function deleteLead(db: Database, id: string): Promise<void> {
  await sql`select set_config('antler.exception', 'never built', true)`.execute(db);
  await db.deleteFrom('lead_revision').where('lead_id', '=', id).execute();
  await sql`select set_config('antler.exception', '', true)`.execute(db);
  await db.deleteFrom('lead').where('id', '=', id).execute();
}
