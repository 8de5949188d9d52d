import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Storage } from '../../../tests/support/storage';
import { database } from './database';
import { newId } from '.';

/** One browser: its storage, and the pages that are loaded into its windows, each with modules of its own. */
let local: Storage;
beforeEach(() => {
  local = new Storage();
  vi.stubGlobal('localStorage', local);
});
afterEach(() => vi.unstubAllGlobals());

type Kept = typeof import('.');
/** Loads a page in a window: a new one, or one that is loaded again. */
async function page(session = new Storage()): Promise<Kept & { session: Storage }> {
  vi.resetModules();
  vi.stubGlobal('sessionStorage', session);
  const kept = await import('.');
  // Each window has its own: what is asked of it later must find this one.
  kept.windowId();
  return { ...kept, session };
}
const gone = () =>
  vi.stubGlobal(
    'BroadcastChannel',
    class {
      onmessage = null;
      postMessage(): void {
        /* nobody hears */
      }
    },
  );

describe('a draft', () => {
  beforeEach(gone);

  it('is there again at once after a reload, and gone when it is let go', async () => {
    const about = `note:${newId()}`;
    const one = await page();
    const first = one.draft<string>(about);
    first.write('warm joint');
    expect(first.read()).toBe('warm joint');
    const again = (await page(one.session)).draft<string>(about);
    expect(again.read()).toBe('warm joint');
    again.write(undefined);
    expect(await again.settled()).toBe(true);
    expect((await page(one.session)).draft<string>(about).read()).toBeUndefined();
  });

  it('counts as settled when the disk has it, and is found there where the quick storage lost it', async () => {
    const about = `lead:${newId()}`;
    const one = await page();
    const kept = one.draft<{ name: string }>(about);
    kept.write({ name: 'Bridge' });
    expect(await kept.settled()).toBe(true);
    const stored = await (await database()).getAllFromIndex('drafts', 'about', about);
    expect(stored.map((each) => each.value)).toEqual([{ name: 'Bridge' }]);
    local.kept.clear();
    const again = (await page(one.session)).draft<{ name: string }>(about);
    expect(again.read()).toBeUndefined();
    expect(await again.adopt()).toEqual({ name: 'Bridge' });
    expect(again.read()).toEqual({ name: 'Bridge' });
  });

  it('of a window that is gone is taken over by the next, once', async () => {
    const about = `new:${newId()}`;
    const lost = (await page()).draft<string>(about);
    lost.write('half said');
    await lost.settled();
    const next = (await page()).draft<string>(about);
    expect(next.read()).toBeUndefined();
    expect(await next.adopt()).toBe('half said');
    await next.settled();
    expect([...local.kept.keys()].filter((key) => key.includes(about))).toHaveLength(1);
  });

  it('is not overwritten by another window’s, and what this one has is not replaced', async () => {
    const about = `lead:${newId()}`;
    const one = (await page()).draft<string>(about);
    one.write('one');
    const other = (await page()).draft<string>(about);
    other.write('other');
    expect(await other.adopt()).toBeUndefined();
    expect(other.read()).toBe('other');
    expect([...local.kept.values()].join()).toContain('"one"');
  });

  it('that was let go does not come back from a disk that is slower', async () => {
    const about = `reading:${newId()}`;
    const here = await page();
    const kept = here.draft<string>(about);
    kept.write('0.5');
    await kept.settled();
    kept.write(undefined);
    await kept.settled();
    // The same field is asked again before the disk has heard: it still has what was there.
    await (await database()).put('drafts', { about, window: here.windowId(), value: '0.5', at: 1 });
    expect(await here.draft<string>(about).adopt()).toBeUndefined();
    expect(here.draft<string>(about).read()).toBeUndefined();
  });

  it('is kept at once where the browser has no database, and said not to be kept where it has nothing', async () => {
    const about = `note:${newId()}`;
    const kept = (await page()).draft<string>(about);
    vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new DOMException('no', 'SecurityError');
    });
    kept.write('only here');
    expect(await kept.settled()).toBe(true);
    local.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    kept.write('nowhere');
    expect(await kept.settled()).toBe(false);
    vi.restoreAllMocks();
  });
});

it('windows that are open keep their own; a duplicated one takes another id', async () => {
  vi.unstubAllGlobals();
  vi.stubGlobal('localStorage', local);
  const about = `lead:${newId()}`;
  const one = await page();
  const first = one.windowId();
  one.draft<string>(about).write('mine');
  const copy = new Storage();
  copy.setItem('antler.window', first);
  const other = await page(copy);
  expect(other.windowId()).toBe(first);
  // The first page answers with the id that it has: its storage is that of its own window.
  expect(await other.draft<string>(about).adopt()).toBeUndefined();
  expect(other.windowId()).not.toBe(first);
});

it('ids are UUIDs of version 4, and no two alike', () => {
  const many = Array.from({ length: 500 }, newId);
  expect(new Set(many).size).toBe(500);
  for (const id of many)
    expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});
