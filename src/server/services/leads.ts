import { derive, type Intent } from '../../core/wiring';
import { inTransaction, type Database } from '../db';
import * as rows from '../repositories/leads';
import * as unitRows from '../repositories/units';
import { missing, Refused } from './refused';
import { courseOf, standingOf, type Standing } from './work';

export interface LeadSheet extends rows.StoredLead {
  readonly units: readonly (unitRows.StoredUnit & Standing)[];
  readonly history: readonly {
    readonly revision: number;
    readonly name: string;
    readonly intent: Intent;
    readonly savedAt: string;
  }[];
}

export interface NewLead {
  readonly id: string;
  readonly jobId: string;
  readonly name: string;
  readonly intent: unknown;
}

export interface SavedLead {
  /** The client's id for this save. */
  readonly requestId: string;
  /** The revision that was edited. */
  readonly base: number;
  readonly name: string;
  readonly intent: unknown;
}

function derived(intent: unknown) {
  const lead = derive(intent);
  if (!lead.ok) throw new Refused(422, lead.problems);
  return lead.value;
}

export async function createJob(
  db: Database,
  job: { id: string; name: string; note: string },
): Promise<{ id: string }> {
  await rows.insertJob(db, job);
  return { id: job.id };
}

/** Makes a lead with its first revision. The lead's own id is the save's id, so a retry makes one lead. */
export async function createLead(db: Database, wanted: NewLead): Promise<LeadSheet> {
  const { intent, assembly } = derived(wanted.intent);
  await inTransaction(db, async (trx) => {
    if (await rows.savedBy(trx, wanted.id)) return;
    if (!(await rows.jobs(trx)).some((job) => job.id === wanted.jobId)) throw missing('job');
    await rows.insertLead(trx, { id: wanted.id, jobId: wanted.jobId });
    await rows.insertRevision(trx, {
      leadId: wanted.id,
      revision: 1,
      name: wanted.name,
      intent,
      assembly,
      requestId: wanted.id,
    });
  });
  return leadSheet(db, wanted.id);
}

/**
 * Saves a change as a new revision. Of two edits of one revision the second is refused with 409 and what is there now;
 * a retry of a save that was taken answers as the first time; a save that changes nothing makes no revision.
 */
export async function saveLead(db: Database, id: string, wanted: SavedLead): Promise<LeadSheet> {
  const { intent, assembly } = derived(wanted.intent);
  await inTransaction(db, async (trx) => {
    const locked = await rows.lockLead(trx, id);
    if (!locked) throw missing('lead');
    if (await rows.savedBy(trx, wanted.requestId)) return;
    const now = await rows.lead(trx, id);
    if (!now) throw missing('lead');
    if (now.revision !== wanted.base)
      throw new Refused(
        409,
        [
          {
            code: 'lead.changed',
            says: 'This lead was changed in another window since you opened it.',
            path: 'base',
          },
        ],
        { current: now, yours: { name: wanted.name, intent } },
      );
    if (now.name === wanted.name && same(now.intent, intent)) return;
    await rows.insertRevision(trx, {
      leadId: id,
      revision: now.revision + 1,
      name: wanted.name,
      intent,
      assembly,
      requestId: wanted.requestId,
    });
  });
  return leadSheet(db, id);
}

/** Whether two JSON values say the same, whatever the order of their keys. */
function same(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => same((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]))
  );
}

export async function leadSheet(db: Database, id: string): Promise<LeadSheet> {
  const lead = await rows.lead(db, id);
  if (!lead) throw missing('lead');
  const [units, history] = await Promise.all([unitRows.unitsOf(db, id), rows.revisions(db, id)]);
  return {
    ...lead,
    units: await Promise.all(
      units.map(async (unit) => {
        const at = history.find((each) => each.revision === unit.revision);
        const pinned = at && (await rows.leadAt(db, id, unit.revision));
        const course = courseOf(pinned?.assembly ?? lead.assembly, pinned?.intent ?? lead.intent);
        return { ...unit, ...standingOf(course, await unitRows.events(db, unit.id)) };
      }),
    ),
    history: history.map((each) => ({ ...each, savedAt: each.savedAt.toISOString() })),
  };
}
