import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import type { ShelfPiece } from '../../src/core/stock';
import { openWindow, taken } from '../support/browser';
import { PLAIN_INTENT } from '../support/intents';
import { running } from '../support/running';

const here = running({ seeded: false });

async function send(method: string, at: string, body: unknown): Promise<void> {
  const answer = await here.app.send(method, at, body);
  expect(answer.status, await answer.text()).toBeLessThan(300);
}
/** A job with one microphone lead of 6 m, so many times: 5.966 m of cable each. */
async function jobOf(count: number, name: string): Promise<string> {
  const [job, lead] = [randomUUID(), randomUUID()];
  await send('POST', '/api/jobs', { id: job, name, note: '' });
  await send('POST', '/api/leads', { id: lead, jobId: job, name: 'Bridge mic', intent: PLAIN_INTENT });
  await send('PUT', `/api/jobs/${job}/making`, { lead, count, pairs: false });
  return job;
}
async function come(item: string, amount: number, more: Record<string, unknown>): Promise<string> {
  const piece = randomUUID();
  const at = new Date().toISOString();
  const event = { id: randomUUID(), piece, at, kind: 'taken-in', item, name: item, amount, ...more };
  await send('POST', '/api/shelf', { events: [event] });
  return piece;
}
const pieces = async (): Promise<readonly ShelfPiece[]> =>
  ((await (await fetch(`${here.app.url}/api/shelf`)).json()) as { pieces: ShelfPiece[] }).pieces;
const pieceOf = async (id: string): Promise<ShelfPiece> =>
  (await pieces()).find((each) => each.id === id) ?? expect.fail('it is not on the shelf');
/** Everything off the shelf. */
async function emptied(): Promise<void> {
  const events = (await pieces())
    .filter(({ left }) => left > 0)
    .map(({ id, left }) => ({
      id: randomUUID(),
      piece: id,
      at: new Date().toISOString(),
      kind: 'scrapped',
      amount: left,
    }));
  if (events.length > 0) await send('POST', '/api/shelf', { events });
}
async function open(page: Page, job: string): Promise<void> {
  await page.goto(`${here.app.url}/shelf?job=${job}`);
  await taken(page);
}
const tapes = (page: Page) => page.getByRole('list', { name: 'What to cut from what' }).getByRole('listitem');

