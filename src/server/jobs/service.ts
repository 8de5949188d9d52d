import { createHash } from 'node:crypto';
import { jobFile, takeIn, type JobFile, type Mapping } from '../../core/formats';
import { inTransaction, type Database } from '../db';
import * as leadRows from '../leads/rows';
import { once } from '../once';
import { missing, Refused } from '../refused';
import * as rows from './rows';

/** Makes a job; the client makes its id, so a retry makes one. Errors: 409 where the id stands for something else. */
export async function createJob(
  db: Database,
  job: { id: string; name: string; note: string },
): Promise<{ id: string }> {
  await inTransaction(db, (trx) => once(trx, job.id, { job }, () => rows.insertJob(trx, job)));
  return { id: job.id };
}

/** A job with its leads, as a file. Errors: 404. */
export async function exportJob(db: Database, id: string): Promise<JobFile> {
  const job = (await rows.jobs(db)).find((each) => each.id === id);
  if (!job) throw missing('job');
  const leads = (await leadRows.leads(db)).filter((lead) => lead.jobId === id);
  return jobFile(
    job.name,
    job.note,
    leads.map((stored) => stored.lead),
  );
}

export interface ImportWanted {
  /** The client's id for this import: a retry takes it in once. */
  readonly requestId: string;
  readonly document: unknown;
  readonly mapping?: Mapping | undefined;
}

export interface Imported {
  readonly leads: readonly { readonly id: string; readonly name: string; readonly same: boolean }[];
}

/** The id of the nth lead of an import: the same on a retry. */
function idOf(requestId: string, n: number): string {
  const hex = createHash('sha256').update(`import ${requestId} ${n}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** Takes the leads of a file into a job: all of them, or none with the reason. */
export async function importInto(db: Database, jobId: string, wanted: ImportWanted): Promise<Imported> {
  const taken = takeIn(wanted.document, wanted.mapping);
  if (!taken.ok)
    throw new Refused(
      422,
      taken.problems.length > 0
        ? taken.problems
        : taken.unknown.map((each) => ({
            code: 'import.unknown',
            says: `This file names a ${each.kind} “${each.id}” that is not in this catalogue: say what stands for it.`,
            path: each.path,
          })),
      { unknown: taken.unknown },
    );
  await inTransaction(db, async (trx) => {
    if (!(await rows.jobs(trx)).some((job) => job.id === jobId)) throw missing('job');
    await once(trx, wanted.requestId, { jobId, ...wanted }, async () => {
      for (const [n, { lead }] of taken.leads.entries()) {
        const id = idOf(wanted.requestId, n);
        // Taken in before the request's own id was kept.
        if (await leadRows.leadById(trx, id)) continue;
        await leadRows.insertLead(trx, { id, jobId });
        await leadRows.insertRevision(trx, { leadId: id, revision: 1, lead, requestId: id });
      }
    });
  });
  return {
    leads: taken.leads.map(({ lead, same }, n) => ({
      id: idOf(wanted.requestId, n),
      name: lead.name,
      same,
    })),
  };
}
