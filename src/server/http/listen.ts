import { createServer, STATUS_CODES, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';
import { pipeline } from 'node:stream';
import compression from 'compression';
import type { Answer } from './answer';
import { guard } from './guard';
import { COMMON_HEADERS, headersFor } from './policy';
import { problemAnswer } from './problem';

/** How long the headers of a request, a whole request, an idle connection and the last requests may take, ms. */
const HEADERS_MS = 10_000;
const REQUEST_MS = 60_000;
const IDLE_MS = 5_000;
const LAST_MS = 6_000;
const MOST_CONNECTIONS = 400;

/** Compresses what is long enough to be worth it, and is not compressed already. */
const compress = compression({ threshold: 1024 }) as Handler;

/** Answers a request, or leaves it to the next. */
export type Handler = (request: IncomingMessage, response: ServerResponse, next?: () => void) => void;

export interface Served {
  readonly host: string;
  readonly port: number;
  /** Names by which it may be addressed. */
  readonly hosts: ReadonlySet<string>;
  /** The files of the pages: answers what it has, and calls `next` for anything else. */
  readonly files: Handler;
  /** The addresses under /api. */
  readonly api: (request: IncomingMessage) => Promise<Answer>;
  /** The pages: answers everything else. */
  readonly pages: Handler;
  /** Lets go of those who only listen: nothing more comes. */
  readonly letGo: () => void;
}

export interface Listening {
  readonly port: number;
  /** Takes no more, finishes what runs, and resolves when it has. */
  readonly stop: () => Promise<void>;
}

const METHODS: readonly string[] = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'];

/** What is refused before anything else looks at it; undefined for what goes on. */
function refusal(
  { method = '', headers }: IncomingMessage,
  pathname: string | undefined,
  hosts: ReadonlySet<string>,
): Answer | undefined {
  const refused = guard({ method, host: headers.host, origin: headers.origin }, hosts);
  if (refused) return refused;
  if (pathname === undefined)
    return problemAnswer(400, 'Not readable', [
      { code: 'path.unreadable', says: 'This address cannot be read.', path: '' },
    ]);
  // Such a request cannot even be put into words for what follows.
  if (!METHODS.includes(method))
    return problemAnswer(
      405,
      'Not done here',
      [{ code: 'path.method', says: 'Nothing here is asked for in this way.', path: '' }],
      {},
      { allow: METHODS.join(', ') },
    );
  if (!API.test(pathname) && method !== 'GET' && method !== 'HEAD')
    return problemAnswer(
      405,
      'Not done here',
      [{ code: 'path.method', says: 'A page can only be looked at.', path: '' }],
      {},
      { allow: 'GET, HEAD' },
    );
  // Our pictures are drawn: nothing is fetched and changed on the way.
  if (/^\/_image(?:\/|$)/.test(pathname))
    return problemAnswer(404, 'Not found', [
      { code: 'path.unknown', says: 'Antler has nothing at this address.', path: '' },
    ]);
  return undefined;
}

const API = /^\/api(?:\/|$)/;

/** The path of an address; nothing where it cannot be read. */
function pathOf(url: string): string | undefined {
  try {
    const { pathname } = new URL(url, 'http://here');
    return url.startsWith('/') && !/\0/.test(decodeURIComponent(pathname)) ? pathname : undefined;
  } catch {
    return undefined;
  }
}

const STOPPING = (): Answer =>
  problemAnswer(
    503,
    'Try again later',
    [
      {
        code: 'stopping',
        says: 'Antler is being stopped. Nothing was recorded; it is sent again.',
        path: '',
      },
    ],
    {},
    { 'retry-after': '2', connection: 'close' },
  );

/** Sends an answer with the headers that all of them have. */
function send(response: ServerResponse, { status, headers: own, body }: Answer, head: boolean): void {
  const headers = { ...headersFor(response.req.headers.host), ...own };
  if (typeof body === 'string') {
    response.writeHead(status, { ...headers, 'content-length': Buffer.byteLength(body) });
    return void response.end(head ? undefined : body);
  }
  response.writeHead(status, headers);
  if (head) return void response.end(() => body.destroy());
  // What fails half-way is seen to have failed: the connection breaks off.
  pipeline(body, response, () => undefined);
}

/** Answers what is no request at all: as any problem, and hangs up. */
function answerNoise(error: Error & { code?: string }, socket: Socket): void {
  if (!socket.writable) return void socket.destroy();
  const status =
    error.code === 'HPE_HEADER_OVERFLOW' ? 431 : error.code === 'ERR_HTTP_REQUEST_TIMEOUT' ? 408 : 400;
  const title = STATUS_CODES[status] ?? '';
  const body = JSON.stringify({
    type: 'about:blank',
    title,
    status,
    problems: [
      { code: 'request', says: 'This is no request that can be read, or it came too slowly.', path: '' },
    ],
  });
  socket.end(
    [
      `HTTP/1.1 ${status} ${title}`,
      'content-type: application/problem+json',
      `content-length: ${Buffer.byteLength(body)}`,
      ...Object.entries(COMMON_HEADERS).map(([name, value]) => `${name}: ${value}`),
      'connection: close',
      '',
      body,
    ].join('\r\n'),
  );
}

/**
 * Serves files and pages over HTTP: every answer has the security headers, every request is guarded, and nobody can hold a
 * connection for ever.
 */
export function listen({ host, port, hosts, files, api, pages, letGo }: Served): Promise<Listening> {
  let stopping = false;
  const server = createServer(
    {
      headersTimeout: HEADERS_MS,
      requestTimeout: REQUEST_MS,
      keepAliveTimeout: IDLE_MS,
      connectionsCheckingInterval: 2_000,
    },
    (request, response) => {
      const head = request.method === 'HEAD';
      const pathname = pathOf(request.url ?? '');
      const refused = stopping ? STOPPING() : refusal(request, pathname, hosts);
      if (refused) return void send(response, refused, head);
      const answer = (): void => {
        if (API.test(pathname ?? '')) void api(request).then((answered) => send(response, answered, head));
        else {
          for (const [name, value] of Object.entries(headersFor(request.headers.host)))
            response.setHeader(name, value);
          files(request, response, () => pages(request, response));
        }
      };
      // What is said to a write is short.
      if (head || request.method === 'GET') compress(request, response, answer);
      else answer();
    },
  );
  server.maxConnections = MOST_CONNECTIONS;
  server.on('clientError', answerNoise);
  server.on('connect', (_, socket: Socket) => answerNoise(new Error('no tunnel'), socket));
  server.on('upgrade', (_, socket: Socket) => answerNoise(new Error('no other protocol'), socket));

  const stop = async (): Promise<void> => {
    stopping = true;
    letGo();
    const closed = new Promise((resolve) => server.close(resolve));
    const late = setTimeout(() => server.closeAllConnections(), LAST_MS);
    await closed;
    clearTimeout(late);
  };
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve({ port: (server.address() as AddressInfo).port, stop });
    });
  });
}
