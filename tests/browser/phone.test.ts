import type { Page } from 'playwright-core';
import { expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import type { LeadSheet } from '../../src/server/leads/service';
import type { WireUnit } from '../../src/server/units/wire';
import { acknowledged, bigWords, moved, openWindow, stand } from '../support/browser';
import { running } from '../support/running';

/** What the phone calls the machine that serves: over plain http that is no secure context. */
const HOST = 'antler.workshop';

const here = running({
  env: () => ({ ANTLER_NAMES: HOST }),
  browserArgs: [`--host-resolver-rules=MAP ${HOST} 127.0.0.1`],
});

/** Taps the way on, at the bench: what is on, what is done, what is cool. */
async function onward(page: Page): Promise<void> {
  const before = await stand(page);
  if (/is closed: /.test(before)) {
    await page.getByRole('button', { name: 'To the meter' }).tap();
    await page.getByRole('button', { name: 'Yes, so' }).tap();
    await page.getByRole('button', { name: 'Measured: go on' }).tap();
    await page.waitForURL(/\/bench$/);
    await moved(page, before);
    return;
  }
  const cool = page.getByRole('button', { name: 'It is cool already' });
  if (await cool.isVisible()) await cool.tap();
  else
    await page
      .getByRole('button', { name: /^(Done|The .* is on|To the meter|Proven: go on|Enter it in the log)$/ })
      .tap();
  if (!/\/prove$/.test(page.url()) && !/To the meter/.test(before))
    await moved(page, before).catch(() => undefined);
}

it('a phone on plain http starts a lead, works at the bench, proves it and enters it in the log', async () => {
  const { page, context, troubles } = await openWindow(here.browser, { width: 390, touch: true, host: HOST });
  const [job] = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
  const lead = job?.leads.find(({ name }) => name === 'Marionette bridge microphone')?.id ?? '';
  await page.goto(`http://${HOST}:${here.app.port}/lead/${lead}/bench`);
  expect(await page.evaluate(() => [isSecureContext, 'randomUUID' in crypto, 'locks' in navigator])).toEqual([
    false,
    false,
    false,
  ]);
  await page.getByLabel('Built by').fill('Nell');
  await page.getByRole('button', { name: 'Start a lead' }).tap();
  await page.waitForURL(/\/unit\/.*\/bench$/);
  await page.getByText(/Step 1 of/).waitFor();
  await page.getByRole('button', { name: 'Note' }).tap();
  await page.getByLabel('Note for this step').fill('by thumb');
  await page.keyboard.press('Enter');
  await page.getByText('by thumb').waitFor();
  for (let taps = 0; taps < 120 && !/Prove the lead/.test(await bigWords(page)); taps++) await onward(page);
  await page.getByRole('button', { name: 'To the meter' }).tap();
  await page.waitForURL(/\/prove$/);
  await page
    .getByText(/Red on/i)
    .first()
    .waitFor();
  for (let probes = 0; probes < 40; probes++) {
    const words = (await bigWords(page)).replace(/\s+/g, ' ');
    if (!/^red on/i.test(words)) break;
    await page
      .getByRole('button', { name: /A\.(\d) black on B\.\1/.test(words) ? 'Beep' : 'No beep', exact: true })
      .tap();
    await page.waitForFunction(
      (was) => document.querySelector<HTMLElement>('main h2')?.innerText.replace(/\s+/g, ' ') !== was,
      words,
    );
  }
  await page
    .getByRole('button', { name: /go on|Back to the bench|Proven/i })
    .first()
    .tap();
  await page.waitForURL(/\/bench$/);
  for (let taps = 0; taps < 20 && !/In the log/.test(await page.locator('main').innerText()); taps++)
    await onward(page);
  await acknowledged(page);
  const sheet = (await (await fetch(`${here.app.url}/api/leads/${lead}`)).json()) as LeadSheet;
  expect(sheet.units).toMatchObject([{ builder: 'Nell', stage: 'logged' }]);
  const unit = (await (
    await fetch(`${here.app.url}/api/units/${sheet.units[0]?.id ?? ''}`)
  ).json()) as WireUnit;
  expect(unit.events.filter(({ kind }) => kind === 'note').map(({ text }) => text)).toEqual(['by thumb']);
  expect(unit.readings.length).toBeGreaterThanOrEqual(unit.plan.probes.length);
  expect(troubles).toEqual([]);
  await context.close();
});
