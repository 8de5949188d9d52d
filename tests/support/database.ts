import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { prepareDatabase } from '../../scripts/lib/app.mjs';
import { connect, type Database } from '../../src/server/db';

const server = (): string =>
  process.env['ANTLER_TEST_SERVER'] ?? 'postgres://127.0.0.1/run-the-tests-with-npm-test';

const onServer = async (sql: string): Promise<void> => {
  const client = new pg.Client({ connectionString: server() });
  await client.connect();
  await client.query(sql);
  await client.end();
};

/** Holds one lock on the server while something is done. */
async function alone(what: (client: pg.Client) => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: server() });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock(1)');
    await what(client);
  } finally {
    await client.end();
  }
}

const urlOf = (name: string): string => {
  const url = new URL(server());
  url.pathname = `/${name}`;
  return url.href;
};

/**
 * A database that others are copied from, up to date and, where it is seeded, with the demo: made by the first who asks, once a
 * run.
 */
async function pattern(kind: 'migrated' | 'seeded'): Promise<string> {
  const name = `test_${process.env['ANTLER_TEST_RUN'] ?? process.ppid}_${kind}`;
  await alone(async (client) => {
    const { rowCount } = await client.query('select from pg_database where datname = $1', [name]);
    if (rowCount) return;
    await client.query(`drop database if exists ${name}_begun`);
    await client.query(`create database ${name}_begun`);
    prepareDatabase(urlOf(`${name}_begun`), 'migrate', ...(kind === 'seeded' ? ['seed'] : []));
    await client.query(`alter database ${name}_begun rename to ${name}`);
  });
  return name;
}

/** A database of its own on the test server – up to date, empty, with the demo, or a copy of another – and how to be rid of it. */
export async function throwawayDatabase({
  migrated = true,
  seeded = false,
  like,
}: {
  migrated?: boolean;
  seeded?: boolean;
  /** The address of one that nobody is connected to. */ like?: string;
} = {}): Promise<{
  url: string;
  db: Database;
  drop: () => Promise<void>;
}> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const from = like
    ? new URL(like).pathname.slice(1)
    : seeded || migrated
      ? await pattern(seeded ? 'seeded' : 'migrated')
      : undefined;
  await onServer(`create database ${name}${from ? ` template ${from}` : ''}`);
  const url = urlOf(name);
  // The app tells of a database that does not answer within seconds; a test waits for a machine that is busy.
  const db = connect(url, undefined, { connectMs: 20_000, queryMs: 30_000 });
  return {
    url,
    db,
    drop: async () => {
      await db.destroy();
      await onServer(`drop database ${name} with (force)`);
    },
  };
}
