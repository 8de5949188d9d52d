import { storedOwnEntry } from '../../core/catalogue';
import { storedPlan } from '../../core/bench';
import { exportHead, type ExportLine, type RecordLine } from '../../core/formats';
import { storedHouse } from '../../core/house';
import { storedLead } from '../../core/lead';

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
