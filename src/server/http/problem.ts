import type { Problem } from '../../core/quantity';
import { DatabaseAway, isAway, isCollision, isFull, isHindered } from '../db';
import type { Known } from '../db/away';
import { Refused } from '../refused';
import type { Answer } from './answer';

/** A problem as RFC 9457 has it, with the path of each field in `problems`. */
export const problemAnswer = (
  status: number,
  title: string,
  problems: readonly Problem[],
  more: Readonly<Record<string, unknown>> = {},
  headers: Readonly<Record<string, string>> = {},
): Answer => ({
  status,
  headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store', ...headers },
  body: JSON.stringify({
    type: 'about:blank',
    title,
    status,
    detail: problems[0]?.says ?? title,
    problems,
    ...more,
  }),
});

/** What was recorded of what was asked, as far as it is known; nothing where nothing was to be. */
const ofIt = (writes: boolean, known: Known): string =>
  !writes
    ? 'It is asked again by itself.'
    : known === 'nothing recorded'
      ? 'Nothing was recorded; it is sent again.'
      : 'Not known whether it was recorded: it is sent again, and counted once.';

/** Try again later: what hinders, and what is known of what was asked. */
const later = (code: string, says: string): Answer =>
  problemAnswer(503, 'Try again later', [{ code, says, path: '' }], {}, { 'retry-after': '2' });

/** There is no room for what is to be recorded. */
export const fullAnswer = (writes: boolean): Answer =>
  later('database.full', `The disk is full. ${ofIt(writes, 'nothing recorded')} Make room on it.`);

/** The answer to an error: its own status where it was foreseen, 503 when the database cannot do it now, otherwise 500. */
export function errorAnswer(error: unknown, writes: boolean, log: (error: unknown) => void): Answer {
  if (error instanceof Refused)
    return problemAnswer(error.status, TITLES[error.status], error.problems, error.more);
  if (isFull(error)) return fullAnswer(writes);
  if (isCollision(error))
    return later('database.busy', `Too much at once. ${ofIt(writes, 'nothing recorded')}`);
  if (isAway(error))
    return later(
      'database.away',
      `The database does not answer. ${ofIt(writes, error instanceof DatabaseAway ? error.known : 'not known')}`,
    );
  // It answered that it cannot: then it undid what was begun.
  if (isHindered(error))
    return later('database.away', `The database cannot do it now. ${ofIt(writes, 'nothing recorded')}`);
  log(error);
  return problemAnswer(500, 'Antler failed', [
    {
      code: 'internal',
      says: 'Something went wrong inside Antler; the log has it.',
      path: '',
    },
  ]);
}

const TITLES: Readonly<Record<Refused['status'], string>> = {
  400: 'Not readable',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  415: 'Not JSON',
  422: 'Not valid',
  502: 'No figure from the meter',
};
