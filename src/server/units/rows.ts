import { sql } from 'kysely';
import { storedPlan, storedState, type BenchEvent, type BenchState, type WorkPlan } from '../../core/bench';
import { fromPlain, toPlain, type Reading } from '../../core/proving';
import type { Database } from '../db';
import { standOf, type Stand } from './stand';

export interface StoredUnit {
  readonly id: string;
  readonly number: number;
  readonly leadId: string;
  readonly revision: number;
  readonly builder: string;
  /** What it is built and proven by. */
  readonly plan: WorkPlan;
  /** Where its work stands. */
  readonly state: BenchState;
  /** That in a word and a line. */
  readonly stand: Stand;
  readonly startedAt: string;
}

export interface StoredReading extends Reading {
  readonly id: string;
  /** The mending that it follows, by the event's id; none where nothing was mended before it. */
  readonly after?: string | undefined;
  readonly at: string;
}

/** What is of one unit, and where it stands among all that happened. */
export type Placed<Of> = Of & { readonly unitId: string; readonly place: number };

const select = (db: Database) =>
  db
    .selectFrom('unit')
    .select([
      'id',
      'number',
      'lead_id as leadId',
      'revision',
      'builder',
      'plan',
      'state',
      'stand',
      'created_at as startedAt',
    ]);
const plain = <T extends { startedAt: Date; plan: unknown; state: unknown; stand: Stand | null }>({
  startedAt,
  plan: storedAs,
  state: stoodAs,
  stand,
  ...row
}: T): Omit<T, 'startedAt' | 'plan' | 'state' | 'stand'> & {
  startedAt: string;
  plan: WorkPlan;
  state: BenchState;
  stand: Stand;
} => {
  const plan = storedPlan(storedAs);
  const state = storedState(stoodAs);
  return {
    ...row,
    plan,
    state,
    stand: stand ?? standOf(plan.operations, state),
    startedAt: startedAt.toISOString(),
  };
};

/** The units of a lead by their numbers. */
export const unitsOf = async (db: Database, leadId: string): Promise<StoredUnit[]> =>
  (await select(db).where('lead_id', '=', leadId).orderBy('number').execute()).map(plain);

/** Units of plugs that stand alone, whose proof is done. */
export async function plugsMade(db: Database): Promise<StoredUnit[]> {
  const plugs = await sql<{ lead_id: string; revision: number }>`
    select lead_id, revision from lead_revision where document->'intent'->>'form' = 'plug'`.execute(db);
  const made: StoredUnit[] = [];
  for (const id of new Set(plugs.rows.map((row) => row.lead_id)))
    made.push(
      ...(await unitsOf(db, id)).filter(
        ({ revision, state }) =>
          state.done.includes('prove') &&
          plugs.rows.some((row) => row.lead_id === id && row.revision === revision),
      ),
    );
  return made;
}

/** One unit. */
export async function unit(db: Database, id: string): Promise<StoredUnit | undefined> {
  const row = await select(db).where('id', '=', id).executeTakeFirst();
  return row && plain(row);
}

/** Adds a unit: under this number where it is free, else numbered after the last. */
export async function insertUnit(
  db: Database,
  row: {
    readonly id: string;
    readonly leadId: string;
    readonly revision: number;
    readonly builder: string;
    readonly plan: WorkPlan;
    readonly state: BenchState;
    readonly number?: number;
  },
): Promise<void> {
  const values = {
    id: row.id,
    lead_id: row.leadId,
    revision: row.revision,
    builder: row.builder,
    plan: JSON.stringify(row.plan),
    state: JSON.stringify(row.state),
    stand: JSON.stringify(standOf(row.plan.operations, row.state)),
  };
  const numbered =
    row.number !== undefined &&
    (
      await sql`
        insert into unit (id, number, lead_id, revision, builder, plan, state, stand) overriding system value
        values (${row.id}, ${row.number}, ${row.leadId}, ${row.revision}, ${row.builder}, ${values.plan}, ${values.state}, ${values.stand})
        on conflict (number) do nothing returning id`.execute(db)
    ).rows.length > 0;
  if (!numbered) return void (await db.insertInto('unit').values(values).execute());
  // What is numbered next comes after it.
  await sql`
    select setval(pg_get_serial_sequence('unit', 'number'),
      greatest(${row.number}::bigint, (select last_value from unit_number_seq)))`.execute(db);
}

/** A unit, or the units of a lead by their numbers, each with the place of the last that happened to it. */
export async function places(
  db: Database,
  of: { readonly unit: string } | { readonly lead: string },
): Promise<readonly { readonly id: string; readonly place: number }[]> {
  const { rows } = await sql<{ id: string; place: string }>`
    select u.id, greatest(
      coalesce((select max(place) from bench_event where unit_id = u.id), 0),
      coalesce((select max(place) from reading where unit_id = u.id), 0)) as place
    from unit u where ${'unit' in of ? sql`u.id = ${of.unit}` : sql`u.lead_id = ${of.lead}`} order by u.number`.execute(
    db,
  );
  return rows.map(({ id, place }) => ({ id, place: Number(place) }));
}

/** Whether there is such a unit. */
export const hasUnit = async (db: Database, id: string): Promise<boolean> =>
  (await db.selectFrom('unit').select('id').where('id', '=', id).executeTakeFirst()) !== undefined;

/**
 * Where a unit's work stands, with the unit locked to the end of the transaction: what happens to it is judged, taken and
 * given its place one request at a time.
 */
