import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import type { ShelfEvent, ShelfPiece } from '../../src/core/stock';
import { openWindow, taken } from '../support/browser';
import { PLAIN_INTENT } from '../support/intents';
import { running } from '../support/running';

const here = running({ seeded: false });

async function jobWith(name: string): Promise<{ job: string; lead: string }> {
  const [job, lead] = [randomUUID(), randomUUID()];
  await here.app.send('POST', '/api/jobs', { id: job, name: `Job of ${name}`, note: '' });
  const made = await here.app.send('POST', '/api/leads', {
    id: lead,
    jobId: job,
    name,
    intent: PLAIN_INTENT,
  });
  expect(made.status, await made.text()).toBe(201);
  return { job, lead };
}
async function come(item: string, amount: number, more: Partial<ShelfEvent>): Promise<void> {
  const event = {
    id: randomUUID(),
    piece: randomUUID(),
    at: new Date().toISOString(),
    kind: 'taken-in',
    item,
    name: item,
    amount,
    ...more,
  };
  const said = await here.app.send('POST', '/api/shelf', { events: [event] });
  expect(said.status, await said.text()).toBe(200);
}
const left = async (item: string): Promise<number> =>
  ((await (await fetch(`${here.app.url}/api/shelf`)).json()) as { pieces: ShelfPiece[] }).pieces
    .filter((each) => each.item === item)
    .reduce((sum, each) => sum + each.left, 0);
const open = async (page: Page, job: string): Promise<void> => {
  await page.goto(`${here.app.url}/job/${job}`);
  await taken(page);
  await page.getByRole('heading', { name: 'How many of each' }).waitFor();
};

