import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, beforeEach } from 'vitest';
import { runApp, type RunningApp } from './app';
import { openBrowser, openWindow } from './browser';
import { throwawayDatabase } from './database';

export interface Running {
  database: Awaited<ReturnType<typeof throwawayDatabase>>;
  /** The one that answers: a test that stops it puts the next one here. */
  app: RunningApp;
  browser: Browser;
}

/** The app on a house of its own, and a browser, while one file of tests runs: there before its own `beforeAll`. */
export function running({
  seeded = true,
  env = () => ({}),
  browserArgs = [],
}: {
  /** With the demo in it. */
  readonly seeded?: boolean;
  readonly env?: () => Record<string, string> | Promise<Record<string, string>>;
  readonly browserArgs?: readonly string[];
} = {}): Running {
  const here = {} as Running;
  beforeAll(async () => {
    here.database = await throwawayDatabase({ seeded });
    [here.app, here.browser] = await Promise.all([
      runApp(here.database.url, { env: await env() }),
      openBrowser(...browserArgs),
    ]);
  });
  afterAll(async () => {
    await here.browser.close();
    await here.app.stop();
    await here.database.drop();
  });
  return here;
}

/**
 * One window for all the tests of a `describe` that need none of their own: opening one, with nothing of the app in its cache,
 * takes longer than most of what is looked at in it. What went wrong in it is that of one test.
 */
export function oneWindow(here: Running): { page: Page; readonly troubles: string[] } {
  const window = { troubles: [] as string[] } as { page: Page; troubles: string[] };
  let close: () => Promise<void>;
  beforeAll(async () => {
    const opened = await openWindow(here.browser);
    Object.assign(window, { page: opened.page, troubles: opened.troubles });
    close = () => opened.context.close();
  });
  beforeEach(async () => {
    await window.page.goto('about:blank');
    window.troubles.length = 0;
  });
  afterAll(() => close());
  return window;
}
