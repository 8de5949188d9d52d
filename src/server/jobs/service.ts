import { createHash } from 'node:crypto';
import { dequal } from 'dequal';
import { jobFile, takeIn, type JobFile, type Mapping, type UnitFile } from '../../core/formats';
import type { Lead } from '../../core/lead';
import { inTransaction, type Database } from '../db';
import * as leadRows from '../leads/rows';
import { once } from '../once';
import { missing, Refused } from '../refused';
import * as unitRows from '../units/rows';
import { takeInUnit, unitFile } from '../units/travel';
import * as rows from './rows';

/** Makes a job; the client makes its id, so a retry makes one. Errors: 409 where the id stands for something else. */
export async function createJob(
  db: Database,
  job: { id: string; name: string; note: string },
  { demo = false }: { readonly demo?: boolean } = {},
): Promise<{ id: string }> {
  await inTransaction(db, (trx) => once(trx, job.id, { job }, () => rows.insertJob(trx, { ...job, demo })));
  return { id: job.id };
}

/** So many jobs are listed to choose from. */
const MOST_LISTED = 2000;
/** A job to choose. */
export interface JobName {
  readonly id: string;
  readonly name: string;
}
/** The jobs to choose from: all that are not put away. */
export const jobNames = (db: Database): Promise<readonly JobName[]> => rows.openJobs(db, MOST_LISTED);

/** Puts a job with all its leads away, or brings it back. Errors: 404. */
export async function putJobAway(db: Database, id: string, away: boolean): Promise<{ away: boolean }> {
  await inTransaction(db, async (trx) => {
    if (!(await rows.lockJob(trx, id))) throw missing('job');
    await rows.putJobAway(trx, id, away);
  });
  return { away };
}

/** Takes a job out, with its leads, of which none was ever built. Errors: 404; 409 where one was. */
export async function removeJob(db: Database, id: string): Promise<{ readonly removed: string }> {
  await inTransaction(db, async (trx) => {
    if (!(await rows.lockJob(trx, id))) throw missing('job');
    const leads = await leadRows.leadsOf(trx, id);
    const built = (await Promise.all(leads.map((lead) => unitRows.unitsOf(trx, lead)))).flat();
    if (built.length > 0)
      throw new Refused(409, [
        {
          code: 'job.built',
          says: 'A lead of this job was started at the bench: what was built stays in the log. Put the job away instead.',
          path: '',
        },
      ]);
    for (const lead of leads) await leadRows.deleteLead(trx, lead);
    await rows.deleteJob(trx, id);
  });
  return { removed: id };
}

/** A job with its leads and all that was built of them, as a file. Errors: 404. */
export async function exportJob(db: Database, id: string): Promise<JobFile> {
  const job = await rows.job(db, id);
  if (!job) throw missing('job');
  const leads = await leadRows.leadsOfJob(db, id);
  const units: UnitFile[] = [];
  for (const [n, stored] of leads.entries())
    for (const unit of await unitRows.unitsOf(db, stored.id)) units.push(await unitFile(db, n, stored, unit));
  return jobFile(
    job.name,
    job.note,
    leads.map((stored) => stored.lead),
    units,
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
  /** Its units, with the number on their label and the one that they have here: the same where it was free. */
  readonly units: readonly { readonly was: number; readonly is: number }[];
}

/** An id for something of an import: the same on a retry. */
function idOf(requestId: string, what: string | number): string {
  const hex = createHash('sha256').update(`import ${requestId} ${what}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

function readWanted({ document, mapping }: ImportWanted): Extract<ReturnType<typeof takeIn>, { ok: true }> {
  const taken = takeIn(document, mapping);
  if (taken.ok) return taken;
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
}

/** Takes the leads of a file into a job, with their units: all of them, or none with the reason. */
export async function importInto(db: Database, jobId: string, wanted: ImportWanted): Promise<Imported> {
  const taken = readWanted(wanted);
  const { requestId } = wanted;
  await inTransaction(db, async (trx) => {
    if (!(await rows.holdJob(trx, jobId))) throw missing('job');
    await once(trx, requestId, { jobId, ...wanted }, async () => {
      for (const [n, { lead }] of taken.leads.entries()) {
        const id = idOf(requestId, n);
        // Taken in before the request's own id was kept.
        if (await leadRows.leadById(trx, id)) continue;
        await leadRows.insertLead(trx, { id, jobId });
        const units = taken.units.filter((unit) => unit.lead === n);
        const revisions = revisionsOf(lead, units);
        for (const [before, each] of revisions.entries())
          await leadRows.insertRevision(trx, {
            leadId: id,
            revision: before + 1,
            lead: each,
            // The newest is what the import itself asked for.
            requestId: before === revisions.length - 1 ? id : idOf(requestId, `${n} revision ${before}`),
          });
        for (const unit of units)
          await takeInUnit(
            trx,
            id,
            1 + revisions.findIndex((each) => dequal(each, unit.pinned ?? lead)),
            unit,
            (what) => idOf(requestId, `${n} ${unit.number} ${what}`),
          );
      }
    });
  });
  const units = await Promise.all(
    taken.units.map(async ({ lead, number }) => ({
      was: number,
      is: (await unitRows.unit(db, idOf(requestId, `${lead} ${number} unit`)))?.number ?? number,
    })),
  );
  return {
    leads: taken.leads.map(({ lead, same }, n) => ({
      id: idOf(requestId, n),
      name: lead.name,
      same,
    })),
    units,
  };
}

/** What a lead was when its units were started, each once, and what it is today last. */
const revisionsOf = (lead: Lead, units: readonly UnitFile[]): readonly Lead[] => [
  ...units.flatMap(({ pinned }, n) =>
    pinned &&
    !dequal(pinned, lead) &&
    units.findIndex((other) => other.pinned && dequal(other.pinned, pinned)) === n
      ? [pinned]
      : [],
  ),
  lead,
];