describe('a job’s kit', () => {
  it('says how many, what that takes, what lies where and what is short; kept, seen by another window and on the board', async () => {
    await come('xlr3-plug', 3, { unit: 'pieces', sort: 'bag', place: 'drawer 2' });
    await come('pair-braid', 20_000, { unit: 'mm', sort: 'opened', place: 'rack A' });
    const { page, context, troubles } = await openWindow(here.browser);
    const { job, lead } = await jobWith('Bridge');
    await open(page, job);
    const many = (on: Page) => on.getByRole('spinbutton', { name: 'Bridge' });
    await many(page).fill('2.5');
    await page.getByText('A whole number from 0 to 1000.').waitFor();
    await many(page).fill('4');
    await page.getByText('none started, 4 to make').waitFor();
    const row = (on: Page, name: RegExp) => on.getByRole('row', { name });
    // Four plugs of which three are there; 23.86 m of which 20 m make three.
    await row(page, /XLR 3 cable plug.* 4 .*3, drawer 2 1/).waitFor();
    await row(page, /Microphone cable.*23\.86 m.*20\.00 m, rack A 5\.97 m/).waitFor();
    await page.reload();
    await taken(page);
    expect(await many(page).inputValue()).toBe('4');
    const other = await openWindow(here.browser, { width: 390 });
    await open(other.page, job);
    await other.page.getByRole('checkbox', { name: /^pairs of Bridge/ }).check();
    await page.getByText('none started, 8 to make').waitFor();
    await many(page).fill('1');
    await row(page, /XLR 3 cable plug.* 2 .*3, drawer 2/).waitFor();
    // On paper too, in what the house measures by.
    const paper = await fetch(`${here.app.url}/api/jobs/${job}/kit.pdf`);
    expect([paper.status, paper.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    expect((await paper.arrayBuffer()).byteLength).toBeGreaterThan(5000);
    expect(await page.getByRole('link', { name: 'On paper' }).getAttribute('href')).toBe(
      `/api/jobs/${job}/kit.pdf`,
    );
    expect((await fetch(`${here.app.url}/api/jobs/${job}/kit.pdf?page=a9`)).status).toBe(400);
    // The board says what is short, and leads here.
    await page.goto(here.app.url);
    await page.getByText('of XLR 3 cable socket, chuck clamp and', { exact: false }).waitFor();
    await page.getByRole('link', { name: /What it takes.*Job of Bridge/ }).click();
    await page.getByRole('heading', { name: /What .*Job of Bridge.* takes/ }).waitFor();
    await page.getByRole('link', { name: /its kit/ }).click();
    await page.getByText('3 on the shelf: drawer 2').waitFor();
    expect(page.url()).toContain(lead);
    expect(troubles).toEqual([]);
    await Promise.all([context.close(), other.context.close()]);
  });

  it('what is short is bought by the pack: its size is typed where it is wanted, kept, and asked for in words', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const { job } = await jobWith('Packed');
    await open(page, job);
    await page.getByRole('spinbutton', { name: 'Packed' }).fill('12');
    await page.getByText('none started, 12 to make').waitFor();
    const sold = page.getByLabel('XLR 3 cable socket, chuck clamp is sold by');
    await sold.fill('ten');
    await sold.press('Enter');
    await page.getByText('Give a count, or nothing.').waitFor();
    await sold.fill('10');
    await sold.press('Enter');
    await page.getByRole('row', { name: /XLR 3 cable socket.*2 packs of 10/ }).waitFor();
    const cable = page.getByLabel(/^Microphone cable.* is sold by$/);
    await cable.fill('100m');
    await cable.press('Enter');
    await expect.poll(() => cable.inputValue()).toBe('100 m');
    await page.getByRole('row', { name: /Microphone cable.*1 roll of 100 m/ }).waitFor();
    await page.reload();
    await taken(page);
    expect(await sold.inputValue()).toBe('10');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a work box: what is never needed at once is done by one, kept over a reload, and the job asks for it', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const { job, lead: long } = await jobWith('Long');
    const short = randomUUID();
    const intent = { ...PLAIN_INTENT, length: { mm: 2000, datum: 'face' as const } };
    const made = await here.app.send('POST', '/api/leads', { id: short, jobId: job, name: 'Short', intent });
    expect(made.status).toBe(201);
    await open(page, job);
    await page.getByText('A work box', { exact: false }).click();
    await page.getByRole('button', { name: 'Find the fewest' }).click();
    const box = page.getByRole('region', { name: 'The work box' });
    // Both at once are two.
    await box.getByText('as many as are needed at once, and fewer do not do.').waitFor();
    await page.getByRole('button', { name: 'Another occasion' }).click();
    await page.getByLabel('name of occasion 1').fill('get-in');
    await page.getByRole('spinbutton', { name: 'Short, get-in' }).fill('0');
    await page.getByRole('spinbutton', { name: 'Long, occasion 2' }).fill('0');
    // What was found was of what was asked before.
    await expect.poll(() => box.count()).toBe(0);
    await page.reload();
    await taken(page);
    await page.getByText('A work box', { exact: false }).click();
    await expect.poll(() => page.getByRole('spinbutton', { name: 'Short, get-in' }).inputValue()).toBe('0');
    await page.getByRole('button', { name: 'Find the fewest' }).click();
    await box.getByText('where one for each would be 2, and fewer do not do.', { exact: false }).waitFor();
    await box.getByText('does for Short too').waitFor();
    await box.getByRole('button', { name: 'Ask the job for these' }).click();
    await page.getByText('The job asks for these now.').waitFor();
    const { leads } = (await (await fetch(`${here.app.url}/api/jobs/${job}/kit`)).json()) as {
      leads: { lead: string; count: number }[];
    };
    expect(Object.fromEntries(leads.map(({ lead, count }) => [lead, count]))).toEqual({
      [long]: 1,
      [short]: 0,
    });
    // What may be needed stays as it was said.
    expect(await page.getByRole('spinbutton', { name: 'Short, occasion 2' }).inputValue()).toBe('1');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a chain of devices: what is wrong stands at its device, what is typed outlives a reload, and each hop becomes a lead, in pairs', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const { job } = await jobWith('Chain');
    await open(page, job);
    await page.getByText('A chain of devices', { exact: false }).click();
    const chain = page.getByRole('form', { name: 'A chain of devices' });
    const device = (n: number) => chain.getByRole('listitem').nth(n);
    await chain.getByRole('button', { name: 'Another device' }).click();
    const names = ['recorder', 'compressor', 'desk'] as const;
    for (const [n, name] of names.entries()) {
      await device(n).getByLabel('device', { exact: true }).fill(name);
      await device(n)
        .getByLabel('stands at')
        .fill(['0', '40 cm', 'far'][n] ?? '');
    }
    await chain.getByLabel('as pairs').check();
    await chain.getByRole('button', { name: 'Make its leads' }).click();
    await device(2).getByText('“far” is not a length', { exact: false }).waitFor();
    await page.reload();
    await taken(page);
    await page.getByText('A chain of devices', { exact: false }).click();
    await expect.poll(() => device(1).getByLabel('stands at').inputValue()).toBe('40 cm');
    await device(2).getByLabel('stands at').fill('4 ft');
    await chain.getByRole('button', { name: 'Make its leads' }).click();
    await page.getByText('2 leads hang in this job now.').waitFor();
    // 400 and 300 mm of slack; from 400 to 1219.2 and 300.
    const { leads } = (await (await fetch(`${here.app.url}/api/jobs/${job}/kit`)).json()) as {
      leads: { name: string; pairs: boolean; left: number; lead: string }[];
    };
    expect(leads.map(({ name, pairs, left: toMake }) => [name, pairs, toMake])).toEqual([
      ['Chain', false, 1],
      ['recorder to compressor', true, 2],
      ['compressor to desk', true, 2],
    ]);
    const long = await Promise.all(
      leads.slice(1).map(async ({ lead }) => {
        const sheet = (await (await fetch(`${here.app.url}/api/leads/${lead}`)).json()) as {
          lead: { intent: { length: { mm: number } } };
        };
        return sheet.lead.intent.length.mm;
      }),
    );
    expect(long[0]).toBe(700);
    expect(long[1]).toBeCloseTo(1119.2, 6);
    // Nothing of it is left in the form.
    await expect.poll(() => device(0).getByLabel('device', { exact: true }).inputValue()).toBe('');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a unit that is started takes what is there; given up, it says why and puts back what is ticked; nothing more is done to it', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const { job, lead } = await jobWith('Given');
    await come('xlr3-socket', 6, { unit: 'pieces', sort: 'bag', place: 'drawer 1' });
    const before = { plugs: await left('xlr3-plug'), cable: await left('pair-braid') };
    await page.goto(`${here.app.url}/lead/${lead}/bench`);
    await taken(page);
    await page.getByLabel('Built by').fill('Nell');
    await page.getByRole('button', { name: 'Start a lead at the bench' }).click();
    await page.getByRole('heading', { name: /Cut 5\.966 m/ }).waitFor();
    expect(await left('xlr3-plug')).toBe(before.plugs - 1);
    expect(await left('pair-braid')).toBe(before.cable - 5966);
    const stock = page.locator('details').filter({ hasText: 'from the shelf' });
    await stock.locator('summary').click();
    await stock.getByText(/Not on the shelf: .*Wrap label/).waitFor();
    // Without a reason nothing is given up.
    await stock.getByRole('button', { name: 'Give this lead up' }).click();
    await stock.getByText('Say why: it stays with its number.').waitFor();
    await stock.getByRole('checkbox', { name: /xlr3-plug/ }).uncheck();
    await stock.getByLabel('Why').fill('a core was nicked');
    await stock.getByRole('button', { name: 'Give this lead up' }).click();
    await page.getByRole('heading', { name: 'Given up: a core was nicked' }).waitFor();
    expect([await left('xlr3-plug'), await left('xlr3-socket'), await left('pair-braid')]).toEqual([
      before.plugs - 1,
      6,
      before.cable,
    ]);
    // The bar and a pedal do nothing more.
    await page.keyboard.press(' ');
    await page.reload();
    await taken(page);
    await page.getByRole('heading', { name: 'Given up: a core was nicked' }).waitFor();
    expect(await page.getByRole('button', { name: 'Back' }).isDisabled()).toBe(true);
    // Neither is it measured any more.
    const unit = new URL(page.url()).pathname.split('/')[2] ?? '';
    await page.goto(`${here.app.url}/unit/${unit}/prove`);
    await taken(page);
    await page.getByText('Given up: a core was nicked. Nothing more is measured of it.').waitFor();
    await page.keyboard.press('b');
    await page.keyboard.press(' ');
    const { readings } = (await (await fetch(`${here.app.url}/api/units/${unit}`)).json()) as {
      readings: readonly unknown[];
    };
    expect(readings).toEqual([]);
    await open(page, job);
    await page.getByText('none started, 1 to make').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('pressed again after its answer was lost, it is given up once', async () => {
    const { page, context } = await openWindow(here.browser);
    const { lead } = await jobWith('Twice');
    const unit = randomUUID();
    await here.app.send('POST', `/api/leads/${lead}/units`, { id: unit, builder: 'Nell' });
    const sockets = await left('xlr3-socket');
    let dropped = false;
    await page.route('**/give-up', async (route) => {
      if (dropped) return route.continue();
      dropped = true;
      await route.fetch();
      return route.abort();
    });
    await page.goto(`${here.app.url}/unit/${unit}/bench`);
    await taken(page);
    const stock = page.locator('details').filter({ hasText: 'from the shelf' });
    await stock.locator('summary').click();
    await stock.getByLabel('Why').fill('dropped');
    await stock.getByRole('button', { name: 'Give this lead up' }).click();
    await expect
      .poll(async () => {
        const again = stock.getByRole('button', { name: 'Give this lead up' });
        if (await again.isVisible().catch(() => false))
          await again.click({ timeout: 500 }).catch(() => undefined);
        return page.getByRole('heading', { name: 'Given up: dropped' }).count();
      })
      .toBe(1);
    expect(await left('xlr3-socket')).toBe(sockets + 1);
    await context.close();
  });
});
