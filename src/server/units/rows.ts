import { storedPlan, type BenchEvent, type WorkPlan } from '../../core/bench';
import { fromPlain, toPlain, type Reading } from '../../core/proving';
import type { Database } from '../db';

export interface StoredUnit {
  readonly id: string;
  readonly number: number;
  readonly leadId: string;
  readonly revision: number;
  readonly builder: string;
  /** What it is built and proven by. */
  readonly plan: WorkPlan;
  readonly startedAt: string;
}

export interface StoredReading extends Reading {
  readonly id: string;
  /** The mending that it follows, by the event's id; none where nothing was mended before it. */
  readonly after?: string | undefined;
  readonly at: string;
}

const select = (db: Database) =>
  db
    .selectFrom('unit')
    .select(['id', 'number', 'lead_id as leadId', 'revision', 'builder', 'plan', 'created_at as startedAt']);
const plain = <T extends { startedAt: Date; plan: unknown }>({
  startedAt,
  plan,
  ...row
}: T): Omit<T, 'startedAt' | 'plan'> & { startedAt: string; plan: WorkPlan } => ({
  ...row,
  plan: storedPlan(plan),
  startedAt: startedAt.toISOString(),
});

/** Every unit by its number. */
export const units = async (db: Database): Promise<StoredUnit[]> =>
  (await select(db).orderBy('number').execute()).map(plain);

/** The units of a lead by their numbers. */
export const unitsOf = async (db: Database, leadId: string): Promise<StoredUnit[]> =>
  (await select(db).where('lead_id', '=', leadId).orderBy('number').execute()).map(plain);

/** One unit. */
export async function unit(db: Database, id: string): Promise<StoredUnit | undefined> {
  const row = await select(db).where('id', '=', id).executeTakeFirst();
  return row && plain(row);
}

/** Adds a unit, numbered after the last. */
export const insertUnit = (
  db: Database,
  row: { id: string; leadId: string; revision: number; builder: string; plan: WorkPlan },
): Promise<unknown> =>
  db
    .insertInto('unit')
    .values({
      id: row.id,
      lead_id: row.leadId,
      revision: row.revision,
      builder: row.builder,
      plan: JSON.stringify(row.plan),
    })
    .onConflict((c) => c.column('id').doNothing())
    .execute();

/** Locks a unit to the end of the transaction, so that its events are judged and taken one request at a time. */
export const lockUnit = (db: Database, id: string): Promise<{ id: string } | undefined> =>
  db.selectFrom('unit').select('id').where('id', '=', id).forUpdate().executeTakeFirst();

/** Events in the order that the database gave them, of one unit or of all. */
export async function events(db: Database, unitId?: string): Promise<(BenchEvent & { unitId: string })[]> {
  let query = db
    .selectFrom('bench_event')
    .select(['id', 'unit_id as unitId', 'kind', 'operation', 'text', 'at'])
    .orderBy('place');
  if (unitId) query = query.where('unit_id', '=', unitId);
  return (await query.execute()).map((row) => ({
    id: row.id,
    unitId: row.unitId,
    kind: row.kind,
    operation: row.operation ?? undefined,
    text: row.text ?? undefined,
    at: row.at.toISOString(),
  }));
}

/** A unit’s readings in the server’s order. */
export async function readings(
  db: Database,
  unitId?: string,
): Promise<(StoredReading & { unitId: string })[]> {
  let query = db
    .selectFrom('reading')
    .select(['id', 'unit_id as unitId', 'probe', 'answer', 'after', 'at'])
    .orderBy('place');
  if (unitId) query = query.where('unit_id', '=', unitId);
  return (await query.execute()).map((row) => ({
    ...row,
    answer: fromPlain(row.answer),
    after: row.after ?? undefined,
    at: row.at.toISOString(),
  }));
}

/** Appends an event. */
export const insertEvent = (db: Database, unitId: string, event: BenchEvent): Promise<unknown> =>
  db
    .insertInto('bench_event')
    .values({
      id: event.id,
      unit_id: unitId,
      kind: event.kind,
      operation: event.operation ?? null,
      text: event.text ?? null,
      at: new Date(event.at),
    })
    .execute();

/** Appends a reading; one that is there already stays as it is. */
export const insertReading = (db: Database, unitId: string, reading: StoredReading): Promise<unknown> =>
  db
    .insertInto('reading')
    .values({
      id: reading.id,
      unit_id: unitId,
      probe: reading.probe,
      answer: JSON.stringify(toPlain(reading.answer)),
      after: reading.after ?? null,
      at: new Date(reading.at),
    })
    .onConflict((c) => c.column('id').doNothing())
    .execute();
