import { pino, type Logger } from 'pino';
import packageJson from '../../package.json';
import { connect, type Database } from './db';

/** Structured log on standard output. What people typed, who they are and where they are is never in it. */
export const log: Logger = pino({ level: process.env['LOG_LEVEL'] ?? 'info', base: null });

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
    for (const signal of ['SIGTERM', 'SIGINT'] as const)
      process.once(signal, () => {
        const ending = setTimeout(() => process.exit(0), 3_000);
        ending.unref();
        void database?.destroy().finally(() => process.exit(0));
      });
  }
  return database;
}
