import { defineMiddleware } from 'astro:middleware';
import { pagePolicy } from './server/http/policy';

/** Gives each page the policy of what it was sent with. */
export const onRequest = defineMiddleware(async (_, next) => {
  const response = await next();
  if (!(response.headers.get('content-type')?.startsWith('text/html') ?? false)) return response;
  const body = await response.text();
  const headers = new Headers(response.headers);
  for (const [name, value] of Object.entries(pagePolicy(body))) headers.set(name, value);
  return new Response(body, { status: response.status, statusText: response.statusText, headers });
});
