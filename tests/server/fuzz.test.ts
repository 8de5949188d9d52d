import { afterAll, beforeAll, expect, it } from 'vitest';
import fc from 'fast-check';
import { ANY_METER } from '../../src/core/proving';
import type { LeadSheet } from '../../src/server/leads/service';
import { NO_INPUTS, USUAL_PLUG } from '../../src/core/sweep';
import type { BoardJob } from '../../src/server/board/service';
import type { Workshop } from '../../src/server/workshop/service';
import type { Stage } from '../../src/server/stage/service';
import type { WireUnit } from '../../src/server/units/wire';
import { ROUTES } from '../../src/server/routes';
import { connectorNamed, houseCable } from '../support/own';
import { runApp, type RunningApp } from '../support/app';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

/** A sample of them where time is short. */
const REQUESTS = process.env['ANTLER_TEST_LONG'] ? 6_000 : 1_200;
const SEED = 20261126;
/** What takes all away is asked last, what answers with the whole house not as often. */
const ASKED = ROUTES.filter(({ path }) => path !== '/api/demo').flatMap((route) =>
  /board|house/.test(route.path) ? [route] : [route, route, route, route, route],
);

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

const get = async <T>(path: string): Promise<T> => (await (await fetch(app.url + path)).json()) as T;

/** Bodies that are good, by the address that takes them: what is sent is these, spoiled. */
async function goodBodies(): Promise<Readonly<Record<string, unknown>>> {
  const [job] = await get<BoardJob[]>('/api/board');
  const lead = job?.leads.find((each) => each.units.length > 0);
  const sheet = await get<LeadSheet>(`/api/leads/${lead?.id ?? ''}`);
  const unit = await get<WireUnit>(`/api/units/${sheet.units[0]?.id ?? ''}`);
  const stage = await get<Stage>(`/api/stage/${job?.id ?? ''}`);
  const at = '2026-03-02T10:00:00.000Z';
  const id = '11111111-2222-4333-8444-555555555555';
  const event = { id, kind: 'note', operation: unit.plan.operations[0]?.id, text: 'warm', at };
  const reading = { id, probe: unit.plan.probes[0]?.id, answer: { kind: 'ohms', ohms: 0.2 }, at };
  return {
    '/api/jobs': { id, name: 'Job', note: '' },
    '/api/jobs/:id/making': { lead: sheet.id, count: 3, pairs: false },
    '/api/jobs/:id/away': { away: true },
    '/api/leads/:id/away': { away: false },
    '/api/leads/:id/picks': { line: '2 × XLR', is: 'picked' },
    '/api/jobs/:id/import': {
      requestId: id,
      document: await get<unknown>(`/api/jobs/${job?.id ?? ''}/export`),
    },
    '/api/leads': { id, jobId: job?.id, name: 'Lead', intent: PLAIN_INTENT, edits: sheet.lead.edits },
    '/api/leads/:id': { requestId: id, base: 1, name: 'Lead', intent: PLAIN_INTENT },
    '/api/leads/:id/units': { id, builder: 'Nell' },
    '/api/units/:id/give-up': { event: id, why: 'nicked', back: [id], at },
    '/api/units/:id/records': {
      records: [
        { is: 'event', ...event },
        { is: 'reading', ...reading },
      ],
    },
    '/api/units/:id/events': { events: [event] },
    '/api/units/:id/readings': { readings: [reading] },
    '/api/workshop/schools': { schools: (await get<Workshop>('/api/workshop')).schools },
    '/api/jobs/:id/held': { held: true },
    '/api/jobs/:id/plans': { item: 'pair-braid', planned: plannedOne(id) },
    '/api/workshop/cutting': { cutting: { kerfMm: 2, leastOffcutMm: 500 } },
    '/api/workshop/set-ups': { setUps: [{ tool: 'iron', seconds: 45 }] },
    '/api/workshop/levels': { item: 'xlr3-plug', name: 'Plug', unit: 'pieces', least: 10 },
    '/api/workshop/tools': { id: 'iron', ours: 'the grey one' },
    '/api/workshop/meter': { meter: { ...ANY_METER, diodeVolts: 2.6 } },
    '/api/stage/:id/inputs': {
      base: 1,
      list: { ...NO_INPUTS, inputs: [{ id: 'a', name: 'Bass', weight: 1, way: 2 }] },
    },
    '/api/venues': { id, base: 0, name: 'Hall', lines: [{ way: 1, name: 'gallery', phantom: true }] },
    '/api/sweeps': { id, jobId: job?.id, venueId: stage.venues[0]?.id, by: 'Nell', at },
    '/api/sweeps/:id': { plug: USUAL_PLUG, trusts: true },
    '/api/sweeps/:id/looks': {
      now: at,
      records: [
        { id, at, by: 'Nell', way: 1, kind: 'lamps', lamps: 'both' },
        { id: id.replace('1', '2'), at, by: 'Nell', way: 2, kind: 'volts', volts: [48, 48, 0], text: 'warm' },
      ],
    },
    '/api/prices': { item: 'xlr3-plug', amount: 3.2 },
    '/api/prices/sold': { item: 'xlr3-plug', much: 10 },
    '/api/prices/currency': { currency: 'EUR' },
    '/api/shelf': {
      events: [
        {
          id,
          piece: id,
          at,
          kind: 'taken-in',
          amount: 9000,
          item: 'pair-braid',
          name: 'x',
          unit: 'mm',
          sort: 'reel',
        },
      ],
    },
    '/api/meter/reading': { owner: id, mode: 'ohms', take: true },
    '/api/workshop/connectors/:entry': { entry: connectorNamed('Fuzz') },
    '/api/workshop/cables/:entry': { entry: houseCable() },
  };
}

