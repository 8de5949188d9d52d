import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { sql } from 'kysely';
import type { BrowserContext, Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { editedOfLead } from '../../src/core/lead';
import type { BoardJob } from '../../src/server/board/service';
import type { LeadSheet } from '../../src/server/leads/service';
import type { WireUnit } from '../../src/server/units/wire';
import { runApp } from '../support/app';
import { bigWords, acknowledged, openWindow, taken } from '../support/browser';
import { running } from '../support/running';

const here = running();

async function newUnit(): Promise<string> {
  const jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
  const lead = jobs[0]?.leads[0]?.id ?? '';
  const id = randomUUID();
  expect((await here.app.send('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' })).status).toBe(201);
  return id;
}
const notesOf = async (unit: string): Promise<(string | undefined)[]> => {
  const sheet = (await (await fetch(`${here.app.url}/api/units/${unit}`)).json()) as WireUnit;
  return sheet.events.filter((each) => each.kind === 'note').map((each) => each.text);
};
async function atBench(context: BrowserContext, unit: string): Promise<Page> {
  const page = await context.newPage();
  page.setDefaultTimeout(30_000);
  await page.goto(`${here.app.url}/unit/${unit}/bench`);
  await taken(page);
  return page;
}
/** Takes a unit out behind the app's back, as restoring an older backup would; gives back how it is put back. */
async function takenOut(unit: string): Promise<() => Promise<unknown>> {
  const { db } = here.database;
  const { rows } = await sql<{
    row: string;
  }>`select row_to_json(unit)::text as row from unit where id = ${unit}`.execute(db);
  await db.transaction().execute(async (trx) => {
    await sql`select set_config('antler.exception', 'migration', true)`.execute(trx);
    await sql`delete from bench_event where unit_id = ${unit}`.execute(trx);
    await sql`delete from unit where id = ${unit}`.execute(trx);
  });
  return () =>
    sql`insert into unit overriding system value
      select * from jsonb_populate_record(null::unit, ${rows[0]?.row ?? '{}'}::jsonb)`.execute(db);
}
/** The built scripts that have these words in them. */
function scriptsWith(words: string): readonly string[] {
  const scripts = path.join('dist', 'client', '_astro');
  return readdirSync(scripts).filter(
    (file) => file.endsWith('.js') && readFileSync(path.join(scripts, file), 'utf8').includes(words),
  );
}
async function note(page: Page, text: string): Promise<void> {
  await page.keyboard.press('n');
  await page.getByLabel('Note for this step').fill(text);
  await page.keyboard.press('Enter');
  await page.getByText(text).waitFor();
}

/** The server takes no records, and answers with this. */
const answering = (page: Page, status: number): Promise<unknown> =>
  page.route('**/records', (route) =>
    route.request().method() === 'POST' ? route.fulfill({ status, body: '{}' }) : route.continue(),
  );

