import { defineMiddleware } from 'astro:middleware';
import { log } from './server/context';
import { allowedHosts, COMMON_HEADERS, guard, pagePolicy } from './server/http';

const hosts = allowedHosts(process.env['HOST'] ?? '127.0.0.1', Number(process.env['PORT'] ?? 4321));

export const onRequest = defineMiddleware(async (context, next) => {
  const started = performance.now();
  const response = guard(context.request, hosts) ?? (await next());
  const headers = new Headers(response.headers);
  for (const [name, value] of Object.entries(COMMON_HEADERS)) headers.set(name, value);
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
