import { Readable } from 'node:stream';
import { PAPERS, type Paper } from '../../core/drawing';
import { kitSheet } from '../../core/kit';
import { kitPages } from '../../core/vice';
import type { Database } from '../db';
import type { Answer } from '../http';
import { pdfOf } from '../print';
import { missing, Refused } from '../refused';
import * as rows from './rows';

const ASKED = ['count', 'pairs', 'page'];
/** So many are made of one kit at the most. */
const MOST = 1000;

const refused = (path: string, says: string): Refused =>
  new Refused(400, [{ code: 'kit.asked', says, path }]);

const isPaper = (name: string): name is Paper => name in PAPERS;

/** A lead’s kit as PDF at true size, for so many or so many pairs. Refused where something is asked for that there is not. */
export async function kitPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  for (const name of query.keys())
    if (!ASKED.includes(name))
      throw refused(name, `“${name}” is not asked of a kit: ${ASKED.join(', ')} are.`);
  const [asked, page] = [query.get('count') ?? '1', query.get('page') ?? 'a4'];
  const count = Number(asked);
  if (!Number.isInteger(count) || count < 1 || count > MOST)
    throw refused('count', `How many is a whole number from 1 to ${MOST}, and “${asked}” is not.`);
  if (!isPaper(page))
    throw refused('page', `“${page}” is no paper: it is ${Object.keys(PAPERS).join(' or ')}.`);
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const { lead } = stored;
  const sheet = kitSheet([{ lead, count, pairs: query.has('pairs') }]);
  return {
    status: 200,
    headers: { 'cache-control': 'no-store', 'content-type': 'application/pdf' },
    body: Readable.from([Buffer.from(await pdfOf(kitPages(lead, sheet, page), `${lead.name}: kit`))]),
  };
}
