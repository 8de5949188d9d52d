import type { IncomingMessage } from 'node:http';
import { db, log } from './context';
import { answerAt, dispatch, fullAnswer, type Answer, type Given } from './http';
import { isFull } from './house/service';
import { live } from './live';
import { ROUTES } from './routes';

/** Answers every address under /api, and writes down what changed something or failed. */
export async function api(request: IncomingMessage): Promise<Answer> {
  const started = performance.now();
  const writes = request.method !== 'GET' && request.method !== 'HEAD';
  if (writes && (await isFull())) return fullAnswer(true);
  const { pattern, topic, tells, answer } = await dispatch(ROUTES, request, db, (error, route) =>
    log.error({ err: error, route }, 'request failed'),
  );
  if (writes && tells && answer.status < 300) live().changed(topic);
  // Pages ask again every few seconds: what only looks is not worth a line.
  const quiet = !writes || !tells;
  const level = answer.status >= 500 && tells ? 'warn' : quiet ? 'debug' : 'info';
  const ms = Math.round(performance.now() - started);
  // Whoever asked does not wait for the line to be on the disk.
  setImmediate(() =>
    log[level]({ method: request.method, route: pattern, status: answer.status, ms }, 'request'),
  );
  return answer;
}

/** What an address answers, for a page that is sent with it. */
export const given = (address: string): Promise<Given> =>
  answerAt(ROUTES, address, db, (error, route) => log.error({ err: error, route }, 'request failed'));