export async function lockState(
  db: Database,
  id: string,
): Promise<{ readonly state: BenchState; readonly startedAt: string } | undefined> {
  const row = await db
    .selectFrom('unit')
    .select(['state', 'created_at'])
    .where('id', '=', id)
    .forNoKeyUpdate()
    .executeTakeFirst();
  return row && { state: storedState(row.state), startedAt: row.created_at.toISOString() };
}

/** Puts where a unit's work stands in the place of what it was. */
export const putState = (db: Database, id: string, state: BenchState, stand: Stand): Promise<unknown> =>
  db
    .updateTable('unit')
    .set({ state: JSON.stringify(state), stand: JSON.stringify(stand) })
    .where('id', '=', id)
    .execute();

const selectEvents = (db: Database) =>
  db
    .selectFrom('bench_event')
    .select(['id', 'unit_id as unitId', 'kind', 'operation', 'text', 'at', 'place'])
    .orderBy('place');
const plainEvent = (
  row: Awaited<ReturnType<ReturnType<typeof selectEvents>['execute']>>[number],
): Placed<BenchEvent> => ({
  id: row.id,
  unitId: row.unitId,
  kind: row.kind,
  operation: row.operation ?? undefined,
  text: row.text ?? undefined,
  at: row.at.toISOString(),
  place: Number(row.place),
});

const selectReadings = (db: Database) =>
  db
    .selectFrom('reading')
    .select(['id', 'unit_id as unitId', 'probe', 'answer', 'after', 'at', 'place'])
    .orderBy('place');
const plainReading = (
  row: Awaited<ReturnType<ReturnType<typeof selectReadings>['execute']>>[number],
): Placed<StoredReading> => ({
  ...row,
  answer: fromPlain(row.answer),
  after: row.after ?? undefined,
  at: row.at.toISOString(),
  place: Number(row.place),
});

/** A unit's events that came after a place, in the order that the database gave them. */
export const events = async (db: Database, unitId: string, after = 0): Promise<Placed<BenchEvent>[]> =>
  (await selectEvents(db).where('unit_id', '=', unitId).where('place', '>', String(after)).execute()).map(
    plainEvent,
  );

/** The newest units of a lead at which something was done, or those of others that are in the log: their steps, and what happened. */
export async function logged(
  db: Database,
  leadId: string,
  of: 'own' | 'others',
  most: number,
): Promise<
  readonly {
    readonly id: string;
    readonly builder: string;
    readonly operations: WorkPlan['operations'];
    readonly events: readonly BenchEvent[];
  }[]
> {
  const chosen = await select(db)
    .where('lead_id', of === 'own' ? '=' : '<>', leadId)
    .$if(of === 'others', (query) => query.where(sql<boolean>`state->>'logged' = 'true'`))
    .orderBy('number', 'desc')
    .limit(most)
    .execute();
  if (chosen.length === 0) return [];
  const happened = (
    await selectEvents(db)
      .where(
        'unit_id',
        'in',
        chosen.map(({ id }) => id),
      )
      .execute()
  ).map(plainEvent);
  return chosen.map(plain).map(({ id, builder, plan }) => ({
    id,
    builder,
    operations: plan.operations,
    events: happened.filter(({ unitId }) => unitId === id),
  }));
}

/** A unit's readings that came after a place, in the same order. */
export const readings = async (db: Database, unitId: string, after = 0): Promise<Placed<StoredReading>[]> =>
  (await selectReadings(db).where('unit_id', '=', unitId).where('place', '>', String(after)).execute()).map(
    plainReading,
  );

/** A unit's readings that follow this mending, or none. */
export const readingsAfter = async (
  db: Database,
  unitId: string,
  mending: string | undefined,
): Promise<Placed<StoredReading>[]> =>
  (
    await selectReadings(db)
      .where('unit_id', '=', unitId)
      .where('after', mending === undefined ? 'is' : '=', mending ?? null)
      .execute()
  ).map(plainReading);

/** Those of these ids that are recorded already, whatever unit they are of. */
export async function recorded(
  db: Database,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Placed<BenchEvent> | Placed<StoredReading>>> {
  const these = await selectEvents(db).where('id', 'in', ids).execute();
  const those = await selectReadings(db).where('id', 'in', ids).execute();
  return new Map(
    [...these.map(plainEvent), ...those.map(plainReading)].map((each) => [each.id, each] as const),
  );
}

/** Appends events in their order. */
export const insertEvents = (db: Database, unitId: string, list: readonly BenchEvent[]): Promise<unknown> =>
  db
    .insertInto('bench_event')
    .values(
      list.map((event) => ({
        id: event.id,
        unit_id: unitId,
        kind: event.kind,
        operation: event.operation ?? null,
        text: event.text ?? null,
        at: new Date(event.at),
      })),
    )
    .execute();

/** Appends readings in their order. */
export const insertReadings = (
  db: Database,
  unitId: string,
  list: readonly StoredReading[],
): Promise<unknown> =>
  db
    .insertInto('reading')
    .values(
      list.map((reading) => ({
        id: reading.id,
        unit_id: unitId,
        probe: reading.probe,
        answer: JSON.stringify(toPlain(reading.answer)),
        after: reading.after ?? null,
        at: new Date(reading.at),
      })),
    )
    .execute();

/** Whether this event is a mending of this unit. */
export const isMending = async (db: Database, unitId: string, id: string): Promise<boolean> =>
  (await db
    .selectFrom('bench_event')
    .select('id')
    .where('id', '=', id)
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'mended')
    .executeTakeFirst()) !== undefined;
