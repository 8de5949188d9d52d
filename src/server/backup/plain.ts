import { storedOwnEntry } from '../../core/catalogue';
import { storedPlan } from '../../core/bench';
import { exportHead, type ExportLine, type RecordLine } from '../../core/formats';
import { storedHouse } from '../../core/house';
import { storedLead } from '../../core/lead';
import type { ShelfEvent } from '../../core/stock';
import type { InputList, Look, Plug, VenueLine } from '../../core/sweep';

/** A row as it stands in a backup. */
type Row = Readonly<Record<string, unknown>>;

const text = (value: unknown): string => (typeof value === 'string' ? value : '');
const count = (value: unknown): number => Number(value);
const instant = (value: unknown): string => new Date(text(value)).toISOString();
/** Without what is empty. */
const filled = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== null && each !== undefined)) as T;

const recorded = (row: Row, record: object): ExportLine => ({
  is: 'record',
  unit: text(row['unit_id']),
  place: count(row['place']),
  takenAt: instant(row['created_at']),
  record: filled({ id: text(row['id']), at: instant(row['at']), ...record }) as RecordLine,
});

/** What a row of each table is in an export; what no table here names has nothing of the house in it. */
const LINES: Readonly<Record<string, (row: Row) => ExportLine>> = {
  house: (row) => ({ is: 'house', document: storedHouse(row['document']) }),
  own_entry: (row) => ({ is: 'own', document: storedOwnEntry(row['document']) }),
  job: (row) => ({
    is: 'job',
    id: text(row['id']),
    name: text(row['name']),
    note: text(row['note']),
    away: row['away_at'] !== null,
    takenAt: instant(row['created_at']),
  }),
  lead: (row) => ({
    is: 'lead',
    id: text(row['id']),
    job: text(row['job_id']),
    revision: count(row['revision']),
    away: row['away_at'] !== null,
    takenAt: instant(row['created_at']),
  }),
  lead_revision: (row) => ({
    is: 'revision',
    lead: text(row['lead_id']),
    revision: count(row['revision']),
    takenAt: instant(row['created_at']),
    document: storedLead(row['document']),
  }),
  unit: (row) => ({
    is: 'unit',
    id: text(row['id']),
    lead: text(row['lead_id']),
    revision: count(row['revision']),
    number: count(row['number']),
    builder: text(row['builder']),
    plan: storedPlan(row['plan']),
    takenAt: instant(row['created_at']),
  }),
  bench_event: (row) =>
    recorded(row, { is: 'event', kind: row['kind'], operation: row['operation'], text: row['text'] }),
  making: (row) => ({
    is: 'asked',
    lead: text(row['lead_id']),
    count: count(row['count']),
    pairs: row['pairs'] === true,
  }),
  kit_pick: (row) => ({
    is: 'pick',
    lead: text(row['lead_id']),
    line: text(row['line']),
    state: text(row['state']),
  }),
  price: (row) => ({ is: 'price', item: text(row['item']), amount: count(row['amount']) }),
  sold_by: (row) => ({ is: 'sold', item: text(row['item']), much: count(row['much']) }),
  money: (row) => ({ is: 'currency', currency: text(row['currency']) }),
  shelf_event: (row) => ({
    is: 'shelf',
    takenAt: instant(row['recorded_at']),
    event: row['document'] as ShelfEvent,
  }),
  venue: (row) => ({
    is: 'venue',
    id: text(row['id']),
    name: text(row['name']),
    lines: row['lines'] as readonly VenueLine[],
  }),
  input_list: (row) => ({ is: 'inputs', job: text(row['job_id']), list: row['document'] as InputList }),
  sweep: (row) => ({
    is: 'sweep',
    id: text(row['id']),
    venue: text(row['venue_id']),
    ...(row['job_id'] === null ? {} : { job: text(row['job_id']) }),
    by: text(row['started_by']),
    at: instant(row['at']),
    plug: row['plug'] as Plug,
    trusts: row['trusts'] === true,
  }),
  look: (row) => ({
    is: 'look',
    sweep: text(row['sweep_id']),
    takenAt: instant(row['recorded_at']),
    look: row['document'] as Look,
  }),
  reading: (row) =>
    recorded(row, { is: 'reading', probe: row['probe'], answer: row['answer'], after: row['after'] }),
};

/**
 * The house as plain JSON lines, each with a schema in the first, from the lines of a backup: documents in today's versions,
 * and no word of the database.
 */
export async function* plainLines(
  backup: AsyncIterable<string>,
  { app, at }: { readonly app: string; readonly at: string },
): AsyncGenerator<string> {
  yield `${JSON.stringify(exportHead(app, at))}\n`;
  for await (const chunk of backup) {
    let lines = '';
    for (const line of chunk.split('\n')) {
      if (!line.startsWith('{"table":')) continue;
      const { table, row } = JSON.parse(line) as { readonly table: string; readonly row: Row };
      const made = LINES[table]?.(row);
      if (made) lines += `${JSON.stringify(made)}\n`;
    }
    if (lines !== '') yield lines;
  }
}
