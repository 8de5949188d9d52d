/** What is known of a write when the database went away under it. */
export type Known = 'nothing recorded' | 'not known';

/** The database cannot be reached, or went away in the middle. */
export class DatabaseAway extends Error {
  constructor(
    readonly known: Known,
    cause: unknown,
  ) {
    super('The database does not answer.', { cause });
  }
}

const codeOf = (error: unknown): string => {
  const { code } = (error ?? {}) as { code?: unknown };
  return typeof code === 'string' ? code : '';
};

/** Error codes of Node and PostgreSQL that mean that the connection is gone, or that there is none. */
const AWAY = /^(?:ECONN\w+|ENOTFOUND|ETIMEDOUT|EPIPE|EAI_AGAIN|57P0\d|08\w{3})$/;
const AWAY_SAYS =
  /connection terminated|timeout exceeded when trying to connect|client has encountered a connection error|query read timeout|driver has already been destroyed|cannot use a pool after calling end|client was closed/i;

/** Whether an error says that the database is away, rather than that the request was wrong. */
export function isAway(error: unknown): boolean {
  if (error instanceof AggregateError) return error.errors.some(isAway);
  if (error instanceof DatabaseAway) return true;
  return error instanceof Error && (AWAY.test(codeOf(error)) || AWAY_SAYS.test(error.message));
}

/** Whether the database answered that it has no room: the disk is full. */
export const isFull = (error: unknown): boolean => codeOf(error) === '53100' || codeOf(error) === 'ENOSPC';

/** Whether the database answered that it cannot do it now: no resources, stopped by an operator or the system, or read-only. */
export const isHindered = (error: unknown): boolean => /^(?:53|57|58)\w{3}$|^25006$/.test(codeOf(error));

/** Whether two transactions got into each other's way: the same again may well go through. */
export const isCollision = (error: unknown): boolean => /^(?:40001|40P01)$/.test(codeOf(error));

/** Whether the database answered that such a row is there already. */
export const isTaken = (error: unknown): boolean => codeOf(error) === '23505';
