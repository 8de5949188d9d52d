import { Readable } from 'node:stream';
import { PAPERS, type Paper, type Sheet } from '../../core/drawing';
import type { Answer } from '../http';
import { Refused } from '../refused';
import { pdfOf } from './pdf';

const isPaper = (name: string): name is Paper => name in PAPERS;

/** What an address of paper is not asked: 400, at the name of what was. */
export const notAsked = (path: string, says: string): Refused =>
  new Refused(400, [{ code: 'kit.asked', says, path }]);

/** The paper that is asked for; A4 where none is. Errors: 400 where something else is asked too, or the paper is none. */
export function paperAsked(query: URLSearchParams, asked: readonly string[]): Paper {
  for (const name of query.keys())
    if (!asked.includes(name))
      throw notAsked(
        name,
        `“${name}” is not asked of this page: ${asked.join(', ')} ${asked.length > 1 ? 'are' : 'is'}.`,
      );
  const page = query.get('page') ?? 'a4';
  if (!isPaper(page))
    throw notAsked('page', `“${page}” is no paper: it is ${Object.keys(PAPERS).join(' or ')}.`);
  return page;
}

/** Sheets as a PDF that is not kept: what it shows changes. */
export const paperAnswer = async (sheets: readonly Sheet[], title: string): Promise<Answer> => ({
  status: 200,
  headers: { 'cache-control': 'no-store', 'content-type': 'application/pdf' },
  body: Readable.from([Buffer.from(await pdfOf(sheets, title))]),
});
