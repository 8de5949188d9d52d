import { sql } from 'kysely';
import type { BenchEvent, BenchState } from '../../core/bench';
import { toPlain } from '../../core/proving';
import { isAway, isTaken, OFTEN, type Database } from '../db';
import type { StoredReading } from './rows';
import type { Stand } from './stand';

/** What is to be appended to one unit, if it stands where it is thought to. */
export interface Append {
  readonly unitId: string;
  readonly startedAt: string;
  /** Where it is thought to stand, and where it stands afterwards. */
  readonly from: BenchState;
  readonly to: BenchState;
  /** Where it stands afterwards, in a word and a line. */
  readonly stand: Stand;
  /** Of one kind: the database gives events and readings their places one kind after the other. */
  readonly events: readonly BenchEvent[];
  readonly readings: readonly StoredReading[];
}

/** What waits to be appended, and those who wait for it. */
interface Waiting {
  readonly append: Append;
  readonly heard: readonly {
    readonly resolve: (done: boolean) => void;
    readonly reject: (error: unknown) => void;
  }[];
}

/** What has come while a statement is under way, by the unit. */
interface Gathering {
  waiting: Waiting[];
  busy: boolean;
}

/** What is gathered for each database. */
const GATHERINGS = new WeakMap<Database, Gathering>();

/**
 * Appends in one statement, together with all that has come while the last was under way: one commit for many builders.
 * Resolves to whether it was done: it is not where the unit stands elsewhere, is being written to, or an id is there already.
 */
export function appended(db: Database, append: Append): Promise<boolean> {
  const here = GATHERINGS.get(db) ?? { waiting: [], busy: false };
  GATHERINGS.set(db, here);
  return new Promise((resolve, reject) => {
    here.waiting.push({ append, heard: [{ resolve, reject }] });
    if (!here.busy) void sendAll(db, here);
  });
}

async function sendAll(db: Database, here: Gathering): Promise<void> {
  here.busy = true;
  while (here.waiting.length > 0) {
    const { group, left } = gathered(here.waiting);
    here.waiting = left;
    try {
      const done = await put(
        db,
        group.map(({ append }) => append),
      );
      for (const { append, heard } of group)
        for (const { resolve } of heard) resolve(done.has(append.unitId));
    } catch (error) {
      // What waits would wait as long again to hear that the database is away.
      const told = [...group, ...(isAway(error) ? here.waiting.splice(0) : [])];
      for (const { heard } of told)
        for (const { resolve, reject } of heard)
          if (isTaken(error)) resolve(false);
          else reject(error);
    }
  }
  here.busy = false;
}

/** What can be appended at once: of one unit only what follows on what comes before it. */
function gathered(waiting: readonly Waiting[]): { readonly group: Waiting[]; readonly left: Waiting[] } {
  const group = new Map<string, Waiting>();
  const left: Waiting[] = [];
  for (const each of waiting) {
    const { unitId, from, to, stand, events, readings } = each.append;
    const before = group.get(unitId);
    if (!before) group.set(unitId, each);
    else if (before.append.to !== from) left.push(each);
    else
      group.set(unitId, {
        append: {
          ...before.append,
          to,
          stand,
          events: [...before.append.events, ...events],
          readings: [...before.append.readings, ...readings],
        },
        heard: [...before.heard, ...each.heard],
      });
  }
  return { group: [...group.values()], left };
}

/** Rows as a table, numbered by `n`: each column is one parameter. */
const table = <Row>(
  name: string,
  rows: readonly Row[],
  columns: Readonly<Record<string, readonly [type: string, of: (row: Row) => unknown]>>,
) =>
  sql`unnest(${sql.join(
    Object.values(columns).map(
      ([type, of]) => sql`${rows.map((row) => of(row) ?? null)}::${sql.raw(type)}[]`,
    ),
  )}) with ordinality as ${sql.raw(`${name} (${Object.keys(columns).join(', ')}, n)`)}`;

/** Where none of these records is in a table. */
const noneIn = (name: 'reading' | 'bench_event', records: readonly { readonly id: string }[]) =>
  sql`and not exists (select 1 from ${sql.table(name)} where id = any(${records.map(({ id }) => id)}::uuid[]))`;

/** The units of which all was appended. Only what is needed is in the statement: the rest would be planned and begun too. */
async function put(db: Database, appends: readonly Append[]): Promise<ReadonlySet<string>> {
  const events = appends.flatMap(({ unitId, events: list }) => list.map((each) => ({ unitId, ...each })));
  const readings = appends.flatMap(({ unitId, readings: list }) => list.map((each) => ({ unitId, ...each })));
  const moves = appends.filter(({ from, to }) => to !== from);
  const thought = table('thought', appends, {
    unit: ['uuid', ({ unitId }) => unitId],
    started: ['timestamptz', ({ startedAt }) => startedAt],
    state: ['jsonb', ({ from }) => JSON.stringify(from)],
  });
  const parts = [
    sql`here as materialized (
      select unit.id from unit join ${thought} on thought.unit = unit.id
      where unit.state = thought.state and date_trunc('milliseconds', unit.created_at) = thought.started
        ${events.length > 0 ? noneIn('reading', events) : sql``}
        ${readings.length > 0 ? noneIn('bench_event', readings) : sql``}
      for no key update of unit skip locked)`,
  ];
  if (events.length > 0)
    parts.push(sql`events as (
      insert into bench_event (id, unit_id, kind, operation, text, at)
      select r.id, r.unit, r.kind, r.operation, r.text, r.at
      from here join ${table('r', events, {
        unit: ['uuid', ({ unitId }) => unitId],
        id: ['uuid', ({ id }) => id],
        kind: ['text', ({ kind }) => kind],
        operation: ['text', ({ operation }) => operation],
        text: ['text', ({ text }) => text],
        at: ['timestamptz', ({ at }) => at],
      })} on r.unit = here.id order by r.n)`);
  if (readings.length > 0)
    parts.push(sql`readings as (
      insert into reading (id, unit_id, probe, answer, after, at)
      select r.id, r.unit, r.probe, r.answer, r.after, r.at
      from here join ${table('r', readings, {
        unit: ['uuid', ({ unitId }) => unitId],
        id: ['uuid', ({ id }) => id],
        probe: ['text', ({ probe }) => probe],
        answer: ['jsonb', ({ answer }) => JSON.stringify(toPlain(answer))],
        after: ['uuid', ({ after }) => after],
        at: ['timestamptz', ({ at }) => at],
      })} on r.unit = here.id order by r.n)`);
  if (moves.length > 0)
    parts.push(sql`moved as (
      update unit set state = m.state, stand = m.stand
      from here join ${table('m', moves, {
        unit: ['uuid', ({ unitId }) => unitId],
        state: ['jsonb', ({ to }) => JSON.stringify(to)],
        stand: ['jsonb', ({ stand }) => JSON.stringify(stand)],
      })} on m.unit = here.id where unit.id = here.id)`);
  const { rows } = await sql<{
    id: string;
  }>`${sql.raw(OFTEN)} with ${sql.join(parts)} select id from here`.execute(db);
  return new Set(rows.map(({ id }) => id));
}
