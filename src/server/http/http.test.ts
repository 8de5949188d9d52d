import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { object, string, type ObjectSchema } from 'yup';
import { describe, expect, it } from 'vitest';
import { Refused } from '../refused';
import { BODY_LIMIT, readBody, type Incoming } from './body';
import type { Answer } from './answer';
import { allowedHosts, guard } from './guard';
import { pagePolicy } from './policy';
import { DatabaseAway, isAway } from '../db';
import { errorAnswer } from './problem';

const hosts = allowedHosts('127.0.0.1', 4321);
const status = (method: string, { host, origin }: Record<string, string>): number =>
  guard({ method, host, origin }, hosts)?.status ?? 200;

describe('the guard', () => {
  it('knows the loopback by its names, and another host by its own only', () => {
    expect([...hosts]).toEqual(['127.0.0.1:4321', 'localhost:4321', '[::1]:4321']);
    expect([...allowedHosts('bench.local', 4321)]).toEqual(['bench.local:4321']);
    expect([...allowedHosts('bench.local', 80)]).toEqual(['bench.local']);
  });

  it('everywhere knows the machine by its addresses and names, and by those it was told', () => {
    const machine = { hostname: 'Shed', addresses: ['10.0.0.7', 'fe80::1'], names: ['bench.example'] };
    const everywhere = allowedHosts('0.0.0.0', 4321, machine);
    for (const host of ['10.0.0.7', '[fe80::1]', 'shed', 'shed.local', 'bench.example', 'localhost'])
      expect(everywhere).toContain(`${host}:4321`);
    expect(everywhere).not.toContain('0.0.0.0:4321');
    expect([...allowedHosts('127.0.0.1', 4321, machine)]).toEqual([...hosts, 'bench.example:4321']);
    expect(guard({ method: 'GET', host: 'Shed:4321', origin: undefined }, everywhere)).toBeUndefined();
    expect(
      guard({ method: 'GET', host: 'rebound.example:4321', origin: undefined }, everywhere)?.status,
    ).toBe(403);
  });

  it.each([
    ['GET', { host: '127.0.0.1:4321' }, 200],
    ['GET', { host: 'localhost:4321' }, 200],
    ['GET', { host: 'localhost:9999' }, 403],
    ['GET', {}, 403],
    ['POST', { host: 'localhost:4321', origin: 'http://localhost:4321' }, 200],
    ['POST', { host: 'localhost:4321', origin: 'http://127.0.0.1:4321' }, 403],
    ['POST', { host: 'localhost:4321', origin: 'https://localhost:4321' }, 403],
    ['PUT', { host: 'localhost:4321' }, 403],
    ['DELETE', { host: 'localhost:4321', origin: 'null' }, 403],
    ['PATCH', { host: 'localhost:4321', origin: 'http://localhost:4321.example' }, 403],
  ])('%s %j → %i', (method, headers, expected) =>
    expect(status(method, headers as Record<string, string>)).toBe(expected),
  );
});

describe('a page’s policy', () => {
  const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;
  it('allows by hash what the page was sent with, and nothing else inline', () => {
    const policy =
      pagePolicy('<style>a{}</style><script type="module">run()</script><script src="/x.js"></script>')[
        'content-security-policy'
      ] ?? '';
    expect(policy).toContain(`script-src 'self' ${hash('run()')};`);
    expect(policy).toContain(`style-src 'self' ${hash('a{}')};`);
    expect(policy).not.toContain('unsafe');
  });

  it('a page with nothing inline allows nothing inline', () => {
    expect(pagePolicy('<p>hello</p>')['content-security-policy']).toContain(`script-src 'self';`);
  });
});

