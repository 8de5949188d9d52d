import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Storage } from '../../../tests/support/storage';
import { keepPieces, newId, piecesAbout } from '../kept';
import { fateOf } from '../kept/fate';
import type { Outbox } from '../kept/outbox';
import { unitOutbox, type SentRecord } from './records';
import { ApiProblem } from '../app';

interface Answer {
  readonly status: number;
  readonly body: (ids: readonly string[]) => unknown;
}
const takeAll: Answer = { status: 200, body: (ids) => ({ taken: ids, refused: [] }) };
const says = (status: number, path = ''): Answer => ({
  status,
  body: () => ({ problems: [{ code: 'x', says: `No: ${status}.`, path }] }),
});
/** Answers a list that holds this id as a whole, and any other list by taking it. */
const unless = (bad: string, answer: Answer) => (ids: readonly string[]) =>
  ids.includes(bad) ? answer : takeAll;

let storage: Storage;
let sent: (readonly string[])[];
let answer: (ids: readonly string[]) => Answer | 'no answer';
let unit: string;
const open: (() => void)[] = [];

beforeEach(() => {
  // Only the waiting between two attempts: the browser's database has its own clock.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  storage = new Storage();
  sent = [];
  answer = () => takeAll;
  unit = newId();
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('sessionStorage', new Storage());
  vi.stubGlobal('addEventListener', () => undefined);
  vi.stubGlobal('removeEventListener', () => undefined);
  vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
    expect(path).toBe(`/api/units/${unit}/records`);
    const ids = (JSON.parse(body) as { records: { id: string }[] }).records.map((each) => each.id);
    sent.push(ids);
    const what = answer(ids);
    if (what === 'no answer') return Promise.reject(new Error('refused'));
    return Promise.resolve(new Response(JSON.stringify(what.body(ids)), { status: what.status }));
  });
});
afterEach(() => {
  for (const stop of open.splice(0)) stop();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function outbox(): Outbox<SentRecord> {
  const box = unitOutbox(unit, () => Promise.resolve());
  open.push(box.start());
  return box;
}
const event = (id: string): SentRecord => ({
  is: 'event',
  id,
  kind: 'done',
  operation: 'cut-W1',
  at: '2026-03-02T10:00:00Z',
});
const ofKind = (id: string, kind: 'wrong' | 'undo' | 'mended'): SentRecord => ({
  ...event(id),
  is: 'event',
  kind,
  ...(kind === 'wrong' ? { text: 'cut too short' } : {}),
});
const reading = (id: string): SentRecord => ({
  is: 'reading',
  id,
  probe: 'A.1~B.1',
  answer: { kind: 'beep' },
  at: '2026-03-02T10:00:00Z',
});
const ids = (n: number): string[] => Array.from({ length: n }, newId);
const waiting = (box: Outbox<SentRecord>): string[] => box.snapshot().records.map((each) => each.id);
/** Lets all that is under way come to its end, waiting included. */
async function settle(): Promise<void> {
  for (let n = 0; n < 16; n++) {
    for (let k = 0; k < 80; k++) await new Promise((resolve) => setImmediate(resolve));
    await vi.advanceTimersByTimeAsync(50_000);
  }
}
const onDisk = async (): Promise<string[]> => (await piecesAbout(`unit:${unit}`)).map((each) => each.id);

describe('what waits to be sent', () => {
  it('counts as kept when it is on the disk, and is forgotten once it is taken', async () => {
    const [e1 = ''] = ids(1);
    answer = () => says(503);
    const box = outbox();
    box.add([event(e1)]);
    // At once, before any disk has answered, it is where a reload finds it.
    expect(box.snapshot()).toMatchObject({ unkept: 1 });
    expect([...storage.kept.values()].join()).toContain(e1);
    await settle();
    expect(box.snapshot()).toMatchObject({ unkept: 0, records: [{ id: e1 }] });
    expect(await onDisk()).toEqual([e1]);
    expect(storage.kept.size).toBe(0);
    answer = () => takeAll;
    await settle();
    expect(waiting(box)).toEqual([]);
    expect(await onDisk()).toEqual([]);
  });

  it('goes in the order in which it was done, in lists that the server takes', async () => {
    const many = ids(230);
    const box = outbox();
    box.add(many.slice(0, 2).map((id, n) => (n === 0 ? event(id) : reading(id))));
    box.add(many.slice(2).map(event));
    await settle();
    expect(sent.flat()).toEqual(many);
    expect(Math.max(...sent.map((each) => each.length))).toBeLessThanOrEqual(100);
  });

  it.each([60, 0])(
    'what is taken back goes with what was wrong, %i records after the start',
    async (before) => {
      const [earlier, undone] = [ids(before), ids(90)];
      const [wrong = '', mended = ''] = ids(2);
      answer = () => 'no answer';
      const box = outbox();
      box.add(earlier.map(event));
      box.add([ofKind(wrong, 'wrong'), ...undone.map((id) => ofKind(id, 'undo')), ofKind(mended, 'mended')]);
      box.add(ids(3).map(event));
      await settle();
      answer = () => takeAll;
      sent = [];
      await settle();
      expect(sent.find((each) => each.includes(wrong))).toEqual(
        expect.arrayContaining([wrong, ...undone, mended]),
      );
      expect(sent.flat()).toHaveLength(before + 95);
    },
  );

  it('more than a hundred that go together are sent as one list, and by less where the server cannot take it', async () => {
    const undone = ids(230);
    const [wrong = ''] = ids(1);
    const group = [ofKind(wrong, 'wrong'), ...undone.map((id) => ofKind(id, 'undo'))];
    answer = (list) => (list.length > 150 ? says(413) : takeAll);
    const box = outbox();
    box.add(group);
    // So many are not on the disk in a moment.
    for (let n = 0; n < 20 && waiting(box).length > 0; n++) await settle();
    expect(sent[0]).toEqual([wrong, ...undone]);
    expect(sent.filter((each) => each.length <= 150).flat()).toEqual([wrong, ...undone]);
    expect(waiting(box)).toEqual([]);
  });

  it.each([
    ['the database is away', says(503)],
    ['the server stops', says(503)],
    ['something broke inside it', says(500)],
    ['it is too slow', says(408)],
    ['there is too much', says(413)],
    ['nothing answers', 'no answer' as const],
  ])('is sent again while %s, with the same ids', async (_, trouble) => {
    const [e1 = ''] = ids(1);
    answer = () => trouble;
    const box = outbox();
    box.add([event(e1)]);
    await settle();
    expect(waiting(box)).toEqual([e1]);
    expect(sent.length).toBeGreaterThan(2);
    answer = () => takeAll;
    await settle();
    expect(new Set(sent.flat())).toEqual(new Set([e1]));
    expect(waiting(box)).toEqual([]);
    expect(box.snapshot().refused).toEqual([]);
  });

  it('waits longer each time, and not all windows at the same moment', async () => {
    const waits: number[] = [];
    const timer = vi.spyOn(globalThis, 'setTimeout');
    answer = () => says(503);
    const box = outbox();
    box.add([event(newId())]);
    await settle();
    waits.push(...timer.mock.calls.map(([, wait]) => wait ?? 0).filter((wait) => wait >= 500));
    expect(waits.length).toBeGreaterThan(7);
    // 1 s doubled each time, from half of it to half as much again, and never more than 45 s.
    for (const [n, wait] of waits.entries()) {
      const middle = Math.min(30_000, 1_000 * 2 ** n);
      expect(wait).toBeGreaterThanOrEqual(middle * 0.5);
      expect(wait).toBeLessThanOrEqual(middle * 1.5);
    }
    expect(new Set(waits).size).toBe(waits.length);
    timer.mockRestore();
  });

  it.each([401, 403, 404])('is kept after %i, and not sent again until someone acts', async (status) => {
    const [e1 = '', e2 = ''] = ids(2);
    answer = () => says(status);
    const box = outbox();
    box.add([event(e1)]);
    await settle();
    box.add([event(e2)]);
    await settle();
    expect(sent).toHaveLength(1);
    expect(box.snapshot()).toMatchObject({ held: `No: ${status}.`, refused: [] });
    expect(waiting(box)).toEqual([e1, e2]);
    answer = () => takeAll;
    await box.release();
    await settle();
    expect(waiting(box)).toEqual([]);
    expect(sent.at(-1)).toEqual([e1, e2]);
  });

  it('that is refused is shown with what it was, and the rest goes on', async () => {
    const [e1 = '', e2 = ''] = ids(2);
    const problem = { code: 'bench.gate', says: 'Not yet.', path: 'operation' };
    answer = (list) => ({
      status: 200,
      body: () => ({
        taken: list.filter((id) => id !== e1),
        refused: list.includes(e1) ? [{ id: e1, problem }] : [],
      }),
    });
    const box = outbox();
    box.add([event(e1), event(e2)]);
    await settle();
    expect(waiting(box)).toEqual([]);
    expect(box.snapshot().refused).toMatchObject([{ record: { id: e1 }, says: 'Not yet.' }]);
    // It is there in the next window too, until it was seen.
    const next = outbox();
    await settle();
    expect(next.snapshot().refused).toHaveLength(1);
    await next.dismiss(e1);
    expect(await onDisk()).toEqual([]);
  });

  it('a list that is refused as a whole is split until the bad one is found', async () => {
    const many = ids(9);
    const bad = many[5] ?? '';
    answer = unless(bad, says(422, 'records[5].at'));
    const box = outbox();
    box.add(many.map(event));
    await settle();
    expect(waiting(box)).toEqual([]);
    expect(box.snapshot().refused.map(({ record }) => record.id)).toEqual([bad]);
    const taken = sent.filter((list) => !list.includes(bad)).flat();
    expect(new Set(taken)).toEqual(new Set(many.filter((id) => id !== bad)));
  });

  it('an id that stands for something else is the one that is named, and no other is dropped', async () => {
    const [e1 = '', e2 = ''] = ids(2);
    const problem = { code: 'id.taken', says: 'It stands for something else.', path: 'records[0].id' };
    answer = unless(e1, {
      status: 409,
      body: () => ({ problems: [problem], refused: [{ id: e1, problem }] }),
    });
    const box = outbox();
    box.add([event(e1), event(e2)]);
    await settle();
    expect(box.snapshot().refused.map(({ record }) => record.id)).toEqual([e1]);
    expect(sent.at(-1)).toEqual([e2]);
  });

  it('two windows on one unit never overwrite each other', async () => {
    answer = () => 'no answer';
    const [e1 = '', e2 = '', e3 = ''] = ids(3);
    const [one, other] = [outbox(), outbox()];
    one.add([event(e1)]);
    await settle();
    other.add([event(e2)]);
    await settle();
    one.add([event(e3)]);
    await settle();
    expect(await onDisk()).toEqual([e1, e2, e3]);
    answer = () => takeAll;
    await settle();
    expect(await onDisk()).toEqual([]);
    expect(sent.at(-1)).toEqual(expect.arrayContaining([e3]));
  });

  it('outlives its window, also where that was closed before the disk had it, and what pages of before kept', async () => {
    const [e1 = '', e2 = '', e3 = '', r3 = ''] = ids(4);
    await keepPieces([{ id: e1, about: `unit:${unit}`, body: event(e1), state: 'waiting' }]);
    storage.kept.set(`antler.unit.${unit} gone`, JSON.stringify([event(e2)]));
    const { is: _, ...before } = event(e3);
    const { is: __, ...readingBefore } = reading(r3);
    storage.kept.set(`antler.unit.${unit}`, JSON.stringify({ events: [before], readings: [readingBefore] }));
    const box = outbox();
    await settle();
    expect(new Set(sent.flat())).toEqual(new Set([e1, e2, r3, e3]));
    expect(sent.flat().indexOf(r3)).toBeLessThan(sent.flat().indexOf(e3));
    expect(waiting(box)).toEqual([]);
    expect(storage.kept.size).toBe(0);
  });

  it('is sent and said to be unkept where this browser will not keep it', async () => {
    const add = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    answer = () => 'no answer';
    const box = outbox();
    const [e1 = ''] = ids(1);
    box.add([event(e1)]);
    await settle();
    expect(box.snapshot()).toMatchObject({ unkept: 1, records: [{ id: e1 }] });
    expect(box.snapshot().trouble).toContain('do not close this window');
    answer = () => takeAll;
    await settle();
    expect(box.snapshot()).toMatchObject({ unkept: 0, records: [], trouble: undefined });
    add.mockRestore();
  });

  it('storage that holds something unreadable counts as empty', async () => {
    storage.kept.set(`antler.unit.${unit}`, '{half');
    const box = outbox();
    await settle();
    expect(waiting(box)).toEqual([]);
  });
});

it.each([
  [new Error('anything'), 'again'],
  [new ApiProblem(0, []), 'again'],
  [new ApiProblem(500, []), 'again'],
  [new ApiProblem(507, []), 'again'],
  [new ApiProblem(413, []), 'smaller'],
  [new ApiProblem(401, []), 'held'],
  [new ApiProblem(405, []), 'held'],
  [new ApiProblem(409, []), 'held'],
  [new ApiProblem(409, [], { refused: [] }), 'named'],
  [new ApiProblem(400, []), 'split'],
])('an error means for what was sent, by its status: %j', (error, fate) => expect(fateOf(error)).toBe(fate));
