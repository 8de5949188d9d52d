import { sql } from 'kysely';
import type { APIRoute } from 'astro';
import { db, VERSION } from '../../server/context';

export const GET: APIRoute = async () => {
  const database = await sql`select 1`
    .execute(db())
    .then(() => 'ok' as const)
    .catch(() => 'away' as const);
  return new Response(
    JSON.stringify({ status: database === 'ok' ? 'ok' : 'degraded', database, version: VERSION }),
    {
      status: database === 'ok' ? 200 : 503,
      headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
    },
  );
};
