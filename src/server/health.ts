import { sql } from 'kysely';
import { VERSION } from './context';
import { asks, jsonAnswer, type Route } from './http';

/** Whether the app and its database answer, and which version it is: 200 or 503. */
export const healthRoutes: readonly Route[] = [
  asks('GET', '/api/health', async ({ db }) => {
    const database = await sql`select 1`
      .execute(db)
      .then(() => 'ok' as const)
      .catch(() => 'away' as const);
    return jsonAnswer(database === 'ok' ? 200 : 503, {
      status: database === 'ok' ? 'ok' : 'degraded',
      database,
      version: VERSION,
    });
  }),
];