describe('cutting for a job', () => {
  it('a bad stretch that the cutter finds is told in one act, planned round, and taken off when what is behind it is cut', async () => {
    await emptied();
    const { page, context, troubles } = await openWindow(here.browser);
    const job = await jobOf(3, 'Tour');
    const reel = await come('pair-braid', 30_000, { unit: 'mm', sort: 'opened', place: 'rack A' });
    await open(page, job);
    await page.getByRole('button', { name: 'Plan the cuts' }).click();
    await page.getByText('3 × 5.966 m Bridge mic').waitFor();
    // The plan is the job’s: it is there again, and in another window.
    await page.reload();
    await taken(page);
    await page.getByText('3 × 5.966 m Bridge mic').waitFor();
    const other = await openWindow(here.browser);
    await open(other.page, job);
    await other.page.getByText('3 × 5.966 m Bridge mic').waitFor();
    await page.getByRole('button', { name: /^not so/ }).click();
    const form = page.getByRole('form', { name: /^What is otherwise/ });
    await form.getByLabel('It begins').fill('7 m');
    await form.getByLabel('and ends').fill('6.5 m');
    await form.getByRole('button', { name: 'Write it down' }).click();
    await form.getByText('A bad stretch ends behind where it begins.').waitFor();
    await form.getByLabel('It begins').fill('6.7');
    await form.getByLabel('and ends').fill('6.9 m');
    await form.getByRole('button', { name: 'Write it down' }).click();
    // Planned anew by itself: one before it, two behind it; in the other window too.
    for (const window of [page, other.page]) {
      await expect.poll(() => tapes(window).count(), { timeout: 20_000 }).toBe(2);
      await window.getByText('2 × 5.966 m Bridge mic').waitFor();
      await window.getByText('first take off 6.90 m', { exact: false }).waitFor();
    }
    await tapes(page).filter({ hasText: '1 × 5.966' }).getByRole('button', { name: 'It is cut' }).click();
    await page.getByText('2 to cut, 11.9 m in all.').waitFor();
    // 0.734 m lie before the bad stretch now: long enough to keep.
    await page.getByText('keep 0.73 m of that', { exact: false }).waitFor();
    await tapes(page).filter({ hasText: '2 × 5.966' }).getByRole('button', { name: 'It is cut' }).click();
    await page.getByText('Nothing is left to cut.').waitFor();
    await other.page.getByText('Nothing is left to cut.').waitFor();
    const left = await pieceOf(reel);
    expect(left).toMatchObject({ cut: 3 * 5966, scrapped: 200, parted: 734, bad: [] });
    expect(left.left).toBe(30_000 - 3 * 5966 - 200 - 734);
    expect((await pieces()).find(({ sort }) => sort === 'offcut')).toMatchObject({
      left: 734,
      place: 'rack A',
    });
    expect(troubles.filter((each) => !each.includes('409'))).toEqual([]);
    await Promise.all([context.close(), other.context.close()]);
  });

  it('cut longer than planned: it is cut, what is really left is told with it, and the rest planned anew', async () => {
    await emptied();
    const { page, context } = await openWindow(here.browser);
    const job = await jobOf(3, 'Matinee');
    const [one, two] = [
      await come('pair-braid', 12_500, { unit: 'mm', sort: 'opened', place: 'A' }),
      await come('pair-braid', 6100, { unit: 'mm', sort: 'opened', place: 'B' }),
    ];
    await open(page, job);
    await page.getByRole('button', { name: 'Plan the cuts' }).click();
    const long = tapes(page).filter({ hasText: 'Opened reel, A' });
    await long.getByRole('button', { name: /^not so/ }).click();
    const form = page.getByRole('form', { name: /^What is otherwise/ });
    await form.getByLabel('What is otherwise').selectOption('cut');
    await form.getByLabel('There are left of it').fill('0');
    await form.getByRole('button', { name: 'Write it down' }).click();
    await page.getByText('1 to cut, 6.0 m in all.').waitFor();
    await expect.poll(() => tapes(page).count(), { timeout: 20_000 }).toBe(1);
    expect((await pieceOf(one)).left).toBe(0);
    await tapes(page).getByRole('button', { name: 'It is cut' }).click();
    await page.getByText('Nothing is left to cut.').waitFor();
    // 134 mm are no offcut in this house.
    expect(await pieceOf(two)).toMatchObject({ left: 0, scrapped: 134 });
    await context.close();
  });

  it('what is held for a job nobody else plans with; rules and levels of the house stand where they are used', async () => {
    await emptied();
    const { page, context, troubles } = await openWindow(here.browser);
    const [tour, school] = [await jobOf(1, 'Tour two'), await jobOf(1, 'School')];
    await come('pair-braid', 8000, { unit: 'mm', sort: 'opened', place: 'A' });
    await come('xlr3-plug', 5, { unit: 'pieces', sort: 'bag', place: 'drawer', name: 'XLR plug' });
    await page.goto(`${here.app.url}/job/${tour}`);
    await taken(page);
    await page.getByLabel('Hold it on the shelf for this job').click();
    await page.reload();
    await taken(page);
    await expect.poll(() => page.getByLabel('Hold it on the shelf for this job').isChecked()).toBe(true);
    await open(page, school);
    await page.getByRole('region', { name: 'What is held' }).getByText('5.97 m of pair-braid').waitFor();
    await page.getByRole('button', { name: 'Plan the cuts' }).click();
    await page.getByText('6.0 m are missing', { exact: false }).waitFor();
    await open(page, tour);
    await page.getByRole('button', { name: 'Plan the cuts' }).click();
    await tapes(page).getByText('2.03 m left after it', { exact: false }).waitFor();
    await page.getByLabel('Each cut costs').fill('lots');
    await page.keyboard.press('Enter');
    await page.getByText('Give a length, as 3 mm or 0.6 m.').waitFor();
    await page.getByLabel('Each cut costs').fill('4 mm');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^change XLR plug/ }).click();
    await page.getByLabel('To buy where less').fill('12');
    await page.keyboard.press('Enter');
    await page
      .getByRole('region', { name: 'To buy' })
      .getByText('5 left, 12 wanted', { exact: false })
      .waitFor();
    await page.reload();
    await taken(page);
    await expect.poll(() => page.getByLabel('Each cut costs').inputValue()).toBe('4 mm');
    await page
      .getByRole('region', { name: 'To buy' })
      .getByText('5 left, 12 wanted', { exact: false })
      .waitFor();
    await send('PUT', '/api/workshop/cutting', { cutting: { kerfMm: 0, leastOffcutMm: 600 } });
    await send('PUT', `/api/jobs/${tour}/held`, { held: false });
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what was in a lead before comes with how good it is, and is counted by itself', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, await jobOf(1, 'Mending'));
    const form = page.getByRole('form', { name: 'Take in' });
    await form.getByLabel('What').selectOption('xlr3-plug');
    await form.getByLabel('It is').selectOption('salvaged');
    await form.getByLabel('How good it is').selectOption('worn');
    await form.getByLabel('In how many leads').fill('many');
    await form.getByLabel('How many', { exact: true }).fill('2');
    await form.getByRole('button', { name: 'Take it in' }).click();
    await form.getByText('Count in whole numbers, from 0 to 100.').waitFor();
    await form.getByLabel('In how many leads').fill('3');
    await form.getByRole('button', { name: 'Take it in' }).click();
    await page.getByRole('cell', { name: /salvaged, worn, used in 3 leads$/ }).waitFor();
    // A whole lead is told by its cable, and counted.
    await form.getByLabel('What').selectOption('pair-braid');
    await form.getByLabel('It is').selectOption('lead');
    await form.getByLabel('How many', { exact: true }).fill('1');
    await form.getByRole('button', { name: 'Take it in' }).click();
    await page.getByRole('cell', { name: /whole lead, worn/ }).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('the cut list on paper has each cut with a box to tick, and its tapes to scale', async () => {
    await emptied();
    const job = await jobOf(2, 'Paper');
    const piece = await come('pair-braid', 20_000, { unit: 'mm', sort: 'opened', place: 'rack C' });
    const bad = { id: randomUUID(), piece, at: new Date().toISOString(), kind: 'marked' };
    await send('POST', '/api/shelf', { events: [{ ...bad, fromMm: 15_000, toMm: 16_000 }] });
    const { page, context } = await openWindow(here.browser, { width: 390 });
    await open(page, job);
    await page.getByRole('button', { name: 'Plan the cuts' }).click();
    await page.getByText('2 × 5.966 m Bridge mic').waitFor();
    // 15 m to the bad stretch less two cuts, on the screen as on paper.
    await tapes(page).getByText('3.07 m left after it, to the next bad stretch').waitFor();
    await page.getByRole('button', { name: /^not so/ }).click();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await context.close();
    const answer = await fetch(`${here.app.url}/api/jobs/${job}/cuts.pdf`);
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'antler-cut-')), 'cuts.pdf');
    writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    expect(text).toContain('1. Opened reel, rack C, 20 m long; 3.068 m left after it, to');
    expect(text).toMatch(/the next bad stretch/);
    expect(text).toMatch(/\[ +\] 2 × 5.966 m: Bridge mic/);
    const words = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
    const at = [...words.matchAll(/xMin="([\d.]+)" yMin="([\d.]+)"[^>]*>Bridge<\/word>/g)].map(([, x, y]) => [
      Number(x),
      Number(y),
    ]);
    const [one, two] = at.filter(([, y]) => at.filter(([, other]) => other === y).length === 2);
    // The names stand at the beginnings of the cuts: 5.966 m of 20 m across the print apart, 186 mm wide on A4 (nominal).
    const apart = Math.abs((two?.[0] ?? 0) - (one?.[0] ?? 0)) / (72 / 25.4);
    expect(apart / (5966 / 20_000)).toBeGreaterThan(170);
    expect(apart / (5966 / 20_000)).toBeLessThan(195);
    expect((await fetch(`${here.app.url}/api/jobs/${job}/cuts.pdf?page=a3`)).status).toBe(400);
  });
});
