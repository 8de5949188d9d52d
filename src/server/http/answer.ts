import type { APIContext, APIRoute } from 'astro';
import type { Database } from '../db';
import { db, log } from '../context';
import { errorResponse } from './problem';

/** Wraps an endpoint: its value as JSON, its errors as problems. */
export const answer =
  (status: number, handler: (db: Database, context: APIContext) => Promise<unknown>): APIRoute =>
  async (context) => {
    try {
      const value = await handler(db(), context);
      return new Response(JSON.stringify(value), {
        status,
        headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
      });
    } catch (error) {
      return errorResponse(error, (unforeseen) =>
        log.error({ err: unforeseen, route: context.routePattern }, 'request failed'),
      );
    }
  };

/** A path parameter that must be a UUID; anything else is no such thing. */
export const idOf = ({ params }: APIContext): string =>
  /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(params['id'] ?? '') ? (params['id'] ?? '') : NO_ID;
const NO_ID = '00000000-0000-0000-0000-000000000000';
