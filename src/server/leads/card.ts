import { cardPages } from '../../core/vice';
import type { Database } from '../db';
import type { Answer } from '../http';
import { paperAnswer, paperAsked } from '../print';
import { missing, Refused } from '../refused';
import * as rows from './rows';

/** The card that lies in the case of a lead as PDF. Errors: 400 where something else is asked; 404; 422 where it needs none. */
export async function cardPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, ['page']);
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const sheets = cardPages(stored.lead, page);
  if (!sheets.ok) throw new Refused(422, sheets.problems);
  return paperAnswer(sheets.value, `${stored.lead.name}: card`);
}
