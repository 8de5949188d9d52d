import { sql } from 'kysely';
import { storedState } from '../../core/bench';
import type { Database } from '../db';
import type { StoredUnit } from './rows';

/** A unit that is on the bench: what of it is done, and when its last step was. */
export interface UnitAtBench {
  readonly id: string;
  readonly number: number;
  readonly builder: string;
  readonly done: readonly string[];
  /** How many events it has: of two that know of it, the one that knows more of them is right. */
  readonly events: number;
  /** ISO 8601, by the bench’s clock; nothing where no step is done. */
  readonly lastAt?: string | undefined;
}

/** The units of a lead that are on the bench and are built by the very plan of this one, by their numbers; this one among them. */
export async function atBench(
  db: Database,
  { leadId, revision, id }: Pick<StoredUnit, 'leadId' | 'revision' | 'id'>,
  most: number,
): Promise<readonly UnitAtBench[]> {
  const found = await db
    .selectFrom('unit')
    .select(['id', 'number', 'builder', 'state'])
    .select(({ selectFrom }) =>
      selectFrom('bench_event')
        .whereRef('bench_event.unit_id', '=', 'unit.id')
        .where('kind', '=', 'done')
        .orderBy('place', 'desc')
        .limit(1)
        .select('at')
        .as('lastAt'),
    )
    .select(({ selectFrom, fn }) =>
      selectFrom('bench_event')
        .whereRef('bench_event.unit_id', '=', 'unit.id')
        .select(fn.countAll<string>().as('count'))
        .as('events'),
    )
    .where('lead_id', '=', leadId)
    .where('revision', '=', revision)
    .where(sql<boolean>`state->>'logged' = 'false' and state->>'givenUp' is null`)
    .where(sql<boolean>`plan = (select plan from unit as this where this.id = ${id})`)
    .orderBy('number')
    .limit(most)
    .execute();
  return found.map(({ state, lastAt, events, ...unit }) => {
    const { done } = storedState(state);
    return {
      ...unit,
      done,
      events: Number(events ?? 0),
      ...(done.length > 0 && lastAt ? { lastAt: lastAt.toISOString() } : {}),
    };
  });
}