describe('bodies', () => {
  const schema: ObjectSchema<{ name: string }> = object({ name: string().required() }).noUnknown();
  const sent = (body: string | Readable, type = 'application/json'): Incoming =>
    Object.assign(typeof body === 'string' ? Readable.from([Buffer.from(body)]) : body, {
      headers: { 'content-type': type },
    });
  const read = (body: string | Readable, type?: string): Promise<number | object> =>
    readBody(sent(body, type), schema).catch((error: unknown) =>
      error instanceof Refused ? error.status : 500,
    );

  it('are read as JSON of their shape', async () => {
    expect(await read('{"name":"x"}')).toEqual({ name: 'x' });
    expect(await read('{"name":7}')).toBe(422);
    expect(await read('{"name":"x","more":1}')).toBe(422);
    expect(await read('[]')).toBe(422);
    expect(await read('nothing')).toBe(400);
    expect(await read('{"name":"x"}', 'text/plain')).toBe(415);
  });

  it.each([
    ['NUL', '{"name":"a\\u0000b"}', 'name'],
    ['half of a pair', '{"name":"\\ud800"}', 'name'],
    ['the other half, in a name', '{"name":"x","\\udc00":1}', ''],
    ['a number beyond counting', '{"name":"x","n":[1e999]}', 'n[0]'],
    ['nesting without end', `{"name":${'['.repeat(40)}1${']'.repeat(40)}}`, `name${'[0]'.repeat(31)}`],
  ])('with %s in them are refused at its place', async (_, body, path) => {
    const refused: unknown = await readBody(sent(body), schema).catch((error: unknown) => error);
    expect(refused).toMatchObject({ status: 422, problems: [{ path }] });
  });

  it('a whole pair and other signs are text', async () =>
    expect(await read('{"name":"\\ud83c\\udfbb \\t é"}')).toEqual({ name: '🎻 \t é' }));

  it('are cut off at the limit even when their length is not announced', async () => {
    let pulled = 0;
    const endless = new Readable({
      read() {
        pulled += 65_536;
        this.push(Buffer.alloc(65_536, 32));
      },
    });
    expect(await read(endless)).toBe(413);
    expect(pulled).toBeLessThan(BODY_LIMIT * 3);
  });
});

const said = ({ body }: Answer): unknown => JSON.parse(typeof body === 'string' ? body : '');

describe('errors', () => {
  const failure = (code: string, message = ''): Error => Object.assign(new Error(message), { code });

  it.each(['ECONNREFUSED', 'ECONNRESET', '57P01', '57P03', '08006'])(
    '%s means that the database is away',
    (code) => {
      expect(isAway(failure(code))).toBe(true);
      expect(isAway(new AggregateError([failure(code)]))).toBe(true);
    },
  );

  it.each(['23505', '42P01', 'ENOENT'])('%s does not', (code) => expect(isAway(failure(code))).toBe(false));

  it('nor does what is no error', () => expect(isAway('text')).toBe(false));

  it('a pool that gives up connecting, or a connection that ends, does', () => {
    for (const message of [
      'timeout exceeded when trying to connect',
      'Connection terminated unexpectedly',
      'Query read timeout',
      'driver has already been destroyed',
    ])
      expect(isAway(new Error(message))).toBe(true);
  });

  it('what was foreseen answers with its status and problems, the rest with 500, a line in the log and nothing of its text', () => {
    const logged: unknown[] = [];
    const log = (error: unknown): void => void logged.push(error);
    const refused = errorAnswer(
      new Refused(409, [{ code: 'c', says: 'Changed.', path: 'base' }], { current: { revision: 2 } }),
      true,
      log,
    );
    expect([refused.status, said(refused)]).toEqual([
      409,
      expect.objectContaining({ detail: 'Changed.', current: { revision: 2 } }),
    ]);
    expect(errorAnswer(failure('ECONNREFUSED'), true, log).status).toBe(503);
    expect(logged).toEqual([]);
    const internal = errorAnswer(new Error('secret'), true, log);
    expect(internal.status).toBe(500);
    expect(internal.body).not.toContain('secret');
    expect(logged).toHaveLength(1);
  });

  it.each([
    ['the disk is full', failure('53100'), true, 'database.full', /^The disk is full\. Nothing was recorded/],
    ['two collided', failure('40P01'), true, 'database.busy', /Nothing was recorded/],
    ['an operator stops it', failure('57014'), true, 'database.away', /Nothing was recorded/],
    [
      'no connection was had',
      new DatabaseAway('nothing recorded', 0),
      true,
      'database.away',
      /Nothing was recorded/,
    ],
    [
      'it went while it was told to commit',
      new DatabaseAway('not known', 0),
      true,
      'database.away',
      /Not known whether/,
    ],
    ['it went somehow', failure('ECONNRESET'), true, 'database.away', /Not known whether/],
    ['nothing was to be recorded', failure('ECONNRESET'), false, 'database.away', /It is asked again/],
  ])('%s: 503, try again, and what is known', (_, error, writes, code, says) => {
    const answer = errorAnswer(error, writes, () => expect.unreachable());
    expect([answer.status, answer.headers['retry-after']]).toEqual([503, '2']);
    const { problems } = said(answer) as { problems: { code: string; says: string }[] };
    expect(problems[0]?.code).toBe(code);
    expect(problems[0]?.says).toMatch(says);
  });
});