/** A plan of one cut. */
const plannedOne = (seed: string) => ({
  seed,
  plan: {
    version: 1,
    pieces: [{ stock: seed, cuts: ['a'], restMm: 10 }],
    reelsOpened: 0,
    wasteMm: 10,
    longestRestMm: 10,
    optimal: true,
    bound: { reelsOpened: 0, wasteMm: 10 },
  },
});

/** What stands where something else should: as it goes over the wire. */
const ODD = fc.oneof(
  fc.constantFrom(
    'null',
    'true',
    '-1',
    '1e999',
    '1e308',
    '-0.5',
    '9007199254740993',
    '2147483648',
    '""',
    '"\\u0000"',
    '"\\ud800"',
    '"__proto__"',
    '{}',
    '[]',
    '[[[[[[]]]]]]',
    `${'['.repeat(60)}${']'.repeat(60)}`,
    '{"__proto__":{"x":1},"constructor":null}',
    `"${'x'.repeat(3_000)}"`,
    '"2026-02-30T25:61:00Z"',
    '"0000-01-01T00:00:00Z"',
    '"11111111-2222-4333-8444-555555555555"',
  ),
  fc.json({ maxDepth: 3 }),
);

/** A document with one thing in it other than it was, as text. */
function spoiled(document: unknown, pick: (most: number) => number, odd: string): string {
  const here = pick(4);
  if (here === 0 || typeof document !== 'object' || document === null) return odd;
  const keys = Object.keys(document);
  const at = keys[pick(Math.max(1, keys.length))];
  const parts = keys.flatMap((key) => {
    const value = (document as Record<string, unknown>)[key];
    const name = Array.isArray(document) ? '' : `${JSON.stringify(key)}:`;
    if (key !== at) return [name + JSON.stringify(value ?? null)];
    if (here === 1) return [];
    if (here === 2) return [name + odd];
    return [name + spoiled(value, pick, odd)];
  });
  if (here === 1 && !Array.isArray(document)) parts.push(`"stray":${odd}`);
  return Array.isArray(document) ? `[${parts.join(',')}]` : `{${parts.join(',')}}`;
}

