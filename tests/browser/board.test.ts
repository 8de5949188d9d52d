import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import { atFirstStep, forward, openWindow } from '../support/browser';
import { PLAIN_INTENT } from '../support/intents';
import { running } from '../support/running';

const here = running({ seeded: false });

const jobs = async (): Promise<BoardJob[]> =>
  (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];

describe('an empty board', () => {
  it('says what belongs there, takes a first job by name, and refuses one without', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByText('Jobs and their leads hang here').waitFor();
    await page.getByRole('button', { name: 'Hang it up' }).click();
    await page.getByText('The job needs a name.').waitFor();
    await page.getByLabel('New job').fill('Harvest fair');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Harvest fair' }).waitFor();
    await page.getByText('No leads yet. Add one by saying what it is for.').waitFor();
    expect(await page.getByLabel('New job').inputValue()).toBe('');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a lead added in another window hangs there within seconds', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByText('No leads yet').waitFor();
    const [job] = await jobs();
    await here.app.send('POST', '/api/leads', {
      id: randomUUID(),
      jobId: job?.id,
      name: 'Fiddle',
      intent: PLAIN_INTENT,
    });
    await page.getByRole('link', { name: /Fiddle/ }).waitFor({ timeout: 15_000 });
    await context.close();
  });

  it('finds by name, by what it is for, and by “/”', async () => {
    const [job] = await jobs();
    await here.app.send('POST', '/api/leads', {
      id: randomUUID(),
      jobId: job?.id,
      name: 'Drum',
      intent: { ...PLAIN_INTENT, surroundings: 'rack' },
    });
    const { page, context } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: /Drum/ }).waitFor();
    await page.keyboard.press('/');
    await page.keyboard.type('in a rack');
    await expect.poll(() => page.getByRole('link', { name: /Fiddle/ }).count()).toBe(0);
    expect(await page.getByRole('link', { name: /Drum/ }).count()).toBe(1);
    await page.getByLabel('Find').fill('fiddle');
    await page.getByRole('link', { name: /Fiddle/ }).waitFor();
    await context.close();
  });

  it('what is next is one press away', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: 'read the wiring, lay out the kit' }).first().click();
    await page.waitForURL(/\/wiring$/);
    await context.close();
  });
});

describe('addresses', () => {
  it('a stage that is none leads to the intent; a lead that is none says so', async () => {
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    const id = (await jobs())[0]?.leads[0]?.id;
    await page.goto(`${here.app.url}/lead/${id}/dance`);
    await page.waitForURL(/\/intent$/);
    await page.goto(`${here.app.url}/lead/${randomUUID()}/intent`);
    await page.getByText('There is no such lead').waitFor();
    await page.goto(`${here.app.url}/unit/${randomUUID()}/bench`);
    await page.getByText('There is no such unit').waitFor();
    for (const path of ['/nowhere', '/lead/none/intent', '/unit/none/bench']) {
      expect((await page.goto(here.app.url + path))?.status()).toBe(404);
      await page.getByText('Nothing hangs here').waitFor();
    }
    await page.getByRole('link', { name: 'Back to the board' }).waitFor();
    await context.close();
  });
});

describe('words and units', () => {
  it('are the lead’s choice, and every stage speaks them', async () => {
    const id = randomUUID();
    await here.app.send('POST', '/api/leads', {
      id,
      jobId: (await jobs())[0]?.id,
      name: 'Imperial',
      intent: { ...PLAIN_INTENT, schools: { words: 'male-female', units: 'inch' } },
    });
    const { page, context } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${id}/kit`);
    await page.getByRole('checkbox', { name: /XLR 3 cable female, chuck clamp/ }).waitFor();
    await page.getByText('19 ft 6 7/8 in', { exact: true }).waitFor();
    await page.getByRole('link', { name: 'intent' }).click();
    await page.waitForURL(/\/intent$/);
    await expect.poll(() => page.getByLabel('length').inputValue()).toBe('19 ft 8 1/4 in');
    await page.getByRole('link', { name: 'bench', exact: true }).click();
    await page.getByText('Cut 19 ft 6 7/8 in of cable').waitFor();
    await context.close();
  });

  it('a left-handed builder has the cable come from the other side, and the insert as it is', async () => {
    const id = randomUUID();
    await here.app.send('POST', '/api/leads', {
      id,
      jobId: (await jobs())[0]?.id,
      name: 'Left',
      intent: { ...PLAIN_INTENT, schools: { hand: 'left', 'solder-order': 'by-hand' } },
    });
    const { page, context } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${id}/bench`);
    await page.getByRole('heading', { name: 'The course of the work' }).waitFor();
    // A socket from behind, latch up: 2 on the right is first for the left hand, then 3, then 1.
    const titles = await page
      .getByRole('listitem')
      .filter({ hasText: /^Solder .* at end A/ })
      .allInnerTexts();
    expect(titles.map((title) => /contact (\d)/.exec(title)?.[1])).toEqual(['2', '3', '1']);
    await page.getByLabel('Built by').fill('Nell');
    await page.getByRole('button', { name: 'Start a lead' }).click();
    await atFirstStep(page);
    await forward(page);
    const drawing = page.getByRole('img', { name: /^End A, solder side/ });
    await drawing.waitFor();
    const { jacket, one, two } = await drawing.evaluate((svg) => {
      const left = (element: Element | null | undefined): number =>
        element?.getBoundingClientRect().left ?? Number.NaN;
      const named = (name: string): Element | undefined =>
        [...svg.querySelectorAll('text')].find((text) => text.textContent === name);
      return { jacket: left(svg.querySelector('rect')), one: left(named('1')), two: left(named('2')) };
    });
    expect(jacket).toBeLessThan(one);
    expect(one).toBeLessThan(two);
    await context.close();
  });
});
