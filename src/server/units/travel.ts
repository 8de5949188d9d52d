import { dequal } from 'dequal';
import { NEW_STATE, type RecordFile } from '../../core/bench';
import type { UnitFile } from '../../core/formats';
import { fromPlain, toPlain } from '../../core/proving';
import type { Database } from '../db';
import * as leadRows from '../leads/rows';
import { missing, Refused } from '../refused';
import { appendRecords, type UnitRecord } from './records';
import * as rows from './rows';

/** How many records are taken in at once. */
const AT_ONCE = 500;

/** A unit with all that happened to it, for a file in which its lead is the nth. */
export async function unitFile(
  db: Database,
  n: number,
  { id: leadId, lead }: leadRows.StoredLead,
  unit: rows.StoredUnit,
): Promise<UnitFile> {
  const pinned = await leadRows.leadAt(db, leadId, unit.revision);
  if (!pinned) throw missing('lead');
  const [events, readings] = await Promise.all([rows.events(db, unit.id), rows.readings(db, unit.id)]);
  const placed = [
    ...events.map(({ unitId: _, place, ...event }) => ({
      place,
      record: { is: 'event' as const, ...event },
    })),
    ...readings.map(({ unitId: _, place, answer, ...reading }) => ({
      place,
      record: { is: 'reading' as const, ...reading, answer: toPlain(answer) },
    })),
  ].sort((a, b) => a.place - b.place);
  return {
    lead: n,
    ...(dequal(pinned, lead) ? {} : { pinned }),
    number: unit.number,
    builder: unit.builder,
    startedAt: unit.startedAt,
    plan: unit.plan,
    records: placed.map(({ record }) => record),
  };
}

/** A record under ids of its own here, so that the house that it comes from may take it in as well. */
function renamed(record: RecordFile, idOf: (id: string) => string): UnitRecord {
  const id = idOf(record.id);
  if (record.is === 'event') return { ...record, id };
  return {
    ...record,
    id,
    answer: fromPlain(record.answer),
    after: record.after === undefined ? undefined : idOf(record.after),
  };
}

/**
 * Takes a unit in, in this transaction: with the number on its label where that is free here, and what happened to it judged
 * as if it were sent anew. Errors: 422 where something in it could never have been recorded.
 */
export async function takeInUnit(
  trx: Database,
  leadId: string,
  revision: number,
  unit: UnitFile,
  idOf: (what: string) => string,
): Promise<void> {
  const id = idOf('unit');
  await rows.insertUnit(trx, {
    id,
    leadId,
    revision,
    builder: unit.builder,
    plan: unit.plan,
    state: NEW_STATE,
    number: unit.number,
  });
  const records = unit.records.map((record) => renamed(record, idOf));
  for (let from = 0; from < records.length; from += AT_ONCE) {
    const { refused } = await appendRecords(trx, id, records.slice(from, from + AT_ONCE), {
      fromShelf: false,
    });
    const [first] = refused;
    if (first) {
      const at = records.findIndex((record) => record.id === first.id);
      throw new Refused(422, [
        {
          ...first.problem,
          says: `Number ${unit.number} in this file: ${first.problem.says}`,
          path: `records[${at}].${first.problem.path}`,
        },
      ]);
    }
  }
}
