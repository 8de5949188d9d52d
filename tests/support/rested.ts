import type { Browser, BrowserContext, BrowserContextOptions, Page } from 'playwright-core';

/** A closed window: its cache is kept, and where it was. */
interface Rested {
  readonly context: BrowserContext;
  readonly origins: ReadonlySet<string>;
}

const RESTED = new WeakMap<Browser, Map<string, Rested[]>>();

function restedOf(browser: Browser, kind: BrowserContextOptions): Rested[] {
  const all = RESTED.get(browser) ?? new Map<string, Rested[]>();
  RESTED.set(browser, all);
  const name = JSON.stringify(kind);
  const own = all.get(name) ?? [];
  all.set(name, own);
  return own;
}

/** A window that was closed before, emptied of all that was kept in it; undefined where there is none. Loading the app anew takes most of a short test. */
export async function hadContext(
  browser: Browser,
  kind: BrowserContextOptions,
): Promise<{ readonly context: BrowserContext; readonly page: Page } | undefined> {
  const rested = restedOf(browser, kind).pop();
  if (!rested) return undefined;
  const { context, origins } = rested;
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  for (const origin of origins)
    await session.send('Storage.clearDataForOrigin', {
      origin,
      storageTypes: 'cookies,local_storage,indexeddb,cache_storage,service_workers',
    });
  await session.detach();
  return { context, page };
}

/** A context that rests when it is closed, instead of going with all that it has in its cache. */
export function restingWhenClosed(
  browser: Browser,
  kind: BrowserContextOptions,
  context: BrowserContext,
): BrowserContext {
  const origins = new Set<string>();
  context.on('page', (page) =>
    page.on('framenavigated', (frame) => {
      const { origin, protocol } = new URL(frame.url());
      if (protocol === 'http:') origins.add(origin);
    }),
  );
  context.close = async () => {
    context.removeAllListeners('request');
    for (const page of context.pages()) await page.close();
    // What one test held up is not held up in the next.
    await context.unrouteAll({ behavior: 'ignoreErrors' });
    restedOf(browser, kind).push({ context, origins });
  };
  return context;
}