it(`${REQUESTS} requests, spoiled in every way: none gets a 500, and what is refused is a problem`, async () => {
  const good = await goodBodies();
  expect(Object.keys(good).sort()).toEqual(
    [...new Set(ROUTES.flatMap(({ path, body }) => (body ? [path] : [])))].sort(),
  );
  const jobs = await get<BoardJob[]>('/api/board');
  const known = jobs.flatMap((job) => [
    job.id,
    ...job.leads.flatMap((lead) => [lead.id, ...lead.units.map((unit) => unit.id)]),
  ]);
  const stage = await get<Stage>(`/api/stage/${jobs[0]?.id ?? ''}`);
  known.push(...[...stage.sweeps, ...stage.venues].map((each) => each.id));
  const id = fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...known) },
    { weight: 1, arbitrary: fc.uuid() },
    {
      weight: 1,
      arbitrary: fc.constantFrom('1', '%00', '..%2f', 'x'.repeat(300), "'--", '%ff', 'xlr3-plug', 'fuzz'),
    },
  );
  const requests = fc.sample(
    fc.record({
      route: fc.constantFrom(...ASKED),
      method: fc.oneof(
        { weight: 9, arbitrary: fc.constant(undefined) },
        { weight: 1, arbitrary: fc.constantFrom('GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS') },
      ),
      id,
      more: fc.oneof(
        { weight: 9, arbitrary: fc.constant('') },
        {
          weight: 1,
          arbitrary: fc.constantFrom(
            '/',
            '/more',
            '?after=-1',
            '?after=1e99',
            '?find=%00',
            '?find=%25&job=x',
            '?after=x&after=%00',
            '#x',
          ),
        },
      ),
      odd: ODD,
      whole: fc.boolean(),
      picks: fc.array(fc.nat(1_000), { minLength: 24, maxLength: 24 }),
      type: fc.oneof(
        { weight: 19, arbitrary: fc.constant('application/json') },
        { weight: 1, arbitrary: fc.constantFrom('text/plain', 'application/json; charset=utf-16', '') },
      ),
    }),
    { numRuns: REQUESTS, seed: SEED },
  );
  const statuses = new Map<number, number>();
  const wrong: string[] = [];
  const one = async ({
    route,
    method = route.method,
    id: asked,
    more,
    odd,
    whole,
    picks,
    type,
  }: (typeof requests)[number]): Promise<void> => {
    const path = route.path.replace(/:\w+/g, asked) + more;
    const left = [...picks];
    const text =
      whole && good[route.path] !== undefined && picks[0] !== undefined && picks[0] % 4 === 0
        ? JSON.stringify(good[route.path])
        : spoiled(good[route.path] ?? {}, (most) => (left.pop() ?? 0) % most, odd);
    const sends = method !== 'GET' && method !== 'OPTIONS';
    const response = await fetch(app.url + path, {
      method,
      headers: { origin: app.url, ...(sends && type ? { 'content-type': type } : {}) },
      ...(sends ? { body: text } : {}),
    });
    // What goes on for ever is left as soon as it has begun.
    const goesOn = response.headers.get('content-type') === 'text/event-stream';
    const body = goesOn ? '' : await response.text();
    if (goesOn) await response.body?.cancel();
    statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1);
    const kind = response.headers.get('content-type') ?? '';
    const isProblem = kind === 'application/problem+json' && body.includes('"problems":[{');
    // 503 says to try again later, and may be said by a machine that is slow.
    if ((response.status >= 500 && response.status !== 503) || (response.status >= 400 && !isProblem))
      wrong.push(
        `${response.status} ${kind} ${method} ${path} ${text.slice(0, 300)} → ${body.slice(0, 200)}`,
      );
  };
  const queue = [...requests];
  await Promise.all(
    Array.from({ length: 8 }, async () => {
      for (let next = queue.pop(); next; next = queue.pop()) await one(next);
    }),
  );
  expect(wrong.slice(0, 12)).toEqual([]);
  // It came everywhere: what is fine, what is not there, what is not so, what is not done.
  for (const status of [200, 400, 404, 405, 409, 415, 422])
    expect(statuses.get(status) ?? 0).toBeGreaterThan(5);
  expect((await app.send('DELETE', '/api/demo', {})).status).toBe(200);
  expect((await fetch(`${app.url}/api/health`)).status).toBe(200);
}, 180_000);
