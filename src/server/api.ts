import type { IncomingMessage } from 'node:http';
import { db, log } from './context';
import { dispatch, fullAnswer, type Answer } from './http';
import { isFull } from './house/service';
import { ROUTES } from './routes';

/** Answers every address under /api, and writes down what changed something or failed. */
export async function api(request: IncomingMessage): Promise<Answer> {
  const started = performance.now();
  const writes = request.method !== 'GET' && request.method !== 'HEAD';
  if (writes && (await isFull())) return fullAnswer(true);
  const { pattern, answer } = await dispatch(ROUTES, request, db, (error, route) =>
    log.error({ err: error, route }, 'request failed'),
  );
  // Pages ask again every few seconds: what only looks is not worth a line.
  const level = answer.status >= 500 ? 'warn' : !writes ? 'debug' : 'info';
  log[level](
    {
      method: request.method,
      route: pattern,
      status: answer.status,
      ms: Math.round(performance.now() - started),
    },
    'request',
  );
  return answer;
}
