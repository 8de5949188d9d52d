import { Readable } from 'node:stream';
import { asks, type Answer, type Route } from '../http';
import { live } from './open';

/** How often something is sent where nothing changes, so that what stands between does not hang up, ms. */
const BEAT_MS = 15_000;

const open = new Set<Readable>();
/** Lets go of everybody who listens: nothing more comes. */
export function closeLive(): void {
  for (const stream of open) stream.push(null);
}

/** What changes, as it changes: one JSON array of topics an event. */
function stream(): Answer {
  const body = new Readable({ read: () => undefined });
  body.push('retry: 1000\ndata: ["all"]\n\n');
  const leave = live().subscribe((topics) => body.push(`data: ${JSON.stringify(topics)}\n\n`));
  const beat = setInterval(() => body.push(': still here\n\n'), BEAT_MS);
  open.add(body);
  body.on('close', () => {
    leave();
    clearInterval(beat);
    open.delete(body);
  });
  return {
    status: 200,
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
    body,
  };
}

/** The address of what changes. */
export const liveRoutes: readonly Route[] = [asks('GET', '/api/live', () => Promise.resolve(stream()))];
