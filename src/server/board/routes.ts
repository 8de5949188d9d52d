import { asks, type Route } from '../http';
import { Refused } from '../refused';
import { board, boardCounts, type BoardAsked } from './service';

/** What an address asks of the board. Errors: 422. */
export function boardAsked(query: URLSearchParams): BoardAsked {
  const after = Number(query.get('after') ?? 0);
  const job = query.get('job') ?? undefined;
  const problem =
    !Number.isSafeInteger(after) || after < 0 || after > 1e9
      ? { code: 'query.after', says: 'after must be a count: a whole number from 0 up.', path: 'after' }
      : job !== undefined && !/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(job)
        ? { code: 'query.job', says: 'job must be the id of a job.', path: 'job' }
        : /\0|\p{Surrogate}/u.test(query.get('find') ?? '')
          ? { code: 'query.find', says: 'There is a character in it that no text has.', path: 'find' }
          : undefined;
  if (problem) throw new Refused(422, [problem]);
  return { find: (query.get('find') ?? '').slice(0, 200), away: query.get('away') === '1', job, after };
}

/** The addresses of the board: `?find=…&away=1&after=30` for jobs, `?job=…&after=12` for the leads of one. */
export const boardRoutes: readonly Route[] = [
  asks('GET', '/api/board', ({ db, query }) => board(db, boardAsked(query))),
  asks('GET', '/api/board/counts', ({ db }) => boardCounts(db)),
];
