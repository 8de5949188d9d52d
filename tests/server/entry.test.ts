import { randomUUID } from 'node:crypto';
import net from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { gone } from '../../scripts/lib/run.mjs';
import { guardedPool } from '../../src/server/db/pool';
import { runApp, type RunningApp } from '../support/app';
import { between } from '../support/between';
import { throwawayDatabase } from '../support/database';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let app: RunningApp;
beforeAll(async () => {
  database = await throwawayDatabase();
  app = await runApp(database.url);
});
afterAll(async () => {
  await app.stop();
  await database.drop();
});

interface Answered {
  readonly status: number;
  readonly headers: string;
  readonly body: string;
}

/** Sends bytes as they are, and hears what comes until the connection is closed. */
const raw = (text: string, { port = app.port, wait = 3_000 } = {}): Promise<Answered> =>
  new Promise((resolve, reject) => {
    const socket = net.connect(port, '127.0.0.1', () => socket.write(text));
    let heard = '';
    socket.setTimeout(wait, () => socket.destroy());
    socket.on('data', (data) => (heard += data.toString()));
    socket.on('error', reject);
    socket.on('close', () => {
      const [headers = '', body = ''] = heard.split(/\r\n\r\n([\s\S]*)/);
      resolve({ status: Number(/^HTTP\/1\.1 (\d+)/.exec(headers)?.[1] ?? 0), headers, body });
    });
  });
const asked = (line: string, ...more: string[]): string =>
  [line, `host: 127.0.0.1:${app.port}`, 'connection: close', ...more, '', ''].join('\r\n');

describe('every answer is ours', () => {
  it.each([
    ['TRACE / HTTP/1.1', 405],
    ['TRACE /api/board HTTP/1.1', 405],
    ['PROPFIND /api/board HTTP/1.1', 405],
    ['POST / HTTP/1.1', 403],
    ['OPTIONS /workshop HTTP/1.1', 405],
    ['GET /%E0%A4%A HTTP/1.1', 400],
    ['GET /%00 HTTP/1.1', 400],
    ['GET http://127.0.0.1/elsewhere HTTP/1.1', 400],
    ['GET /_image?href=%2Fx.png HTTP/1.1', 404],
    ['GET /api/../api/nothing HTTP/1.1', 404],
    ['CONNECT 127.0.0.1:1 HTTP/1.1', 400],
    ['NOISE', 400],
  ])('%s: %i, a problem with the security headers', async (line, status) => {
    const answer = await raw(asked(line));
    expect([answer.status, answer.headers.toLowerCase()]).toEqual([
      status,
      expect.stringContaining('content-type: application/problem+json'),
    ]);
    expect(answer.headers.toLowerCase()).toContain('x-content-type-options: nosniff');
    // Either whole or in chunks.
    const [, body = ''] = /(\{.*\})/s.exec(answer.body) ?? [];
    expect((JSON.parse(body) as { problems: unknown[] }).problems).toHaveLength(1);
  });

  it('headers without end are cut off, and another protocol is not spoken', async () => {
    expect((await raw(asked('GET / HTTP/1.1', `x-long: ${'y'.repeat(40_000)}`))).status).toBe(431);
    const upgrade = ['upgrade: websocket', 'connection: upgrade', 'sec-websocket-key: x'];
    expect((await raw(asked('GET /api/board HTTP/1.1', ...upgrade))).status).not.toBe(101);
  });

  it('under another name not even a file is given', async () => {
    const page = await (await fetch(app.url)).text();
    const file = /\/_astro\/[\w.-]+\.js/.exec(page)?.[0] ?? '';
    expect(file).not.toBe('');
    const answer = await raw(`GET ${file} HTTP/1.1\r\nhost: rebound.example\r\nconnection: close\r\n\r\n`);
    expect(answer.status).toBe(403);
  });

  it('files are compressed ahead and never change under their name; pages are asked for again', async () => {
    const response = await fetch(app.url);
    expect(response.headers.get('cache-control') ?? '').not.toContain('immutable');
    const file = /\/_astro\/[\w.-]+\.css/.exec(await response.text())?.[0] ?? '';
    const sent = await fetch(app.url + file, { headers: { 'accept-encoding': 'br' } });
    expect(Object.fromEntries(sent.headers)).toMatchObject({
      'cache-control': 'public, max-age=31536000, immutable',
      'content-encoding': 'br',
      'x-content-type-options': 'nosniff',
    });
    expect(await sent.text()).toContain('{');
  });
});

