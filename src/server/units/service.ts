import { NEW_STATE, planOf, workedConnectors } from '../../core/bench';
import { schoolsOf } from '../../core/lead';
import { inTransaction, type Database } from '../db';
import { workPlanOf } from '../leads/plan';
import * as leadRows from '../leads/rows';
import { once } from '../once';
import { missing, Refused } from '../refused';
import { heldBefore } from '../making/held';
import { pickedNeeds, putBack, takeForUnit, unitTook, type UnitTook } from '../shelf/for-unit';
import { house } from '../workshop/rows';
import { gearOf } from './gear';
import { appendRecords } from './records';
import * as rows from './rows';
import type { Since, UnitSheet } from './unit-sheet';

export type { Since, UnitSheet } from './unit-sheet';

/**
 * Starts building a lead: a unit with its own number, pinned to the lead's present revision, with the plan that it is built
 * and proven by; what it takes leaves the shelf. A retry starts one. Errors: 404; 409 where the id stands for something else.
 */
export async function startUnit(
  db: Database,
  leadId: string,
  wanted: { id: string; builder: string },
  { fromShelf = true }: { readonly fromShelf?: boolean } = {},
): Promise<UnitSheet> {
  const gear = await gearOf(db);
  // It may take seconds: nobody else waits for it, and no lock is held meanwhile.
  const now = await leadRows.leadById(db, leadId);
  const planned = now && { revision: now.revision, plan: await workPlanOf(now, gear) };
  await inTransaction(db, async (trx) => {
    const lead = await leadRows.lockLead(trx, leadId);
    if (!lead) throw missing('lead');
    await once(trx, wanted.id, { leadId, ...wanted }, async () => {
      const pinned = await leadRows.leadAt(trx, leadId, lead.revision);
      if (!pinned) throw missing('lead');
      await rows.insertUnit(trx, {
        id: wanted.id,
        leadId,
        revision: lead.revision,
        builder: wanted.builder,
        plan: planned?.revision === lead.revision ? planned.plan : planOf(pinned, gear),
        state: NEW_STATE,
      });
      if (fromShelf)
        await takeForUnit(trx, {
          unit: wanted.id,
          leadId,
          lead: pinned,
          needs: await pickedNeeds(trx, leadId, pinned),
          by: wanted.id,
          heldNow: () => heldBefore(trx, lead.jobId),
          kerfMm: (await house(trx)).cutting?.kerfMm ?? 0,
        });
    });
  });
  return unitSheet(db, wanted.id);
}

const bare = <T>({
  unitId: _,
  place: __,
  ...rest
}: rows.Placed<T>): Omit<rows.Placed<T>, 'unitId' | 'place'> => rest;

/** What happened to a unit after a place; from the beginning where none is given. */
async function happened(db: Database, id: string, after = 0): Promise<Since> {
  const [events, readings] = await Promise.all([rows.events(db, id, after), rows.readings(db, id, after)]);
  return {
    events: events.map(bare),
    readings: readings.map(bare),
    place: Math.max(after, events.at(-1)?.place ?? 0, readings.at(-1)?.place ?? 0),
  };
}

/** A unit with its plan, events and readings. Errors: 404. */
export async function unitSheet(db: Database, id: string): Promise<UnitSheet> {
  const unit = await rows.unit(db, id);
  const lead = unit && (await leadRows.leadAt(db, unit.leadId, unit.revision));
  if (!unit || !lead) throw missing('unit');
  return { ...unit, lead, schools: schoolsOf(lead), ...(await happened(db, id)) };
}

/** What a unit took from the shelf, and what it did not find there. Errors: 404. */
export async function unitStock(db: Database, id: string): Promise<UnitTook> {
  const unit = await rows.unit(db, id);
  const lead = unit && (await leadRows.leadAt(db, unit.leadId, unit.revision));
  if (!unit || !lead) throw missing('unit');
  const worked = workedConnectors(unit.plan, unit.state, lead.assembly);
  return unitTook(db, id, { leadId: unit.leadId, lead, worked });
}

/**
 * Gives a unit up: its bench is closed, and what is named of what it took goes back to the shelf, both or neither. Sent twice
 * it is the same. Errors: 404; 409 where it is in the log.
 */
export async function giveUp(
  db: Database,
  id: string,
  { event, why, back, at }: { event: string; why: string; back: readonly string[]; at: string },
): Promise<UnitTook> {
  await inTransaction(db, async (trx) => {
    const { refused } = await appendRecords(trx, id, [
      { is: 'event', id: event, kind: 'given-up', text: why, at },
    ]);
    const [first] = refused;
    if (first) throw new Refused(409, [first.problem]);
    const unit = await rows.unit(trx, id);
    const lead = unit && (await leadRows.leadAt(trx, unit.leadId, unit.revision));
    if (!unit || !lead) throw missing('unit');
    await putBack(trx, id, {
      named: back,
      what: `from a unit that was given up: ${why}`.slice(0, 200),
      worked: workedConnectors(unit.plan, unit.state, lead.assembly),
    });
  });
  return unitStock(db, id);
}

/** What happened to a unit since a place. Errors: 404. */
export async function unitSince(db: Database, id: string, after: number): Promise<Since> {
  if (!(await rows.hasUnit(db, id))) throw missing('unit');
  return happened(db, id, after);
}
