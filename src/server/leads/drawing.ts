import { Readable } from 'node:stream';
import { svgOf } from '../../core/formats';
import { sheetsOf } from '../../core/vice';
import type { Database } from '../db';
import type { Answer } from '../http';
import { pdfOf } from '../print';
import { missing, Refused } from '../refused';
import * as rows from './rows';

/** What may be asked of a drawing. */
const ASKED = ['end', 'side', 'hand', 'turn', 'channel', 'page'] as const;

const refused = (path: string, says: string): Refused =>
  new Refused(400, [{ code: 'drawing.view', says, path }]);

/**
 * A lead as it lies in the vice: as PDF on paper at true size (A4 where nothing is said), or as SVG, as large as it is or the
 * sheet of paper that is named. Refused where something is asked for that there is not.
 */
export async function leadDrawing(
  db: Database,
  id: string,
  as: 'pdf' | 'svg',
  query: URLSearchParams,
): Promise<Answer> {
  for (const name of query.keys())
    if (name !== 'sheet' && !ASKED.some((each) => each === name))
      throw refused(name, `“${name}” is not asked of a drawing: ${ASKED.join(', ')} and sheet are.`);
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const options = Object.fromEntries(
    ASKED.flatMap((name) => (query.has(name) ? [[name, query.get(name) ?? '']] : [])),
  );
  const sheets = sheetsOf(stored.lead, as === 'pdf' ? { page: 'a4', ...options } : options);
  if (!sheets.ok) throw new Refused(400, sheets.problems);
  const headers = { 'cache-control': 'no-store' };
  if (as === 'pdf')
    return {
      status: 200,
      headers: { ...headers, 'content-type': 'application/pdf' },
      body: Readable.from([Buffer.from(await pdfOf(sheets.value, stored.lead.name))]),
    };
  const asked = query.get('sheet') ?? '1';
  const sheet = sheets.value[Number(asked) - 1];
  if (!sheet)
    throw refused('sheet', `There are ${sheets.value.length} sheets, and “${asked}” is none of them.`);
  return { status: 200, headers: { ...headers, 'content-type': 'image/svg+xml' }, body: svgOf(sheet) };
}