describe('stopping', () => {
  it('finishes what runs, says to all else to come back, takes no more, and ends', async () => {
    const own = await runApp(database.url);
    const job = { id: randomUUID(), name: 'Begun before', note: '' };
    const body = JSON.stringify(job);
    // A request whose body is still on its way when the app is told to stop.
    const socket = net.connect(own.port, '127.0.0.1');
    let heard = '';
    socket.on('data', (data) => (heard += data.toString()));
    const closed = new Promise((resolve) => socket.once('close', resolve));
    const head = [
      'POST /api/jobs HTTP/1.1',
      `host: 127.0.0.1:${own.port}`,
      `origin: http://127.0.0.1:${own.port}`,
      'content-type: application/json',
      `content-length: ${Buffer.byteLength(body)}`,
      '',
      body.slice(0, 10),
    ].join('\r\n');
    await new Promise<void>((resolve) => socket.write(head, () => resolve()));
    await new Promise((resolve) => setTimeout(resolve, 200));
    own.child.kill('SIGTERM');
    await new Promise((resolve) => setTimeout(resolve, 200));
    await expect(fetch(own.url)).rejects.toThrow();
    // What came over a connection that is open already is told to come back.
    socket.write(body.slice(10));
    await expect.poll(() => heard).toMatch(/^HTTP\/1\.1 201/);
    socket.write(`GET /api/board HTTP/1.1\r\nhost: 127.0.0.1:${own.port}\r\n\r\n`);
    await closed;
    const second = heard.slice(heard.indexOf('HTTP/1.1', 5));
    if (heard.indexOf('HTTP/1.1', 5) > 0) expect(second).toMatch(/^HTTP\/1\.1 503[\s\S]*retry-after: 2/i);
    expect(await gone(own.child.pid, 9_000)).toBe(true);
    expect(own.child.exitCode).toBe(0);
    const jobs = (await (await fetch(`${app.url}/api/board`)).json()) as { id: string }[];
    expect(jobs.map((each) => each.id)).toContain(job.id);
  });
});

describe('a database that does not answer', () => {
  it('is told of within 5 s, with what is known, and is used again when it does', async () => {
    const { url, hold, close } = await between(database.url);
    const own = await runApp(url);
    const job = { id: randomUUID(), name: 'While it is frozen', note: '' };
    expect((await own.send('POST', '/api/jobs', { ...job, id: randomUUID() })).status).toBe(201);
    hold(true);
    const from = performance.now();
    const answers = await Promise.all([own.send('POST', '/api/jobs', job), fetch(`${own.url}/api/board`)]);
    expect(performance.now() - from).toBeLessThan(5_000);
    expect(answers.map((each) => each.status)).toEqual([503, 503]);
    const [write] = await Promise.all(
      answers.map((each) => each.json() as Promise<{ problems: { says: string }[] }>),
    );
    expect(write?.problems[0]?.says).toMatch(/Nothing was recorded/);
    hold(false);
    await expect
      .poll(async () => (await own.send('POST', '/api/jobs', job)).status, { timeout: 10_000 })
      .toBe(201);
    await own.stop();
    close();
  });

  it('is not late while this process itself was busy: a connection that takes turns comes after all', async () => {
    const pool = guardedPool(database.url, () => undefined, { connectMs: 900, queryMs: 900 });
    const all = Promise.all(
      Array.from({ length: 6 }, async () => {
        const client = await pool.connect();
        const { rows } = await client.query<{ one: number }>('select 1 as one', []);
        client.release();
        return rows[0]?.one;
      }),
    );
    // As where leads are worked out one after the other: between two, what came is looked at, and no more.
    for (let lead = 0; lead < 7; lead++) {
      const until = performance.now() + 450;
      while (performance.now() < until);
      await new Promise((resolve) => setImmediate(resolve));
    }
    expect(await all).toEqual(Array.from({ length: 6 }, () => 1));
    await pool.end();
  });

  it('a transaction that was open on a connection given up never swallows what comes after', async () => {
    const { url, hold, close } = await between(database.url);
    const pool = guardedPool(url, () => undefined);
    const insert = (id: string) => [`insert into job (id, name, note) values ($1, 'job', '')`, [id]] as const;
    const [lost, kept] = [randomUUID(), randomUUID()];
    const first = await pool.connect();
    await first.query('begin', []);
    await first.query(...insert(lost));
    hold(true);
    await expect(first.query('select 1', [])).rejects.toMatchObject({ known: 'nothing recorded' });
    first.release();
    hold(false);
    const second = await pool.connect();
    await second.query(...insert(kept));
    second.release();
    const there = await database.db.selectFrom('job').select('id').where('id', 'in', [lost, kept]).execute();
    expect(there.map(({ id }) => id)).toEqual([kept]);
    await pool.end();
    close();
  });
});
