import { drillingOf, readBox, type AskedBox, type BoxInside } from '../../core/drilling';
import { schoolsOf, type Lead } from '../../core/lead';
import { drillPages, sayClearances } from '../../core/vice';
import { lengthSystem } from '../../core/wiring';
import type { Database } from '../db';
import type { Answer } from '../http';
import { paperAnswer, paperAsked } from '../print';
import { missing, Refused } from '../refused';
import * as rows from './rows';

const FIELDS = ['length', 'width', 'depth', 'wall', 'boss'] as const;

/** How a box is drilled, in words: what stands behind its holes, and the least of the room that is left. */
export interface DrillingInWords {
  readonly says: readonly string[];
}

async function asked(
  db: Database,
  id: string,
  query: URLSearchParams,
): Promise<{ readonly lead: Lead; readonly box: BoxInside }> {
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const typed: AskedBox = Object.fromEntries(
    FIELDS.flatMap((field) => {
      const value = query.get(field);
      return value === null ? [] : [[field, value] as const];
    }),
  );
  const box = readBox(typed);
  if (!box.ok) throw new Refused(422, box.problems);
  return { lead: stored.lead, box: box.value };
}

/** How a lead’s box of these measures is drilled. Errors: 404; 422 where it is no such box, or has no room. */
export async function leadDrilling(
  db: Database,
  id: string,
  query: URLSearchParams,
): Promise<DrillingInWords> {
  const { lead, box } = await asked(db, id, query);
  const drilling = drillingOf(lead.assembly, box);
  if (!drilling.ok) throw new Refused(422, drilling.problems);
  return { says: sayClearances(drilling.value, lengthSystem(schoolsOf(lead))) };
}

/** The drilling sheet of a lead’s box as PDF at true size. Errors: 400 where something else is asked, else as of `leadDrilling`. */
export async function drillingPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, [...FIELDS, 'page']);
  const { lead, box } = await asked(db, id, query);
  const sheets = drillPages(lead, box, page);
  if (!sheets.ok) throw new Refused(422, sheets.problems);
  return paperAnswer(sheets.value, `${lead.name}: drilling`);
}