describe('what was done is never lost', () => {
  it('two tabs on one unit while the server is gone, one of them closed: all is recorded, once', async () => {
    const unit = await newUnit();
    const { context, page } = await openWindow(here.browser, { expectTrouble: true });
    await page.close();
    const [one, other] = [await atBench(context, unit), await atBench(context, unit)];
    await acknowledged(one);
    await here.app.stop();
    await note(one, 'first, in one tab');
    await note(other, 'second, in the other');
    await note(one, 'third, in the first again');
    // Each sees what waits, whoever did it.
    await other.getByText('third, in the first again').waitFor();
    await one.getByText(/waiting to be sent, kept here/).waitFor();
    await one.close();
    here.app = await runApp(here.database.url, { port: here.app.port });
    await expect
      .poll(() => notesOf(unit), { timeout: 60_000 })
      .toEqual(['first, in one tab', 'second, in the other', 'third, in the first again']);
    await acknowledged(other);
    await context.close();
  });

  it('half a note is there after a reload, and in the next window when its own is gone', async () => {
    const unit = await newUnit();
    const { context, page } = await openWindow(here.browser);
    await page.close();
    const first = await atBench(context, unit);
    await first.keyboard.press('n');
    await first.getByLabel('Note for this step').fill('the jacket is');
    await first.reload();
    await taken(first);
    await first.keyboard.press('n');
    expect(await first.getByLabel('Note for this step').inputValue()).toBe('the jacket is');
    await first.close();
    const next = await atBench(context, unit);
    await next.keyboard.press('n');
    await expect.poll(() => next.getByLabel('Note for this step').inputValue()).toBe('the jacket is');
    await context.close();
  });

  it.each([500, 413])('a server that answers %i empties no queue', async (status) => {
    const unit = await newUnit();
    const { context, page } = await openWindow(here.browser, { expectTrouble: true });
    await page.close();
    const bench = await atBench(context, unit);
    await acknowledged(bench);
    await answering(bench, status);
    await note(bench, `through ${status}`);
    await bench.getByText(/waiting to be sent, kept here/).waitFor();
    await bench.waitForTimeout(1_500);
    await bench.unroute('**/records');
    await bench.reload();
    await bench.getByText(`through ${status}`).waitFor();
    await acknowledged(bench);
    await expect.poll(() => notesOf(unit)).toEqual([`through ${status}`]);
    await context.close();
  });

  it('what the server took while a page was on its way is on it', async () => {
    const jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
    const id = jobs[0]?.leads[0]?.id;
    const { revision, lead } = (await (await fetch(`${here.app.url}/api/leads/${id}`)).json()) as LeadSheet;
    const { context, page, troubles } = await openWindow(here.browser);
    // Another window of this browser: the ear that both share hears what was done before this one listens.
    await page.goto(here.app.url);
    const other = await context.newPage();
    await other.route(`**/lead/${id}/kit`, async (route) => {
      const response = await route.fetch();
      const { intent, edits } = editedOfLead(lead);
      const change = { intent, edits, requestId: randomUUID(), base: revision, name: 'Renamed on its way' };
      const answer = await here.app.send('PUT', `/api/leads/${id}`, change);
      expect(answer.status, await answer.text()).toBe(200);
      // It is told of, a moment later, to whoever listens now.
      await new Promise((resolve) => setTimeout(resolve, 500));
      await route.fulfill({ response });
    });
    await other.goto(`${here.app.url}/lead/${id}/kit`);
    await other.getByRole('heading', { name: 'Renamed on its way' }).waitFor({ timeout: 3_000 });
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what could not be sent is sent from wherever one went meanwhile', async () => {
    const unit = await newUnit();
    const { context, page } = await openWindow(here.browser, { expectTrouble: true });
    await page.close();
    const bench = await atBench(context, unit);
    await acknowledged(bench);
    await answering(bench, 503);
    await note(bench, 'before leaving');
    await bench.getByText(/waiting to be sent, kept here/).waitFor();
    await bench.getByRole('link', { name: /leave the bench/i }).click();
    await bench.waitForURL(/\/lead\/.*\/bench$/);
    await bench.unroute('**/records');
    await expect.poll(() => notesOf(unit), { timeout: 20_000 }).toEqual(['before leaving']);
    await context.close();
  });

  it('what the server refuses is shown with what it was, until it was seen', async () => {
    const unit = await newUnit();
    const { context, page } = await openWindow(here.browser, { expectTrouble: true });
    await page.close();
    const bench = await atBench(context, unit);
    await acknowledged(bench);
    await bench.route('**/records', async (route) => {
      if (route.request().method() !== 'POST') return route.continue();
      const { records } = route.request().postDataJSON() as { records: { id: string }[] };
      const problem = { code: 'bench.logged', says: 'This lead is in the log.', path: 'kind' };
      await route.fulfill({ json: { taken: [], refused: records.map(({ id }) => ({ id, problem })) } });
    });
    // What says it is not to be had while the server is away: it is said when it is back.
    const words = scriptsWith('kept in this browser, and sent');
    expect(words).toHaveLength(1);
    let [isAway, asked] = [true, 0];
    for (const each of ['favicon.svg', words[0]])
      await bench.route(`**/${each}`, (route) => (asked++, isAway ? route.abort() : route.continue()));
    await bench.waitForFunction(() => performance.now() > 10_500);
    await bench.keyboard.press('n');
    await bench.getByLabel('Note for this step').fill('too late');
    await bench.keyboard.press('Enter');
    const refused = bench.getByRole('alert').filter({ hasText: 'Not recorded' });
    await expect.poll(() => asked).toBeGreaterThan(1);
    expect(await refused.count()).toBe(0);
    isAway = false;
    await refused.getByText('This lead is in the log.').waitFor();
    for (const each of ['favicon.svg', words[0]]) await bench.unroute(`**/${each}`);
    expect(await refused.innerText()).toMatch(/note: “Cut .* of cable”: too late/);
    await bench.unroute('**/records');
    // What says it cannot be had though the server is there: the bench stands all the same, and the page is asked for again.
    await bench.route(`**/${words[0]}`, (route) => route.abort(), { times: 1 });
    await bench.reload();
    expect(await bigWords(bench)).toMatch(/^Cut/);
    await bench.getByText('A part of this page could not be fetched: load it again.').waitFor();
    await bench.reload();
    await refused.waitFor();
    expect(await bench.getByText('could not be fetched').count()).toBe(0);
    await refused.getByRole('button', { name: 'I have seen it' }).click();
    await refused.waitFor({ state: 'detached' });
    expect(await notesOf(unit)).toEqual([]);
    await context.close();
  });

  it('what was done at a unit that the server does not have any more is shown, and sent when it is back', async () => {
    const unit = await newUnit();
    const { context, page } = await openWindow(here.browser, { expectTrouble: true });
    await page.close();
    const bench = await atBench(context, unit);
    await acknowledged(bench);
    const back = await takenOut(unit);
    await note(bench, 'to nobody');
    await bench.getByText('1 kept here and not sent: There is no such unit').waitFor();
    await bench.reload();
    await bench.getByText('One thing that was done at it is kept in this browser').waitFor();
    await bench.getByText(/note: to nobody$/).waitFor();
    // From any other page one is led there.
    await bench.goto(here.app.url);
    await bench.getByText('What was done of one lead is kept here and waits for you').waitFor();
    await bench.getByRole('link', { name: 'see why' }).click();
    await bench.getByText(/note: to nobody$/).waitFor();
    await back();
    await bench.reload();
    await bench.getByRole('button', { name: 'Send them again' }).click();
    await acknowledged(bench);
    expect(await notesOf(unit)).toEqual(['to nobody']);
    // What nobody will ever take is let go of by whoever has read it.
    await takenOut(unit);
    await note(bench, 'to nobody again');
    await bench.getByText('1 kept here and not sent: There is no such unit').waitFor();
    await bench.reload();
    await bench.getByText(/note: to nobody again$/).waitFor();
    await bench.getByRole('button', { name: 'I have seen them: keep them no longer' }).click();
    await bench.getByText(/note: to nobody again$/).waitFor({ state: 'detached' });
    await bench.reload();
    await bench.getByText('There is no such unit').first().waitFor();
    expect(await bench.getByText('to nobody again').count()).toBe(0);
    await context.close();
  });

  it.each([
    ['intent', 'Left open, it would be the same.', 'What it is made of'],
    ['signal', 'recharts-surface', 'logarithmic'],
  ])('what comes later and cannot be had at once takes no page down: %s', async (stage, words, comes) => {
    const jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
    const id = jobs[0]?.leads[0]?.id ?? '';
    const scripts = scriptsWith(words);
    expect(scripts.length).toBeGreaterThan(0);
    const { context, page } = await openWindow(here.browser, { expectTrouble: true });
    for (const script of scripts) await page.route(`**/${script}`, (route) => route.abort(), { times: 1 });
    await page.goto(`${here.app.url}/lead/${id}/${stage}`);
    await page.getByText('A part of this page could not be fetched: load it again.').waitFor();
    expect((await page.locator('main').innerText()).length).toBeGreaterThan(100);
    await page.reload();
    await page.getByText(comes).first().waitFor();
    expect(await page.getByText('could not be fetched').count()).toBe(0);
    await context.close();
  });
});
