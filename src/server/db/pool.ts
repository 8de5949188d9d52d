import type { PostgresCursor, PostgresPool, PostgresPoolClient, PostgresQueryResult } from 'kysely';
import pg from 'pg';
import { DatabaseAway, isAway } from './away';

/** How long a connection may take, and how long a query, ms. */
export interface Patience {
  readonly connectMs: number;
  readonly queryMs: number;
}
/** That of the app: a frozen database is told of within 5 s. */
const PATIENCE: Patience = { connectMs: 1_600, queryMs: 2_800 };
/** In what pieces that time is counted, ms. */
const PIECE_MS = 100;

/**
 * What comes within a time; rejects where nothing does. The time is counted in pieces in which this process looked at what
 * came: while it was busy with a lead, the database was not late.
 */
function within<T>(work: Promise<T>, ms: number): Promise<T> {
  let pieces = Math.ceil(ms / PIECE_MS);
  let timer: NodeJS.Timeout;
  const late = new Promise<never>((_, reject) => {
    timer = setInterval(() => {
      if (--pieces > 0) return;
      clearInterval(timer);
      // What has come already is looked at first.
      setImmediate(() => reject(new Error('query read timeout')));
    }, PIECE_MS);
  });
  return Promise.race([work, late]).finally(() => clearInterval(timer));
}

/**
 * The pool behind Kysely. A connection that broke, or that a query was given up on, is never used again: what is still in it
 * may be an open transaction. Every connection that is out has somebody who hears when it breaks, so that the database
 * going away never takes the app with it. What is thrown says what is known of a write.
 */
export function guardedPool(
  url: string,
  onLost: (error: Error) => void,
  { connectMs, queryMs }: Patience = PATIENCE,
): PostgresPool {
  const pool = new pg.Pool({
    connectionString: url,
    max: 20,
    // Only so that none is waited for when nobody does any more.
    connectionTimeoutMillis: 10 * connectMs,
    statement_timeout: queryMs,
    idleTimeoutMillis: 30_000,
  });
  pool.on('error', onLost);
  const connect = async (): Promise<PostgresPoolClient> => {
    const coming = pool.connect();
    try {
      return guarded(await within(coming, connectMs), onLost, queryMs);
    } catch (error) {
      // One that comes after all goes back.
      coming.then((client) => client.release()).catch(() => undefined);
      throw new DatabaseAway('nothing recorded', error);
    }
  };
  return { connect, end: () => pool.end() };
}

/** Begins a statement that is asked so often that each connection plans it once. */
export const OFTEN = '/* often */';
const NAMES = new Map<string, string>();

/** The name under which a connection keeps the plan of a statement; none for one that is not asked often. */
function nameOf(text: string): string | undefined {
  if (!text.startsWith(OFTEN)) return undefined;
  const name = NAMES.get(text) ?? `often ${NAMES.size}`;
  NAMES.set(text, name);
  return name;
}

function guarded(client: pg.PoolClient, onLost: (error: Error) => void, queryMs: number): PostgresPoolClient {
  let broken: DatabaseAway | undefined;
  let open = false;
  const hear = (error: Error): void => {
    broken ??= new DatabaseAway('not known', error);
    onLost(error);
  };
  client.on('error', hear);
  return { query, release };

  function query<R>(text: string, values: readonly unknown[]): Promise<PostgresQueryResult<R>>;
  function query<R>(cursor: PostgresCursor<R>): PostgresCursor<R>;
  function query(
    text: string | PostgresCursor<unknown>,
    values: readonly unknown[] = [],
  ): Promise<PostgresQueryResult<unknown>> | PostgresCursor<unknown> {
    if (typeof text !== 'string')
      throw new Error('Cursors are read at leisure, over a connection of their own.');
    return ask(text, values);
  }

  async function ask(text: string, values: readonly unknown[]): Promise<PostgresQueryResult<unknown>> {
    if (broken) throw broken;
    const word = /^\s*(\w+)/.exec(text)?.[1]?.toLowerCase();
    try {
      const { command, rowCount, rows } = await within(
        client.query<Record<string, unknown>>({ name: nameOf(text), text, values: [...values] }),
        queryMs,
      );
      if (word === 'begin' || word === 'start') open = true;
      if (word === 'commit' || word === 'rollback') open = false;
      return { command: command as PostgresQueryResult<unknown>['command'], rowCount: rowCount ?? 0, rows };
    } catch (error) {
      if (!isAway(error)) throw error;
      // A transaction that was not being committed ends with its connection: nothing of it is there.
      broken = new DatabaseAway(
        word === 'begin' || (open && word !== 'commit') ? 'nothing recorded' : 'not known',
        error,
      );
      throw broken;
    }
  }

  function release(): void {
    client.removeListener('error', hear);
    client.release(broken ?? false);
  }
}
