import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cluster, ensureDatabase, startCluster, stopCluster } from '../../scripts/lib/postgres.mjs';
import { gone } from '../../scripts/lib/run.mjs';
import { prepareDatabase } from '../../scripts/lib/app.mjs';
import { runApp, type RunningApp } from '../support/app';
import { acknowledged, bigWords, forward, openBrowser, openWindow, workUntil } from '../support/browser';

/** A database and an app of their own, since these are killed. */
let folder: string;
let own: ReturnType<typeof cluster>;
let database: Awaited<ReturnType<typeof startCluster>>;
let app: RunningApp;
let browser: Browser;

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'antler-crash-'));
  chmodSync(folder, 0o755);
  own = cluster(process.env['ANTLER_TEST_POSTGRES'], folder);
  database = await startCluster(own);
  ensureDatabase(database, 'antler');
  prepareDatabase(database.url('antler'), 'migrate', 'seed');
  app = await runApp(database.url('antler'));
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
  await app.stop();
  await stopCluster(database);
  rmSync(folder, { recursive: true, force: true });
});

/** Every event id that the page has sent and the server has answered for. */
function watchAcknowledged(page: Awaited<ReturnType<typeof openWindow>>['page']): string[] {
  const ids: string[] = [];
  page.on('response', (response) => {
    if (response.request().method() === 'POST' && /\/records$/.test(response.url()) && response.ok())
      void response.json().then(
        (body: { taken: string[] }) => ids.push(...body.taken),
        () => undefined,
      );
  });
  return ids;
}

async function startUnit(
  page: Awaited<ReturnType<typeof openWindow>>['page'],
  lead: RegExp,
): Promise<string> {
  await page.goto(app.url);
  await page.getByRole('link', { name: lead }).first().click();
  await page.getByRole('link', { name: 'bench', exact: true }).click();
  await page.getByLabel('Built by').fill('Nell');
  await page.getByRole('button', { name: 'Start a lead' }).click();
  await page.waitForURL(/\/unit\//);
  await page.waitForFunction(() => /Step 1 of/.test(document.body.innerText));
  return /unit\/([^/]+)/.exec(page.url())?.[1] ?? '';
}

async function storedIds(unit: string): Promise<string[]> {
  const sheet = (await (await fetch(`${app.url}/api/units/${unit}`)).json()) as {
    events: { id: string }[];
    readings: { id: string }[];
  };
  return [...sheet.events, ...sheet.readings].map((each) => each.id);
}

const expectAllOnce = async (unit: string, ids: readonly string[]): Promise<void> => {
  const stored = await storedIds(unit);
  expect(ids.length).toBeGreaterThan(3);
  for (const id of ids) expect(stored.filter((each) => each === id)).toHaveLength(1);
};

describe('what was acknowledged is there, exactly once', () => {
  it('after kill -9 of the app', async () => {
    const { page, context } = await openWindow(browser, { expectTrouble: true });
    const ids = watchAcknowledged(page);
    const unit = await startUnit(page, /Marionette bridge/);
    await workUntil(page, /Strip 22 mm/);
    await acknowledged(page);
    await app.stop('SIGKILL');
    // The builder goes on meanwhile; what is done waits in the window.
    await forward(page);
    const words = await bigWords(page);
    await page.getByText('waiting to be sent').waitFor();
    app = await runApp(database.url('antler'), { port: app.port });
    await acknowledged(page);
    await expectAllOnce(unit, ids);
    await page.reload();
    await page.waitForFunction((was) => document.querySelector('main h2')?.textContent === was, words);
    await context.close();
  });

  it('after kill -9 of the database’s postmaster', async () => {
    const { page, context } = await openWindow(browser, { expectTrouble: true });
    const ids = watchAcknowledged(page);
    const unit = await startUnit(page, /Choir desk/);
    await workUntil(page, /Strip 22 mm/);
    await acknowledged(page);
    const { pid } = database.child;
    database.child.kill('SIGKILL');
    await gone(pid, 5_000);
    await page.getByText('The database is away').waitFor();
    expect((await fetch(`${app.url}/api/health`)).status).toBe(503);
    await forward(page);
    database = await startCluster(own, database.port);
    await page.getByText('The database is away').waitFor({ state: 'detached', timeout: 60_000 });
    // It is the same app: a database that goes takes nothing with it.
    expect([app.child.exitCode, app.child.signalCode]).toEqual([null, null]);
    await acknowledged(page);
    await expectAllOnce(unit, ids);
    await context.close();
  });
});

describe('the database stopped and started under the app', () => {
  it('pages say so, keep what is done, and recover by themselves; health follows', async () => {
    const { page, context } = await openWindow(browser, { expectTrouble: true });
    const unit = await startUnit(page, /Stage box to desk/);
    await acknowledged(page);
    await stopCluster(database);
    expect((await fetch(`${app.url}/api/health`)).status).toBe(503);
    expect(await (await fetch(`${app.url}/api/board`)).json()).toMatchObject({
      status: 503,
      problems: [{ code: 'database.away' }],
    });
    await page.getByText('The database is away').waitFor();
    const before = (await bigWords(page)).slice(0, 3);
    expect(before).toBe('Cut');
    await forward(page);
    await page.reload();
    await page.getByText('The database is away').waitFor();
    database = await startCluster(own, database.port);
    await page.waitForFunction(() => /Thread on at end A/.test(document.body.innerText), undefined, {
      timeout: 60_000,
    });
    await acknowledged(page);
    await expect.poll(async () => (await storedIds(unit)).length).toBeGreaterThanOrEqual(2);
    expect((await fetch(`${app.url}/api/health`)).status).toBe(200);

    const edit = await openWindow(browser, { expectTrouble: true });
    await edit.page.goto(app.url);
    await edit.page
      .getByRole('link', { name: /Cello pickup/ })
      .first()
      .click();
    await edit.page.getByLabel('length').waitFor();
    await stopCluster(database);
    await edit.page.getByLabel('length').fill('5 m');
    await edit.page.getByText('Kept in this window; sent when the server is back.').waitFor();
    database = await startCluster(own, database.port);
    await edit.page.getByText('Saved, revision 2.').waitFor({ timeout: 60_000 });
    await Promise.all([context.close(), edit.context.close()]);
  });
});
