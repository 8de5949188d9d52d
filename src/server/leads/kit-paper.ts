import { kitSheet } from '../../core/kit';
import { kitPages } from '../../core/vice';
import type { Database } from '../db';
import type { Answer } from '../http';
import { notAsked, paperAnswer, paperAsked } from '../print';
import { missing } from '../refused';
import * as rows from './rows';

/** So many are made of one kit at the most. */
const MOST = 1000;

/** A lead’s kit as PDF at true size, for so many or so many pairs. Refused where something is asked for that there is not. */
export async function kitPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, ['count', 'pairs', 'page']);
  const asked = query.get('count') ?? '1';
  const count = Number(asked);
  if (!Number.isInteger(count) || count < 1 || count > MOST)
    throw notAsked('count', `How many is a whole number from 1 to ${MOST}, and “${asked}” is not.`);
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const { lead } = stored;
  const sheet = kitSheet([{ lead, count, pairs: query.has('pairs') }]);
  return paperAnswer(kitPages(lead, sheet, page), `${lead.name}: kit`);
}
