import { readBox, type AskedBox, type Drilling } from '../../core/drilling';
import { schoolsOf, type Lead } from '../../core/lead';
import { drillPages, sayClearances } from '../../core/vice';
import { lengthSystem } from '../../core/wiring';
import { beside } from '../beside';
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
): Promise<{ readonly lead: Lead; readonly drilling: Drilling }> {
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
  const { lead } = stored;
  const drilling = await beside('drilledFor', { assembly: lead.assembly, box: box.value });
  if (!drilling.ok) throw new Refused(422, drilling.problems);
  return { lead, drilling: drilling.value };
}

/** How a lead’s box of these measures is drilled. Errors: 404; 422 where it is no such box, or has no room. */
export async function leadDrilling(
  db: Database,
  id: string,
  query: URLSearchParams,
): Promise<DrillingInWords> {
  const { lead, drilling } = await asked(db, id, query);
  return { says: sayClearances(drilling, lengthSystem(schoolsOf(lead))) };
}

/** The drilling sheet of a lead’s box as PDF at true size. Errors: 400 where something else is asked, else as of `leadDrilling`. */
export async function drillingPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, [...FIELDS, 'page']);
  const { lead, drilling } = await asked(db, id, query);
  return paperAnswer(drillPages(lead, drilling, page), `${lead.name}: drilling`);
}
