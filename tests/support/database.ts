import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { connect, migrate, type Database } from '../../src/server/db';

const server = (): string =>
  process.env['ANTLER_TEST_SERVER'] ?? 'postgres://127.0.0.1/run-the-tests-with-npm-test';

const onServer = async (sql: string): Promise<void> => {
  const client = new pg.Client({ connectionString: server() });
  await client.connect();
  await client.query(sql);
  await client.end();
};

/** A database of its own on the test server, empty, migrated or a copy of another, and how to be rid of it. */
export async function throwawayDatabase({
  migrated = true,
  like,
}: {
  migrated?: boolean;
  /** The address of one that nobody is connected to. */ like?: string;
} = {}): Promise<{
  url: string;
  db: Database;
  drop: () => Promise<void>;
}> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  await onServer(`create database ${name}${like ? ` template ${new URL(like).pathname.slice(1)}` : ''}`);
  const url = new URL(server());
  url.pathname = `/${name}`;
  // The app tells of a database that does not answer within seconds; a test waits for a machine that is busy.
  const db = connect(url.href, undefined, { connectMs: 20_000, queryMs: 30_000 });
  if (migrated && !like) await migrate(db);
  return {
    url: url.href,
    db,
    drop: async () => {
      await db.destroy();
      await onServer(`drop database ${name} with (force)`);
    },
  };
}
