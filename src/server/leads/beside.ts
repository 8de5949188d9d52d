import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import type { Lead } from '../../core/lead';
import { summaryOf, type Summary } from './comes-to';

interface Waiting {
  readonly resolve: (summary: Summary) => void;
  readonly reject: (error: Error) => void;
}
type Said = { readonly n: number } & ({ readonly summary: Summary } | { readonly failed: string });

let program: URL | undefined;
/** Says where the program is that works out what leads come to on a thread of its own; without one it is done here. */
export function workBeside(at: URL): void {
  program = existsSync(at) ? at : undefined;
}

let worker: Worker | undefined;
let count = 0;
const waiting = new Map<number, Waiting>();

function started(at: URL): Worker {
  const own = new Worker(at);
  // It holds nobody up who wants to leave.
  own.unref();
  own.on('message', (said: Said) => {
    const asked = waiting.get(said.n);
    waiting.delete(said.n);
    if ('summary' in said) asked?.resolve(said.summary);
    else asked?.reject(new Error(said.failed));
  });
  own.on('error', (error) => {
    worker = undefined;
    for (const asked of waiting.values()) asked.reject(error);
    waiting.clear();
  });
  return own;
}

/** What a lead comes to, worked out beside the thread that answers. */
export function comesTo(lead: Lead): Promise<Summary> {
  const at = program;
  if (!at) return Promise.resolve(summaryOf(lead));
  return new Promise((resolve, reject) => {
    worker ??= started(at);
    const n = count++;
    waiting.set(n, { resolve, reject });
    worker.postMessage({ n, lead });
  });
}
