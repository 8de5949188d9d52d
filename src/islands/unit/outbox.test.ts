import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BenchEvent } from '../../core/bench';
import type { Problem } from '../../core/quantity';
import { Outbox } from './outbox';

/** A browser's storage, as far as the outbox needs it. */
class Storage {
  readonly kept = new Map<string, string>();
  getItem = (key: string): string | null => this.kept.get(key) ?? null;
  setItem = (key: string, value: string): void => void this.kept.set(key, value);
  removeItem = (key: string): void => void this.kept.delete(key);
}

type Sent = { readonly path: string; readonly ids: readonly string[] };
type Answer = { status: number; body: (ids: readonly string[]) => unknown } | 'no answer';

const takeAll: Answer = { status: 200, body: (ids) => ({ taken: ids, refused: [] }) };
const away: Answer = {
  status: 503,
  body: () => ({ problems: [{ code: 'database.away', says: 'away', path: '' }] }),
};

let storage: Storage;
let sent: Sent[];
let answers: Answer[];
let refused: Problem[];

beforeEach(() => {
  vi.useFakeTimers();
  storage = new Storage();
  sent = [];
  answers = [];
  refused = [];
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
    const document = JSON.parse(body) as { events?: { id: string }[]; readings?: { id: string }[] };
    const ids = [...(document.events ?? []), ...(document.readings ?? [])].map((each) => each.id);
    sent.push({ path, ids });
    const answer = answers.shift() ?? takeAll;
    if (answer === 'no answer') return Promise.reject(new Error('refused'));
    return Promise.resolve(new Response(JSON.stringify(answer.body(ids)), { status: answer.status }));
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const outbox = (): Outbox =>
  new Outbox(
    'u1',
    () => Promise.resolve(),
    (problem) => refused.push(problem),
  );
const event = (id: string): BenchEvent => ({
  id,
  kind: 'done',
  operation: 'cut-W1',
  at: '2026-03-02T10:00:00Z',
});
const reading = (id: string) => ({
  id,
  probe: 'A.1~B.1',
  answer: { kind: 'beep' as const },
  at: '2026-03-02T10:00:00Z',
});
const waiting = (box: Outbox): string[] =>
  [...box.snapshot().readings, ...box.snapshot().events].map((each) => each.id);

describe('what waits to be sent', () => {
  it('is kept before it is sent, and forgotten once it is taken', async () => {
    const box = outbox();
    box.add({ events: [event('e1')] });
    expect(storage.kept.get('antler.unit.u1')).toContain('e1');
    await vi.runAllTimersAsync();
    expect(sent).toEqual([{ path: '/api/units/u1/events', ids: ['e1'] }]);
    expect(waiting(box)).toEqual([]);
    expect(storage.kept.size).toBe(0);
  });

  it('goes in order, readings before events, and what is added meanwhile goes after', async () => {
    const box = outbox();
    box.add({ events: [event('e1')], readings: [reading('r1')] });
    box.add({ events: [event('e2')] });
    await vi.runAllTimersAsync();
    expect(sent.map((each) => each.path.split('/').at(-1))).toEqual(['readings', 'events']);
    expect(sent.flatMap((each) => each.ids)).toEqual(['r1', 'e1', 'e2']);
  });

  it.each([
    ['the database is away', away],
    ['nothing answers', 'no answer' as const],
  ])('is sent again while %s, with the same ids', async (_, trouble) => {
    answers = [trouble, trouble];
    const box = outbox();
    box.add({ events: [event('e1')] });
    await vi.advanceTimersByTimeAsync(0);
    expect(waiting(box)).toEqual(['e1']);
    await vi.advanceTimersByTimeAsync(10_000);
    expect(sent.map((each) => each.ids)).toEqual([['e1'], ['e1'], ['e1']]);
    expect(waiting(box)).toEqual([]);
    expect(refused).toEqual([]);
  });

  it('outlives the window', async () => {
    answers = ['no answer'];
    const before = outbox();
    before.add({ events: [event('e1')], readings: [reading('r1')] });
    await vi.advanceTimersByTimeAsync(0);
    before.stop();
    const after = outbox();
    expect(waiting(after)).toEqual(['r1', 'e1']);
    await after.send();
    expect(waiting(after)).toEqual([]);
    expect(storage.kept.size).toBe(0);
  });

  it('goes in pieces that the server takes', async () => {
    const box = outbox();
    box.add({ events: Array.from({ length: 230 }, (_, n) => event(`e${n}`)) });
    await vi.runAllTimersAsync();
    expect(sent.map((each) => each.ids.length)).toEqual([100, 100, 30]);
  });

  it('is dropped when it is refused, with the reason told, and the rest goes on', async () => {
    const problem = { code: 'bench.gate', says: 'Not yet.', path: 'operation' };
    answers = [{ status: 200, body: () => ({ taken: ['e2'], refused: [{ id: 'e1', problem }] }) }];
    const box = outbox();
    box.add({ events: [event('e1'), event('e2')] });
    await vi.runAllTimersAsync();
    expect(refused).toEqual([problem]);
    expect(waiting(box)).toEqual([]);
  });

  it('is not sent for ever when the server will never take it', async () => {
    answers = [
      { status: 422, body: () => ({ problems: [{ code: 'shape', says: 'No.', path: 'events[0].at' }] }) },
    ];
    const box = outbox();
    box.add({ events: [event('e1')] });
    await vi.runAllTimersAsync();
    expect(sent).toHaveLength(1);
    expect(refused.map((each) => each.says)).toEqual(['No.']);
    expect(waiting(box)).toEqual([]);
  });

  it('tells who listens', () => {
    const box = outbox();
    const heard = vi.fn();
    const stop = box.subscribe(heard);
    box.add({ events: [event('e1')] });
    expect(heard).toHaveBeenCalled();
    const times = heard.mock.calls.length;
    stop();
    box.add({ events: [event('e2')] });
    expect(heard.mock.calls.length).toBe(times);
  });

  it('storage that holds something unreadable counts as empty', () => {
    storage.kept.set('antler.unit.u1', '{half');
    expect(waiting(outbox())).toEqual([]);
  });
});
