import type { IncomingMessage, ServerResponse } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { api, given } from '../server/api';
import { end } from '../server/ending';
import { allowedHosts, listen } from '../server/http';
import { closeLive } from '../server/live';
import { workBeside } from '../server/beside';
import { keepSummaries } from '../server/leads/sweep';

const built = path.dirname(fileURLToPath(import.meta.url));
const host = process.env['HOST'] ?? '127.0.0.1';
const port = Number(process.env['PORT'] ?? 4321);

const machine = {
  hostname: os.hostname(),
  addresses: Object.values(os.networkInterfaces()).flatMap((of) => (of ?? []).map(({ address }) => address)),
  names: (process.env['ANTLER_NAMES'] ?? '').split(/[\s,]+/).filter((name) => name !== ''),
};

/** The files of the pages, compressed ahead; those with their content in their name never change. */
const files = sirv(path.join(built, 'client'), {
  // Looked up each time: a file that is gone is not there, and no reason to fall over.
  dev: true,
  etag: true,
  gzip: true,
  brotli: true,
  setHeaders: (response, name) =>
    response.setHeader(
      'cache-control',
      name.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache',
    ),
});
type Pages = (
  request: IncomingMessage,
  response: ServerResponse,
  next: undefined,
  locals: { readonly answerOf: typeof given },
) => void;
const pages = (await import(path.join(built, 'server', 'entry.mjs'))) as { readonly handler: Pages };
const { stop } = await listen({
  host,
  port,
  hosts: allowedHosts(host, port, machine),
  files,
  api,
  pages: (request, response) => pages.handler(request, response, undefined, { answerOf: given }),
  letGo: closeLive,
});
workBeside(new URL('beside.mjs', import.meta.url));
keepSummaries();

// A full disk costs lines of the log, never the app.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

let ending = false;
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => {
    if (ending) return;
    ending = true;
    // What runs is finished first; a database that does not let go is not waited for.
    void stop()
      .then(() => Promise.race([end(), new Promise((resolve) => setTimeout(resolve, 2_000))]))
      .finally(() => process.exit(0));
  });
