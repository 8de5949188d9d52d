import { planOf, proofBy, refusal, readingsInForce, stepsOf, type BenchEvent } from '../../core/bench';
import type { Lead } from '../../core/lead';
import { judge } from '../../core/proving';
import type { Problem } from '../../core/quantity';
import { inTransaction, type Database } from '../db';
import * as leadRows from '../leads/rows';
import { missing } from '../refused';
import * as rows from './rows';

export interface UnitSheet extends rows.StoredUnit {
  /** The revision that it is pinned to. */
  readonly lead: Lead;
  readonly events: readonly BenchEvent[];
  readonly readings: readonly rows.StoredReading[];
}

/** What became of what was sent: the ids that are recorded now, and those refused, each with why. */
export interface Acknowledged {
  readonly taken: readonly string[];
  readonly refused: readonly { readonly id: string; readonly problem: Problem }[];
}

/**
 * Starts building a lead: a unit with its own number, pinned to the lead's present revision, with the plan that it is built
 * and proven by. A retry starts one.
 */
export async function startUnit(
  db: Database,
  leadId: string,
  wanted: { id: string; builder: string },
): Promise<UnitSheet> {
  await inTransaction(db, async (trx) => {
    const lead = await leadRows.lockLead(trx, leadId);
    if (!lead) throw missing('lead');
    if (await rows.unit(trx, wanted.id)) return;
    const pinned = await leadRows.leadAt(trx, leadId, lead.revision);
    if (!pinned) throw missing('lead');
    await rows.insertUnit(trx, {
      id: wanted.id,
      leadId,
      revision: lead.revision,
      builder: wanted.builder,
      plan: planOf(pinned),
    });
  });
  return unitSheet(db, wanted.id);
}

/** A unit with its plan, events and readings. Errors: 404. */
export async function unitSheet(db: Database, id: string): Promise<UnitSheet> {
  const unit = await rows.unit(db, id);
  const lead = unit && (await leadRows.leadAt(db, unit.leadId, unit.revision));
  if (!unit || !lead) throw missing('unit');
  const [events, readings] = await Promise.all([rows.events(db, id), rows.readings(db, id)]);
  return {
    ...unit,
    lead,
    events: events.map(({ unitId: _, ...event }) => event),
    readings: readings.map(({ unitId: _, ...reading }) => reading),
  };
}

/**
 * Appends bench events in the order given. What is recorded already counts as taken; what the bench cannot allow now
 * is refused and the rest goes on. The proof can only be done when the readings say good.
 */
export async function appendEvents(
  db: Database,
  unitId: string,
  wanted: readonly BenchEvent[],
): Promise<Acknowledged> {
  return inTransaction(db, async (trx) => {
    if (!(await rows.lockUnit(trx, unitId))) throw missing('unit');
    const { lead, plan, events, readings } = await unitSheet(trx, unitId);
    const { operations, before } = stepsOf(plan);
    const known = [...events];
    const taken: string[] = [];
    const refused: Acknowledged['refused'][number][] = [];
    for (const event of wanted) {
      const problem = known.some((each) => each.id === event.id)
        ? undefined
        : (refusal(operations, before, known, event) ?? unproven(event));
      if (problem) {
        refused.push({ id: event.id, problem });
        continue;
      }
      taken.push(event.id);
      if (known.some((each) => each.id === event.id)) continue;
      await rows.insertEvent(trx, unitId, event);
      known.push(event);
    }
    return { taken, refused };

    function unproven(event: BenchEvent): Problem | undefined {
      const operation = operations.find((op) => op.id === event.operation);
      const proves = event.kind === 'done' && operation?.kind === 'prove';
      // By spot checks a lead may be passed by; once it is on the meter, the readings decide.
      if (operation?.mayPass && readingsInForce(known, readings).length === 0) return undefined;
      return proves && judge(proofBy(plan, lead), readingsInForce(known, readings)).is !== 'good'
        ? {
            code: 'bench.unproven',
            says: 'The readings do not say good yet: finish them, or mend what they name.',
            path: 'operation',
          }
        : undefined;
    }
  });
}

/** Appends readings, each once; which mending each follows it says itself. */
export async function appendReadings(
  db: Database,
  unitId: string,
  wanted: readonly rows.StoredReading[],
): Promise<Acknowledged> {
  return inTransaction(db, async (trx) => {
    if (!(await rows.lockUnit(trx, unitId))) throw missing('unit');
    for (const reading of wanted) await rows.insertReading(trx, unitId, reading);
    return { taken: wanted.map((reading) => reading.id), refused: [] };
  });
}
