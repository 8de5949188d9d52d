import type { APIRoute } from 'astro';
import { db, log } from '../../server/context';
import { dispatch } from '../../server/http';
import { ROUTES } from '../../server/routes';

/** Every address under /api: the folders of the server bring their own. */
export const ALL: APIRoute = async ({ request, locals }) => {
  const { pattern, response } = await dispatch(ROUTES, request, db, (error, route) =>
    log.error({ err: error, route }, 'request failed'),
  );
  locals.route = pattern;
  return response;
};
