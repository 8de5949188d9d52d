import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import type { LeadSheet } from '../../src/server/leads/service';
import { leadNamed } from '../examples/read';
import { openWindow, taken } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobId: string;
beforeAll(async () => {
  jobId = ((await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[])[0]?.id ?? '';
});

async function leadOf(example: string): Promise<string> {
  const { name, intent } = leadNamed(example);
  const id = randomUUID();
  const answer = await here.app.send('POST', '/api/leads', { id, jobId, name, intent });
  expect(answer.status, await answer.text()).toBe(201);
  return id;
}
const sheetOf = async (id: string): Promise<LeadSheet> =>
  (await (await fetch(`${here.app.url}/api/leads/${id}`)).json()) as LeadSheet;
const open = async (page: Page, id: string): Promise<void> => {
  await page.goto(`${here.app.url}/lead/${id}/kit`);
  await taken(page);
  await page.getByRole('heading', { name: 'Lay out' }).waitFor();
};
const tick = (page: Page, name: RegExp) => page.getByRole('checkbox', { name });

describe('the kit', () => {
  it('is ticked off by hand and by the space bar, and is as it was after a reload; then the stage is done', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await leadOf('stage-microphone');
    await open(page, id);
    await tick(page, /XLR 3 cable plug/).click();
    await expect.poll(() => tick(page, /XLR 3 cable plug/).getAttribute('aria-checked')).toBe('true');
    // Focus on nothing: the bar, or a pedal, takes the first that is open.
    await page.locator('h2').first().click();
    await page.keyboard.press(' ');
    await expect.poll(() => tick(page, /XLR 3 cable socket/).getAttribute('aria-checked')).toBe('true');
    await page.getByRole('button', { name: /^Leave out.*Wrap label/ }).click();
    await page.getByRole('button', { name: /^Have it.*Rosin/ }).click();
    await expect
      .poll(async () => Object.values((await sheetOf(id)).picks).sort())
      .toEqual(['have', 'picked', 'picked', 'waived']);
    await page.reload();
    await taken(page);
    await expect.poll(() => page.getByText('4 of 7 laid out').count()).toBe(1);
    expect(await page.getByText('left out', { exact: true }).count()).toBe(1);
    for (let n = 0; n < 3; n++) {
      await page.locator('h2').first().click();
      await page.keyboard.press(' ');
    }
    await page.getByText('All of it is laid out.').waitFor();
    // Taken back by another press.
    await tick(page, /XLR 3 cable plug/).click();
    await page.getByText('6 of 7 laid out').waitFor();
    await tick(page, /XLR 3 cable plug/).click();
    await page.getByText('All of it is laid out.').waitFor();
    await expect.poll(async () => (await sheetOf(id)).laidOut).toBe(true);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what is ticked stays ticked while the next are, whatever older answers are still on their way', async () => {
    const { page, context } = await openWindow(here.browser);
    for (const wait of [0, 60, 120]) {
      const id = await leadOf('stage-microphone');
      // What is asked of the lead is answered with what was so 200 ms ago.
      await page.route(`**/api/leads/${id}`, async (route) => {
        const answer = await route.fetch().catch(() => undefined);
        await new Promise((done) => setTimeout(done, 200));
        // Asked again meanwhile: nobody waits for it any more.
        await (answer ? route.fulfill({ response: answer }) : route.abort()).catch(() => undefined);
      });
      await open(page, id);
      await page.evaluate(() => {
        const seen: string[] = [];
        Object.assign(globalThis, { seen });
        const look = (): void => {
          const now = document.querySelector('p[role=status]')?.textContent ?? '';
          if (seen.at(-1) !== now) seen.push(now);
        };
        look();
        new MutationObserver(look).observe(document.body, {
          subtree: true,
          childList: true,
          characterData: true,
        });
      });
      for (let n = 0; n < 7; n++) {
        await page.waitForTimeout(wait);
        await page.keyboard.press(' ');
      }
      await page.getByText('All of it is laid out.').waitFor();
      await expect.poll(async () => (await sheetOf(id)).laidOut).toBe(true);
      await page.waitForTimeout(600);
      expect(await page.evaluate(() => (globalThis as unknown as { seen: string[] }).seen)).toEqual([
        ...[0, 1, 2, 3, 4, 5, 6].map((n) => `${n} of 7 laid out; the space bar takes the next.`),
        'All of it is laid out.',
      ]);
      await page.unroute(`**/api/leads/${id}`);
    }
    await context.close();
  });

  it('a pedal that is held down picks one', async () => {
    const { page, context } = await openWindow(here.browser);
    const id = await leadOf('stage-microphone');
    await open(page, id);
    for (let n = 0; n < 8; n++) {
      await page.keyboard.down(' ');
      await page.waitForTimeout(33);
    }
    await page.keyboard.up(' ');
    await page.getByText('1 of 7 laid out').waitFor();
    await expect.poll(async () => Object.keys((await sheetOf(id)).picks)).toHaveLength(1);
    await page.waitForTimeout(300);
    expect(await page.getByText('1 of 7 laid out').count()).toBe(1);
    await context.close();
  });

  it('what one window picks another sees', async () => {
    const id = await leadOf('stage-microphone');
    const [one, other] = await Promise.all([openWindow(here.browser), openWindow(here.browser)]);
    await open(one.page, id);
    await open(other.page, id);
    await tick(one.page, /Microphone cable/).click();
    await expect.poll(() => tick(other.page, /Microphone cable/).getAttribute('aria-checked')).toBe('true');
    await Promise.all([one.context.close(), other.context.close()]);
  });

  it('of two pairs: four leads’ worth, rings left and right, ticked apart from those of one; a wrong count is said and loses nothing', async () => {
    const { page, context } = await openWindow(here.browser);
    const id = await leadOf('stage-microphone');
    await open(page, id);
    await tick(page, /XLR 3 cable plug/).click();
    await page.getByLabel('as pairs, left and right').check();
    await page.getByLabel('make').fill('2');
    await page.getByText('4 × 5.966 m').waitFor();
    await expect.poll(() => tick(page, /^4 XLR 3 cable plug/).getAttribute('aria-checked')).toBe('false');
    expect(await tick(page, /Marking ring, white/).textContent()).toContain('4');
    expect(await tick(page, /Marking ring, red/).textContent()).toContain('4');
    for (const wrong of ['0', '2.5', '']) {
      await page.getByLabel('make').fill(wrong);
      await page.getByText('A whole number from 1 to 1000.').waitFor();
      await page.getByText('4 × 5.966 m').waitFor();
    }
    await page.reload();
    await taken(page);
    await page.getByText('4 × 5.966 m').waitFor();
    await context.close();
  });

  it('a tick that the server does not take is taken back, and said', async () => {
    const { page, context } = await openWindow(here.browser);
    const id = await leadOf('stage-microphone');
    await open(page, id);
    await page.route('**/picks', (route) => route.abort());
    await tick(page, /XLR 3 cable plug/).click();
    await page.getByRole('alert').filter({ hasText: 'was not kept' }).waitFor({ timeout: 15_000 });
    expect(await tick(page, /XLR 3 cable plug/).getAttribute('aria-checked')).toBe('false');
    await page.unroute('**/picks');
    await tick(page, /XLR 3 cable plug/).click();
    await expect.poll(async () => Object.keys((await sheetOf(id)).picks).length).toBe(1);
    await expect.poll(() => page.getByText('was not kept').count()).toBe(0);
    await context.close();
  });

  it('shows what has to fit, wire by wire what is stripped, the tools, and gives it on paper; what the builder has stands apart', async () => {
    const { page, context } = await openWindow(here.browser);
    await open(page, await leadOf('stereo-sum'));
    await page.getByRole('heading', { name: 'End B: 38 mm of jacket off' }).waitFor();
    await page.getByText('the part that is soldered to it takes up the rest').first().waitFor();
    await page.getByText('needle; 330 to 350 °C, 1 to 2 s').waitFor();
    const paper = await page.getByRole('link', { name: /On paper/ }).getAttribute('href');
    const answer = await fetch(`${here.app.url}${paper ?? ''}`);
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    for (const asked of ['count=0', 'count=x', 'page=a9', 'colour=red'])
      expect(
        (await fetch(`${here.app.url}${(paper ?? '').replace(/\?.*/, '')}?${asked}`)).status,
        asked,
      ).toBe(400);
    await open(page, await leadOf('record-player-unified'));
    await page.getByRole('region', { name: 'To have by you' }).getByText('pads in a record player').waitFor();
    await context.close();
  });

  it('fits a phone: nothing runs over its side, and what is ticked is 44 px high', async () => {
    const { page, context } = await openWindow(here.browser, { width: 390 });
    await open(page, await leadOf('d25-to-eight-xlr'));
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const heights = await page
      .getByRole('checkbox')
      .evaluateAll((all) =>
        all.filter((each) => each.tagName === 'BUTTON').map((each) => each.getBoundingClientRect().height),
      );
    expect(heights.length).toBeGreaterThan(8);
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(44);
    await context.close();
  });

  it('which of the house’s tools it is, is said once and stands in every kit; another window may change it', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const [id, sum] = [await leadOf('stage-microphone'), await leadOf('stereo-sum')];
    await open(page, id);
    const iron = (on: Page) => on.getByRole('textbox', { name: /^Iron for XLR cups.*ours/ }).first();
    await iron(page).fill('the grey one, by the window');
    await iron(page).press('Enter');
    const kept = async () =>
      (
        (await (await fetch(`${here.app.url}/api/workshop`)).json()) as { tools?: { ours: string }[] }
      ).tools?.map(({ ours }) => ours);
    await expect.poll(kept).toEqual(['the grey one, by the window']);
    await page.reload();
    await taken(page);
    await expect.poll(() => iron(page).inputValue()).toBe('the grey one, by the window');
    const other = await openWindow(here.browser);
    await open(other.page, sum);
    await expect.poll(() => iron(other.page).inputValue()).toBe('the grey one, by the window');
    await iron(other.page).fill('');
    await iron(other.page).blur();
    await expect.poll(() => iron(page).inputValue()).toBe('');
    expect(await kept()).toEqual([]);
    expect(troubles).toEqual([]);
    await Promise.all([context.close(), other.context.close()]);
  });

  it('what one costs: prices are typed, kept, seen after a reload and by another window; against a bought one', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await leadOf('stage-microphone');
    await open(page, id);
    const costs = page.getByRole('region', { name: 'What it costs' });
    await costs.getByText('Prices of the house').click();
    const price = (name: RegExp) => costs.getByRole('textbox', { name });
    for (const [name, amount] of [
      [/^Price of XLR 3 cable socket/, '5'],
      [/^Price of XLR 3 cable plug/, '4'],
      [/^Price of Microphone cable/, '2,00'],
      [/^Price of Heat-shrink/, '0'],
      [/^Price of Clear heat-shrink/, '0'],
      [/^Price of Wrap label/, '0'],
      [/^The builder/, '30'],
    ] as const) {
      await price(name).fill(amount);
      await price(name).press('Enter');
    }
    // 5 + 4 + 5.966 × 2, and the demo’s median of each kind of step with 10 min of setting up at 30 an hour.
    const { pace } = (await (await fetch(`${here.app.url}/api/leads/${id}/pace`)).json()) as {
      pace: { minutes: number; says: string };
    };
    const made = 20.932 + (pace.minutes + 10) / 2;
    const priceAt = (over: number): string => (made + over).toFixed(2);
    await costs.getByText(`€${made.toFixed(2)}`).waitFor();
    await costs.getByText(pace.says, { exact: false }).waitFor();
    expect(pace.says).toMatch(/^by the log of \d+ units of other leads/);
    await price(/^A bought one/).fill(priceAt(4.07));
    await price(/^A bought one/).blur();
    await costs.getByText('Making it saves €4.07 apiece.').waitFor();
    const prices = async () =>
      ((await (await fetch(`${here.app.url}/api/prices`)).json()) as { prices: Record<string, number> })
        .prices;
    await expect.poll(async () => (await prices())[`bought ${id}`]).toBe(Number(priceAt(4.07)));
    await page.reload();
    await taken(page);
    await costs.getByText('Making it saves €4.07 apiece.').waitFor();
    // What is no price stays as it was typed, and is not kept.
    await price(/^A bought one/).fill('cheap');
    await price(/^A bought one/).press('Enter');
    await costs.getByText('Give a price, such as 3.20, or nothing.').waitFor();
    expect((await prices())[`bought ${id}`]).toBe(Number(priceAt(4.07)));
    // Once it is set up, another saves 1.07: five pay the 5.00 of setting up.
    await price(/^A bought one/).fill(priceAt(-3.93));
    await price(/^A bought one/).press('Enter');
    await costs.getByText('From 5 made together on, making is no dearer.', { exact: false }).waitFor();
    // Typing in a field is not the pedal.
    expect(await page.getByText('0 of 7 laid out').count()).toBe(1);
    const other = await openWindow(here.browser);
    await open(other.page, id);
    await other.page.getByText('Buying it saves €3.93 apiece.', { exact: false }).waitFor();
    await price(/^A bought one/).fill(priceAt(9.07));
    await price(/^A bought one/).press('Enter');
    await other.page.getByText('Making it saves €9.07 apiece.').waitFor();
    expect(troubles).toEqual([]);
    await Promise.all([context.close(), other.context.close()]);
  });

  it('a lead from a donor: its far end and its cable are had, one end is made, and it is so after a reload', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await leadOf('stage-microphone');
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await taken(page);
    await page.getByText('Make it of other things').click();
    await page.getByLabel('At end', { exact: true }).selectOption('B');
    await page
      .getByLabel('do this at end B')
      .selectOption({ label: 'leave end B as it came, with its cable: from a donor lead' });
    await page.getByRole('button', { name: 'Do it' }).first().click();
    await page.getByText('By hand: end B and its cable stay as they came, from a donor lead.').waitFor();
    await expect.poll(async () => (await sheetOf(id)).revision).toBe(2);
    await open(page, id);
    await page.getByText('of the donor lead, from the face of end B').waitFor();
    const had = page.getByText('To have by you').locator('xpath=following::ul[1]');
    await expect.poll(() => had.innerText()).toMatch(/on the donor lead[^]*of the donor lead/);
    await page.goto(`${here.app.url}/lead/${id}/bench`);
    await taken(page);
    await page.getByText('Cut the donor lead to 5.981 m, from the face of end B').waitFor();
    expect(await page.getByText(/at end B/).count()).toBe(0);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a lamp’s cover: what it measures is asked, what is wrong is said at its field, and where it is drilled is had on paper', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await leadOf('continuity-lamp');
    await open(page, id);
    const form = page.getByRole('region', { name: 'Drilling the cover' });
    const field = (name: RegExp) => form.getByLabel(name);
    const look = () => form.getByRole('button', { name: 'Is there room?' }).click();
    const says = form.getByRole('status');
    await look();
    await says.getByText('How wide the cover is inside its rim is needed').waitFor();
    expect(await field(/^Cover inside its rim, wide/).getAttribute('aria-invalid')).toBe('true');
    await field(/^Cover inside its rim, wide/).fill('62');
    await field(/^Depth inside/).fill('4');
    await field(/^Taken behind its middle/).fill('44');
    await look();
    await says.getByText('Inside are 4 mm, and a wire of 3 mm that turns off').waitFor();
    expect(await field(/^Depth inside/).getAttribute('aria-invalid')).toBe('true');
    await field(/^Depth inside/).fill('12 mm');
    // What was said of other measures is not said of these.
    expect((await says.innerText()).trim()).toBe('');
    await field(/^Taken behind its middle/).fill('58');
    await look();
    await says
      .getByText(/The roomiest place leaves 0\.\d mm from the hole of the (?:red|black) wire to /)
      .waitFor();
    await field(/^Taken behind its middle/).fill('44');
    await page.reload();
    await taken(page);
    await expect.poll(() => field(/^Taken behind its middle/).inputValue()).toBe('44');
    await look();
    await says.getByText('There is room.').waitFor();
    await says.getByText(/^The red wire: hole 3 mm, [\d.]+ mm to the left of the middle/).waitFor();
    const href = await says.getByRole('link', { name: 'Drilling sheet, at true size' }).getAttribute('href');
    const paper = await fetch(here.app.url + href);
    expect(paper.headers.get('content-type')).toBe('application/pdf');
    expect(
      Buffer.from(await paper.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect(troubles.filter((each) => !/422/.test(each))).toEqual([]);
    await context.close();
  });

  it('a volume box: too small is said, with how much more would do, and that does', async () => {
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    const id = await leadOf('volume-box');
    await open(page, id);
    const form = page.getByRole('region', { name: 'Drilling the box' });
    const says = form.getByRole('status');
    for (const [name, value] of [
      ['Length inside', '50'],
      ['Width inside', '40'],
      ['Depth inside, front to lid', '30'],
    ] as const)
      await form.getByLabel(name).fill(value);
    await form.getByRole('button', { name: 'Is there room?' }).click();
    await says.getByText(/ mm (?:apart, less than 1 mm|into each other)\. /).waitFor();
    await form.getByLabel('Length inside').fill('110');
    await form.getByLabel('Width inside').fill('60');
    await form.getByLabel('Length inside').press('Enter');
    await says.getByText('There is room.').waitFor();
    await context.close();
  });
});
