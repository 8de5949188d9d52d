import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runApp, type RunningApp } from '../support/app';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let app: RunningApp;
beforeAll(async () => {
  database = await throwawayDatabase({ seeded: true });
  app = await runApp(database.url);
});
afterAll(async () => {
  await app.stop();
  await database.drop();
});

const problem = async (
  response: Response,
): Promise<{ status: number; type: string; paths: string[]; codes: string[] }> => {
  const body = (await response.json()) as { problems?: { path: string; code: string }[] };
  return {
    status: response.status,
    type: response.headers.get('content-type') ?? '',
    paths: body.problems?.map((each) => each.path) ?? [],
    codes: body.problems?.map((each) => each.code) ?? [],
  };
};
const job = (): object => ({ id: randomUUID(), name: 'A job', note: '' });

/** fetch will not set Host, so this goes underneath it. */
const rawStatus = (method: string, headers: Record<string, string>): Promise<number> =>
  new Promise((resolve, reject) => {
    const request = http.request(
      { host: '127.0.0.1', port: app.port, path: '/api/jobs', method, headers },
      (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      },
    );
    request.on('error', reject);
    request.end(method === 'GET' ? undefined : JSON.stringify(job()));
  });

describe('who may write', () => {
  it('the app’s own pages', async () =>
    expect((await app.send('POST', '/api/jobs', job())).status).toBe(201));

  it.each([
    ['a foreign origin', { origin: 'http://elsewhere.example' }],
    ['another port of this machine', { origin: 'http://127.0.0.1:1' }],
    ['the null origin of a sandboxed frame', { origin: 'null' }],
  ])('not %s', async (_, headers) => {
    expect(await problem(await app.send('POST', '/api/jobs', job(), headers))).toMatchObject({
      status: 403,
      codes: ['guard.origin'],
    });
  });

  it('not without an origin, not under another name, and no reading under another name either', async () => {
    const json = { 'content-type': 'application/json' };
    const host = `127.0.0.1:${app.port}`;
    expect(await rawStatus('POST', { ...json, host })).toBe(403);
    expect(
      await rawStatus('POST', { ...json, host: 'rebound.example', origin: 'http://rebound.example' }),
    ).toBe(403);
    expect(await rawStatus('POST', { ...json, host, origin: `http://${host}` })).toBe(201);
    expect(await rawStatus('GET', { host: 'rebound.example' })).toBe(403);
  });
});

describe('bodies', () => {
  it.each([
    ['no JSON at all', '{', 400, ['']],
    ['a missing name', JSON.stringify({ id: randomUUID(), note: '' }), 422, ['name']],
    ['an id that is none', JSON.stringify({ id: '7', name: 'x', note: '' }), 422, ['id']],
    ['a field that is not known', JSON.stringify({ ...job(), colour: 'red' }), 422, ['colour']],
    ['too much', JSON.stringify({ ...job(), note: 'x'.repeat(300_000) }), 413, ['']],
  ])('%s is a problem with its field', async (_, body, status, paths) => {
    const found = await problem(await app.send('POST', '/api/jobs', body));
    expect(found).toMatchObject({ status, paths, type: 'application/problem+json' });
  });

  it('another content type is refused', async () => {
    expect((await app.send('POST', '/api/jobs', job(), { 'content-type': 'text/plain' })).status).toBe(415);
  });

  it('a lead’s problems carry the path into the intent', async () => {
    const jobs = (await (await fetch(`${app.url}/api/board`)).json()) as { id: string }[];
    const lead = {
      id: randomUUID(),
      jobId: jobs[0]?.id,
      name: 'x',
      intent: { ...PLAIN_INTENT, length: { mm: -1, datum: 'face' }, cable: 'rope' },
    };
    const found = await problem(await app.send('POST', '/api/leads', lead));
    expect(found.status).toBe(422);
    expect(found.paths).toContain('intent.length.mm');
  });

  it.each([
    [
      'events',
      { events: [{ id: randomUUID(), kind: 'dance', at: '2026-03-02T10:00:00Z' }] },
      'events[0].kind',
    ],
    ['events', { events: [{ id: randomUUID(), kind: 'open', at: 'noon' }] }, 'events[0].at'],
    [
      'readings',
      {
        readings: [
          {
            id: randomUUID(),
            probe: 'A.1~B.1',
            answer: { kind: 'ohms', ohms: -1 },
            at: '2026-03-02T10:00:00Z',
          },
        ],
      },
      'readings[0].answer.ohms',
    ],
    [
      'readings',
      {
        readings: [
          {
            id: randomUUID(),
            probe: 'A.1~B.1',
            answer: { kind: 'beep', ohms: 1 },
            at: '2026-03-02T10:00:00Z',
          },
        ],
      },
      'readings[0].answer.ohms',
    ],
  ])('%s that are not are named by their place', async (list, body, path) => {
    const found = await problem(await app.send('POST', `/api/units/${randomUUID()}/${list}`, body));
    expect(found).toMatchObject({ status: 422, paths: [path] });
  });
});

describe('answers', () => {
  it('health says so, with the version', async () => {
    const response = await fetch(`${app.url}/api/health`);
    expect([response.status, await response.json()]).toEqual([
      200,
      { status: 'ok', database: 'ok', version: '0.1.0' },
    ]);
  });

  it.each([
    `/api/leads/${randomUUID()}`,
    `/api/units/${randomUUID()}`,
    '/api/nothing',
    '/api',
    `/api/leads/${randomUUID()}/export/more`,
  ])('%s is 404, a problem', async (path) => {
    expect(await problem(await fetch(app.url + path))).toMatchObject({
      status: 404,
      type: 'application/problem+json',
    });
  });

  it('an id that is none is said at its place in the address', async () => {
    expect(await problem(await fetch(`${app.url}/api/leads/nonsense`))).toMatchObject({
      status: 400,
      paths: ['id'],
      codes: ['path.id'],
    });
    expect(await problem(await app.send('DELETE', '/api/workshop/cables/..%2Fa', undefined))).toMatchObject({
      status: 400,
      paths: ['entry'],
    });
  });

  it.each([
    ['PUT', '/api/jobs', 'GET, POST, HEAD'],
    ['POST', `/api/leads/${randomUUID()}`, 'GET, PUT, DELETE, HEAD'],
    ['PATCH', '/api/board', 'GET, HEAD'],
    ['OPTIONS', `/api/units/${randomUUID()}/events`, 'POST'],
  ])('%s %s is 405, and says what the address takes', async (method, path, allow) => {
    const response = await app.send(method, path, undefined);
    expect(response.headers.get('allow')).toBe(allow);
    expect(await problem(response)).toMatchObject({
      status: 405,
      type: 'application/problem+json',
      codes: ['path.method'],
    });
  });

  it('what is asked of the head alone has no body', async () => {
    const response = await fetch(`${app.url}/api/board`, { method: 'HEAD' });
    expect([response.status, await response.text()]).toEqual([200, '']);
  });

  it('every answer has its security headers, pages a policy that lets nothing in from elsewhere', async () => {
    const page = await fetch(app.url);
    const policy = page.headers.get('content-security-policy') ?? '';
    expect(policy).toContain(`default-src 'self'`);
    expect(policy).toContain(`frame-ancestors 'none'`);
    expect(policy).not.toMatch(/unsafe|https?:|\*/);
    for (const response of [page, await fetch(`${app.url}/api/board`)]) {
      expect(response.headers.get('x-content-type-options')).toBe('nosniff');
      expect(response.headers.get('x-frame-options')).toBe('DENY');
    }
  });
});
