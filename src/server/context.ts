import { destination, pino, type Logger } from 'pino';
import packageJson from '../../package.json';
import { connect, type Database } from './db';
import { atEnd } from './ending';

const output = destination({ fd: 1, sync: true });
// A full disk costs lines of the log, never the app.
output.on('error', () => undefined);

/** Structured log on standard output. What people typed, who they are and where they are is never in it. */
export const log: Logger = pino({ level: process.env['LOG_LEVEL'] ?? 'info', base: null }, output);

export const VERSION: string = packageJson.version;

let database: Database | undefined;

/** The app's one pool, opened on first use. */
export function db(): Database {
  if (!database) {
    const url = process.env['DATABASE_URL'];
    if (!url) throw new Error('DATABASE_URL is not set: start Antler with npm start');
    database = connect(url, (error) =>
      log.warn({ code: (error as { code?: string }).code }, 'a database connection was lost'),
    );
    const pool = database;
    atEnd(() => pool.destroy());
  }
  return database;
}
