import { beside } from '../beside';
import type { Database } from '../db';
import * as leadRows from '../leads/rows';
import { missing } from '../refused';
import type { EntryLine, EntryOnPage, LogEntry } from './entry-of';
import * as rows from './rows';
import { unitSheet } from './service';

/** Those that were asked for last: what a unit came to when so much had happened to it never changes. */
const KNOWN = new Map<string, LogEntry>();
const MOST_KNOWN = 500;

async function entryAt(db: Database, id: string, place: number): Promise<LogEntry> {
  const key = `${id} ${place}`;
  const known = KNOWN.get(key);
  KNOWN.delete(key);
  const sheet = known ? undefined : await unitSheet(db, id);
  const entry = known ?? (sheet && (await beside('entryOf', sheet)));
  if (!entry) throw missing('unit');
  // Where something happened meanwhile it is kept under what was read.
  KNOWN.set(sheet ? `${id} ${sheet.place}` : key, entry);
  const [oldest] = KNOWN.keys();
  if (KNOWN.size > MOST_KNOWN && oldest !== undefined) KNOWN.delete(oldest);
  return entry;
}

/** A unit as the log of its lead tells it. Errors: 404. */
export async function unitEntry(db: Database, id: string): Promise<EntryOnPage> {
  const [[at], unit] = await Promise.all([rows.places(db, { unit: id }), rows.unit(db, id)]);
  const lead = unit && (await leadRows.leadAt(db, unit.leadId, unit.revision));
  if (!at || !lead) throw missing('unit');
  return { ...(await entryAt(db, id, at.place)), lead };
}

/** The units of a lead in a line each, by their numbers. */
export async function leadEntries(db: Database, leadId: string): Promise<readonly EntryLine[]> {
  const lines: EntryLine[] = [];
  // One after the other: the thread beside does one at a time in any case.
  for (const { id, place } of await rows.places(db, { lead: leadId })) {
    const {
      label: _,
      made: __,
      glued: ___,
      remarks: ____,
      steps: _____,
      readings,
      ...line
    } = await entryAt(db, id, place);
    lines.push({ ...line, measured: readings.length });
  }
  return lines;
}
