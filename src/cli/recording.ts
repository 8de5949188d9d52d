import { fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import http from 'node:http';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { connect } from '../server/db';
import { appendRecords } from '../server/units/records';

/**
 * What it costs to record a line at the bench, beside a bare insert of the same row into the same table by the same clients,
 * in turns, each acknowledged when it is on the disk: over HTTP, and in the server alone; by one and by twenty, each at a
 * unit of their own and all at one; with no history, and with a long one. Beside them stands the same bare insert behind an
 * empty HTTP server in a process of its own, which checks nothing: no server of this make is quicker over HTTP. Needs
 * DATABASE_URL and ANTLER_URL of a running app.
 */
const databaseUrl = process.env['DATABASE_URL'] ?? '';
const base = process.env['ANTLER_URL'] ?? '';
const MOST = 20;
const HISTORY = 20_000;
const ROUNDS = 5;
/** More than this many times a bare insert is too much. */
const LIMIT = 3;

const agent = new http.Agent({ keepAlive: true, maxSockets: MOST });
const ask = (method: string, path: string, body?: unknown, at = base): Promise<string> =>
  new Promise((resolve, reject) => {
    const sent = body === undefined ? '' : JSON.stringify(body);
    const headers = {
      'content-type': 'application/json',
      origin: base,
      'content-length': Buffer.byteLength(sent),
    };
    const request = http.request(at + path, { method, agent, headers }, (response) => {
      let heard = '';
      response.on('data', (data: Buffer) => (heard += data.toString()));
      response.on('end', () =>
        (response.statusCode ?? 0) < 300 ? resolve(heard) : reject(new Error(`${path}: ${heard}`)),
      );
    });
    request.on('error', reject);
    request.end(sent);
  });

const note = () => ({
  is: 'event' as const,
  id: randomUUID(),
  kind: 'note' as const,
  text: 'The boot was tight; a little soap helped.',
  at: new Date().toISOString(),
});
const INSERT = 'insert into bench_event (id, unit_id, kind, text, at) values ($1, $2, $3, $4, $5)';

const connected = (): Promise<pg.Client[]> =>
  Promise.all(
    Array.from({ length: MOST }, async () => {
      const client = new pg.Client({ connectionString: databaseUrl });
      await client.connect();
      return client;
    }),
  );
const insertBare = (client: pg.Client | undefined, unitId: string, { id, kind, text, at } = note()) =>
  client?.query(INSERT, [id, unitId, kind, text, at]) ?? Promise.resolve();

/** The empty server: a bare insert of what comes, by a connection that is free. Says where it is. */
if (process.send) {
  const free = await connected();
  const waiting: ((client: pg.Client) => void)[] = [];
  const server = http.createServer((request, response) => {
    let heard = '';
    request.on('data', (data: Buffer) => (heard += data.toString()));
    request.on('end', () => {
      void (async () => {
        const client = free.pop() ?? (await new Promise<pg.Client>((resolve) => waiting.push(resolve)));
        await insertBare(client, (request.url ?? '').slice(1), JSON.parse(heard) as ReturnType<typeof note>);
        const next = waiting.shift();
        if (next) next(client);
        else free.push(client);
        response.end('{"taken":true}');
      })();
    });
  });
  server.listen(0, '127.0.0.1', () => process.send?.(server.address()));
  process.on('disconnect', () => process.exit());
  await new Promise(() => undefined);
}
const empty = fork(fileURLToPath(import.meta.url));
const [{ port }] = (await once(empty, 'message')) as [{ readonly port: number }];

const db = connect(databaseUrl);
const clients = await connected();
const board = JSON.parse(await ask('GET', '/api/board')) as { leads: { id: string }[] }[];
const lead = board[0]?.leads[0]?.id ?? '';
const units = await Promise.all(
  Array.from({ length: MOST }, async () => {
    const id = randomUUID();
    await ask('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' });
    return id;
  }),
);
const unit = (n: number): string => units[n % MOST] ?? '';

type Way = (client: number, unitId: string) => Promise<unknown>;
const WAYS: Readonly<Record<'bare' | 'empty' | 'over HTTP' | 'in the server', Way>> = {
  bare: (client, unitId) => insertBare(clients[client], unitId),
  empty: (_, unitId) => ask('POST', `/${unitId}`, note(), `http://127.0.0.1:${port}`),
  'over HTTP': (_, unitId) => ask('POST', `/api/units/${unitId}/records`, { records: [note()] }),
  'in the server': (_, unitId) => appendRecords(db, unitId, [note()]),
};

/** How long one takes when so many do it at once, each again at once or after a pause, ms. */
async function each(way: Way, many: number, of: (client: number) => string, pause = 0): Promise<number> {
  const times = many === 1 ? 200 : 40;
  let paused = 0;
  const start = performance.now();
  await Promise.all(
    Array.from({ length: many }, async (_, client) => {
      for (let n = 0; n < times; n++) {
        await way(client, of(client));
        if (pause === 0) continue;
        const from = performance.now();
        await new Promise((resolve) => setTimeout(resolve, pause));
        paused += performance.now() - from;
      }
    }),
  );
  return (performance.now() - start - paused / many) / times;
}
const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

const own = (client: number): string => unit(client);
const one = (): string => unit(0);
const SCENES: readonly (readonly [string, number, (client: number) => string, number?])[] = [
  ['one client', 1, own],
  // As at a bench: processors have gone to sleep in between, for the bare insert as well.
  ['one client, 2 ms of pause between', 1, own, 2],
  ['twenty clients, a unit each', MOST, own],
  ['twenty clients at one unit', MOST, one],
];

async function compare(history: string): Promise<void> {
  for (const [scene, many, of, pause] of SCENES) {
    const times: Record<string, number[]> = {};
    for (let round = 0; round < ROUNDS; round++)
      for (const [name, way] of Object.entries(WAYS))
        (times[name] ??= []).push(await each(way, many, of, pause));
    const bare = times['bare'] ?? [];
    const [none, http, server] = (['empty', 'over HTTP', 'in the server'] as const).map((name) => {
      const ratio = median((times[name] ?? []).map((ms, n) => ms / (bare[n] ?? ms)));
      if (name === 'in the server' && ratio > LIMIT) process.exitCode = 1;
      const where = name === 'empty' ? 'by an empty server' : name;
      return `${median(times[name] ?? []).toFixed(2)} ms ${where}, ${ratio.toFixed(1)} times`;
    });
    console.info(`${scene}, ${history}: ${median(bare).toFixed(2)} ms bare; ${none}; ${http}; ${server}`);
  }
}

// Warm first: every connection has its plans, every loop is compiled.
for (const way of Object.values(WAYS)) for (const many of [1, MOST]) await each(way, many, own);
await compare('no history');
for (const id of units.slice(0, 1))
  await clients[0]?.query(
    `insert into bench_event (id, unit_id, kind, text, at)
     select gen_random_uuid(), $1, 'note', 'as before', now() from generate_series(1, $2)`,
    [id, HISTORY],
  );
await compare(`${HISTORY} lines of history`);
await Promise.all(clients.map((client) => client.end()));
await db.destroy();
agent.destroy();
empty.disconnect();
