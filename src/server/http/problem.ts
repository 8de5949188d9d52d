import type { Problem } from '../../core/quantity';
import { Refused } from '../refused';

/** A problem as RFC 9457 has it, with the path of each field in `problems`. */
export const problemResponse = (
  status: number,
  title: string,
  problems: readonly Problem[],
  more: Readonly<Record<string, unknown>> = {},
  headers: Readonly<Record<string, string>> = {},
): Response =>
  new Response(
    JSON.stringify({
      type: 'about:blank',
      title,
      status,
      detail: problems[0]?.says ?? title,
      problems,
      ...more,
    }),
    {
      status,
      headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store', ...headers },
    },
  );

/** Error codes of Node and PostgreSQL that mean that the database cannot be reached or is going away. */
const AWAY = /^(?:ECONNREFUSED|ECONNRESET|ENOTFOUND|ETIMEDOUT|EPIPE|57P0[123]|08\w{3}|53300)$/;

/** Whether an error says that the database is away, rather than that the request was wrong. */
export function databaseIsAway(error: unknown): boolean {
  if (error instanceof AggregateError) return error.errors.some(databaseIsAway);
  if (!(error instanceof Error)) return false;
  const { code } = error as { code?: unknown };
  return (
    (typeof code === 'string' && AWAY.test(code)) ||
    /connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/i.test(
      error.message,
    )
  );
}

/** The answer to an error: its own status where it was foreseen, 503 when the database is away, otherwise 500. */
export function errorResponse(error: unknown, log: (error: unknown) => void): Response {
  if (error instanceof Refused)
    return problemResponse(error.status, TITLES[error.status], error.problems, error.more);
  if (databaseIsAway(error))
    return problemResponse(503, 'The database is away', [
      {
        code: 'database.away',
        says: 'The database does not answer. Nothing was recorded; it will be tried again.',
        path: '',
      },
    ]);
  log(error);
  return problemResponse(500, 'Antler failed', [
    {
      code: 'internal',
      says: 'Something went wrong inside Antler; the log has it. Nothing was recorded.',
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
};
