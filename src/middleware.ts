import { defineMiddleware } from 'astro:middleware';
import { log } from './server/context';
import { pagePolicy } from './server/http';

export const onRequest = defineMiddleware(async (context, next) => {
  const started = performance.now();
  const response = await next();
  const headers = new Headers(response.headers);
  const isPage = headers.get('content-type')?.startsWith('text/html') ?? false;
  const body = isPage ? await response.text() : response.body;
  if (typeof body === 'string')
    for (const [name, value] of Object.entries(pagePolicy(body))) headers.set(name, value);
  // Pages ask again every few seconds: only what changes something or fails is worth a line.
  const level = response.status >= 500 ? 'warn' : context.request.method === 'GET' ? 'debug' : 'info';
  log[level](
    {
      method: context.request.method,
      route: context.locals.route ?? context.routePattern,
      status: response.status,
      ms: Math.round(performance.now() - started),
    },
    'request',
  );
  return new Response(body, { status: response.status, statusText: response.statusText, headers });
});
