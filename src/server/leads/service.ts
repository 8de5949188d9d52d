import { dequal } from 'dequal';
import { changedByHand, derive, type Edit, type Lead } from '../../core/lead';
import { inTransaction, type Database } from '../db';
import * as jobRows from '../jobs/rows';
import { once } from '../once';
import { missing, Refused } from '../refused';
import * as unitRows from '../units/rows';
import type { Stand } from '../units/stand';
import * as rows from './rows';
import type { Summary } from './comes-to';
import { picksOf, type Picks } from './picked';
import { isLaidOut } from './picks';
import { summaryFor } from './summary';

export interface LeadSheet
  extends rows.StoredLead, Pick<Summary, 'found' | 'hangs' | 'offers' | 'figures' | 'kit'> {
  /** What was picked of its kit, and whether that is all of it. */
  readonly picks: Picks;
  readonly laidOut: boolean;
  readonly units: readonly (Omit<unitRows.StoredUnit, 'plan' | 'state' | 'stand'> & Stand)[];
  readonly history: readonly rows.RevisionLine[];
}

export interface NewLead {
  readonly id: string;
  readonly jobId: string;
  readonly name: string;
  readonly intent: unknown;
  readonly edits?: readonly Edit[] | undefined;
}

export interface SavedLead {
  /** The client's id for this save. */
  readonly requestId: string;
  /** The revision that was edited. */
  readonly base: number;
  /** The saves of the same window that it goes on top of and that had no answer: taken or not, they are no other's change. */
  readonly after?: readonly string[] | undefined;
  readonly name: string;
  /** What it is for; none for a lead that was described from what is in the hand. */
  readonly intent?: unknown;
  readonly edits?: readonly Edit[] | undefined;
}

function derived(intent: unknown, edits: readonly Edit[], name: string): Lead {
  const lead = derive(intent, edits, name);
  if (!lead.ok) throw new Refused(422, lead.problems);
  return lead.value;
}

/** Makes a lead with its first revision. The lead's own id is the save's id, so a retry makes one lead. */
export async function createLead(db: Database, wanted: NewLead): Promise<LeadSheet> {
  const lead = derived(wanted.intent, wanted.edits ?? [], wanted.name);
  await inTransaction(db, async (trx) => {
    if (!(await jobRows.holdJob(trx, wanted.jobId))) throw missing('job');
    await once(trx, wanted.id, { lead: wanted }, async () => {
      await rows.insertLead(trx, { id: wanted.id, jobId: wanted.jobId });
      await rows.insertRevision(trx, { leadId: wanted.id, revision: 1, lead, requestId: wanted.id });
    });
  });
  return leadSheet(db, wanted.id);
}

/** A lead with no intent is changed by edits alone. */
function editedByHand(now: Lead, wanted: SavedLead): Lead {
  const changed = changedByHand(now, wanted.name, wanted.edits ?? now.edits);
  if (!changed.ok) throw new Refused(422, changed.problems);
  return changed.value;
}

/** What a save makes of a lead. It is derived anew where intent, schools or edits change, and only there. */
function changed(now: Lead, wanted: SavedLead): Lead {
  if (wanted.intent === undefined && now.intent === undefined) return editedByHand(now, wanted);
  const edits = wanted.edits ?? now.edits;
  return dequal(wanted.intent, now.intent) && dequal(edits, now.edits)
    ? { ...now, name: wanted.name }
    : derived(wanted.intent, edits, wanted.name);
}

/**
 * Saves a change as a new revision. Of two edits of one revision the second is refused with 409 and what is there now, unless
 * it goes on top of the first; a retry of a save that was taken answers as the first time; a save that changes nothing makes
 * no revision.
 */
export async function saveLead(db: Database, id: string, wanted: SavedLead): Promise<LeadSheet> {
  await inTransaction(db, async (trx) => {
    const locked = await rows.lockLead(trx, id);
    if (!locked) throw missing('lead');
    await once(trx, wanted.requestId, { id, ...wanted }, () => save(trx, id, wanted));
  });
  return leadSheet(db, id);
}

async function save(trx: Database, id: string, wanted: SavedLead): Promise<void> {
  const now = await rows.leadById(trx, id);
  if (!now) throw missing('lead');
  const isOwn = async () => wanted.after?.includes(await rows.savedBy(trx, id, now.revision)) ?? false;
  if (now.revision !== wanted.base && !(await isOwn()))
    throw new Refused(
      409,
      [
        {
          code: 'lead.changed',
          says: 'This lead was changed in another window since you opened it.',
          path: 'base',
        },
      ],
      { current: now, yours: { name: wanted.name, intent: wanted.intent, edits: wanted.edits ?? [] } },
    );
  const lead = changed(now.lead, wanted);
  if (dequal(plain(lead), plain(now.lead))) return;
  await rows.insertRevision(trx, {
    leadId: id,
    revision: now.revision + 1,
    lead,
    requestId: wanted.requestId,
  });
}

/** A document as it is stored: without what is undefined. */
const plain = (document: unknown): unknown => JSON.parse(JSON.stringify(document));

/** Puts a lead away, or brings it back. Errors: 404. */
export async function putLeadAway(db: Database, id: string, away: boolean): Promise<{ away: boolean }> {
  await inTransaction(db, async (trx) => {
    if (!(await rows.lockLead(trx, id))) throw missing('lead');
    await rows.putLeadAway(trx, id, away);
  });
  return { away };
}

/** Takes a lead out that was never built: refused with 409 where a unit was ever started. */
export async function removeLead(db: Database, id: string): Promise<{ readonly removed: string }> {
  await inTransaction(db, async (trx) => {
    if (!(await rows.lockLead(trx, id))) throw missing('lead');
    if ((await unitRows.unitsOf(trx, id)).length > 0)
      throw new Refused(409, [
        {
          code: 'lead.built',
          says: 'A unit of this lead was started: what was built stays in the log, and its lead with it. Put it away instead.',
          path: '',
        },
      ]);
    await rows.deleteLead(trx, id);
  });
  return { removed: id };
}

/** A lead with its units and its history. Errors: 404. */
export async function leadSheet(db: Database, id: string): Promise<LeadSheet> {
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const [units, history, { found, hangs, offers, figures, kit }, picks] = await Promise.all([
    unitRows.unitsOf(db, id),
    rows.revisions(db, id),
    summaryFor(db, stored),
    picksOf(db, id),
  ]);
  return {
    ...stored,
    found,
    hangs,
    offers,
    figures,
    kit,
    picks,
    laidOut: isLaidOut(kit, picks),
    units: units.map(({ plan: _, state: __, stand, ...unit }) => ({ ...unit, ...stand })),
    history,
  };
}

/** A stored lead as a file: as it is stored, whatever would be derived today. Errors: 404. */
export async function exportLead(db: Database, id: string): Promise<Lead> {
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  return stored.lead;
}
