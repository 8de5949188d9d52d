import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, it } from 'vitest';
import { readManifest } from '../../src/server/backup';
import { openWindow, taken } from '../support/browser';
import { PLAIN_INTENT } from '../support/intents';
import { running } from '../support/running';

const here = running();

it('a lead is put away, found again, brought back; one that was never built is deleted', async () => {
  const { page, context, troubles } = await openWindow(here.browser);
  const bridge = page.getByRole('link', { name: /Marionette bridge microphone/ });
  await page.goto(here.app.url);
  await bridge.first().click();
  await page.waitForURL(/\/lead\//);
  await page.getByRole('link', { name: 'log' }).click();
  await page.getByRole('button', { name: 'Put away Marionette bridge microphone' }).click();
  await page.getByText('It is put away').waitFor();
  await page.goto(here.app.url);
  await page.getByText('Put away: 1 lead.').waitFor();
  expect(await bridge.count()).toBe(0);
  await page.getByLabel('Find').fill('bridge');
  await bridge.first().waitFor();
  await page.getByLabel('Find').fill('');
  await page.getByRole('button', { name: 'Show what is put away' }).click();
  await bridge.first().click();
  await page.waitForURL(/\/lead\//);
  await page.getByRole('link', { name: 'log' }).click();
  await page.getByRole('button', { name: 'Bring back' }).click();
  await page.getByText('It hangs on the board').waitFor();
  await page.getByRole('button', { name: /^Delete/ }).click();
  await page.getByRole('button', { name: /^Keep/ }).click();
  await page.getByRole('button', { name: /^Delete/ }).click();
  await page.getByRole('button', { name: /for good/ }).click();
  await page.getByText('Tablet to the desk, mono').first().waitFor();
  expect(await bridge.count()).toBe(0);
  // One that was built is not to be deleted.
  await page
    .getByRole('link', { name: /Rack patch, TRS/ })
    .first()
    .click();
  await page.waitForURL(/\/lead\//);
  await page.getByRole('link', { name: 'log' }).click();
  await page.getByRole('button', { name: /^Put away/ }).waitFor();
  expect(await page.getByRole('button', { name: /^Delete/ }).count()).toBe(0);
  expect(troubles).toEqual([]);
  await context.close();
});

it('what is deleted is asked for no more, though the house tells of it before the answer is here', async () => {
  const { page, context, troubles } = await openWindow(here.browser);
  const [jobId, id] = [randomUUID(), randomUUID()];
  await here.app.send('POST', '/api/jobs', { id: jobId, name: 'For a lead that goes', note: '' });
  await here.app.send('POST', '/api/leads', { id, jobId, name: 'Never built', intent: PLAIN_INTENT });
  await page.goto(`${here.app.url}/lead/${id}/log`);
  await taken(page);
  await context.route(`**/api/leads/${id}`, async (route) => {
    if (route.request().method() !== 'DELETE') return route.fallback();
    const answer = await route.fetch();
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    return route.fulfill({ response: answer });
  });
  await page.getByRole('button', { name: /^Delete/ }).click();
  await page.getByRole('button', { name: /for good/ }).click();
  await page.waitForURL(`${here.app.url}/`);
  await page.getByRole('heading', { level: 2 }).first().waitFor();
  expect(troubles).toEqual([]);
  await context.close();
  await here.app.send('DELETE', `/api/jobs/${jobId}`, undefined);
});

it('the house is downloaded whole, and the demo left behind in one act', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'antler-house-'));
  const { page, context, troubles } = await openWindow(here.browser);
  await page.goto(`${here.app.url}/workshop`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download a backup' }).click(),
  ]);
  const file = path.join(folder, download.suggestedFilename());
  await download.saveAs(file);
  expect((await readManifest(file)).counts).toMatchObject({ job: 2, lead: 15, unit: 8 });
  rmSync(folder, { recursive: true });

  await page.goto(here.app.url);
  await page.getByLabel('New job').fill('Ours');
  await page.getByRole('button', { name: 'Hang it up' }).click();
  await page.getByRole('heading', { name: 'Ours' }).waitFor();
  await page.getByRole('button', { name: 'Leave the demo behind' }).click();
  await page.getByRole('button', { name: 'Leave it here' }).click();
  await page.getByRole('button', { name: 'Leave the demo behind' }).click();
  await page.getByRole('button', { name: 'Take the demo out' }).click();
  await page.getByText('Taken out: 2 jobs, 15 leads, 8 units.').waitFor();
  expect(await page.getByRole('heading', { level: 2 }).allInnerTexts()).toEqual(['Ours']);
  expect(await page.getByRole('button', { name: 'Leave the demo behind' }).count()).toBe(0);
  await page.getByRole('button', { name: 'Delete Ours' }).click();
  await page.getByRole('button', { name: /for good/ }).click();
  await page.getByText('Start by naming the first job below').waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});
