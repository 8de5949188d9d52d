import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob, BoardLead } from '../../src/server/board/service';
import { openWindow } from '../support/browser';
import { running } from '../support/running';

/** What no task of a page should be over, ms. */
const GOAL = 50;

const here = running();
let leads: readonly BoardLead[];
beforeAll(async () => {
  const jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
  leads = jobs.flatMap((job) => job.leads);
});

const named = (name: RegExp): BoardLead => {
  const lead = leads.find((each) => name.test(each.name));
  if (!lead) throw new Error(`no lead ${name}`);
  return lead;
};

/** A piece of work that is always the same, how long it takes now, ms. */
function sameWork(): number {
  const start = performance.now();
  let sum = 0;
  for (let n = 0; n < 2_000_000; n++) sum = (sum * 31 + n) % 65_537;
  return performance.now() - start + (sum < 0 ? 1 : 0);
}
/** As quick as this machine does it. */
let quickest = Infinity;

/** How many times as long as it might this machine takes for the same work while something is done: others take the rest of it. */
async function heldBack(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  const timer = setInterval(() => {
    const took = sameWork();
    quickest = Math.min(quickest, took);
    times.push(took);
  }, 100);
  await work();
  clearInterval(timer);
  return times.reduce((sum, took) => sum + took, 0) / (times.length * quickest);
}

/**
 * The longest task of a page while something is done, ms: 0 where none was over 50; as long as it would be on this machine with
 * nothing else on it. Of up to three rounds the quietest counts: what is worked out on the page is in every one, what other
 * programs took from this machine is not.
 */
async function longest(page: Page, work: () => Promise<unknown>): Promise<number> {
  let least = Infinity;
  for (let round = 0; round < 3 && least > GOAL; round++)
    least = Math.min(least, await longestOnce(page, work));
  return least;
}

async function longestOnce(page: Page, work: () => Promise<unknown>): Promise<number> {
  await page.waitForTimeout(300);
  await page.evaluate(() => {
    const found: number[] = [];
    (globalThis as unknown as { tasks: number[] }).tasks = found;
    new PerformanceObserver((list) =>
      list.getEntries().forEach((entry) => found.push(entry.duration)),
    ).observe({
      type: 'longtask',
    });
  });
  const times = await heldBack(work);
  await page.waitForTimeout(300);
  const task = await page.evaluate(() =>
    Math.max(0, ...(globalThis as unknown as { tasks: number[] }).tasks),
  );
  return task / times;
}

/** Presses a link where it is: what looks for it by its role would be counted as the page’s own work. */
async function press(page: Page, href: string): Promise<void> {
  const { x, y } = await page.evaluate((to) => {
    const box = document.querySelector(`a[href="${to}"]`)?.getBoundingClientRect();
    return { x: (box?.x ?? 0) + (box?.width ?? 0) / 2, y: (box?.y ?? 0) + (box?.height ?? 0) / 2 };
  }, href);
  await page.mouse.click(x, y);
}

/** A slider taken from one end to the other. */
async function drag(page: Page): Promise<void> {
  const box = await page.locator('input[type=range]').first().boundingBox();
  if (!box) throw new Error('there is no slider');
  const [left, y] = [box.x + 8, box.y + box.height / 2];
  await page.mouse.move(left, y);
  await page.mouse.down();
  for (let n = 0; n <= 40; n++) await page.mouse.move(left + ((box.width - 16) * n) / 40, y);
  await page.mouse.up();
}

describe('nothing holds the page up', () => {
  it.each([/Marionette bridge/, /stereo pair/, /ways 1 to 8/])(
    'of %s: typing in a slot, changing what it is for, moving along the lead, and dragging a slider',
    async (name) => {
      const { page, context } = await openWindow(here.browser, { fresh: true });
      const lead = named(name);
      await page.goto(`${here.app.url}/lead/${lead.id}/intent`);
      await page.waitForTimeout(1_200);
      const typing = await longest(page, async () => {
        await page.getByLabel('length').fill('');
        await page.getByLabel('length').pressSequentially('14 m', { delay: 60 });
        await page.getByLabel('surroundings').selectOption('rack');
        await page.getByLabel('surroundings').selectOption('stage');
        await page.getByText(/^Saved, revision \d+\./).waitFor();
      });
      const moving = await longest(page, async () => {
        for (const stage of ['wiring', 'signal', 'kit', 'bench', 'prove', 'log', 'intent']) {
          await press(page, `/lead/${lead.id}/${stage}`);
          await page.waitForURL(new RegExp(`/${stage}$`));
          // What comes late belongs to it.
          await page.waitForTimeout(350);
        }
      });
      await page.goto(`${here.app.url}/lead/${lead.id}/signal`);
      await page.locator('.recharts-line').first().waitFor();
      await page.waitForTimeout(1_200);
      const before = await page.locator('.recharts-line path').first().getAttribute('d');
      const dragging = await longest(page, () => drag(page));
      await expect
        .poll(() => page.locator('.recharts-line path').first().getAttribute('d'), { timeout: 60_000 })
        .not.toBe(before);
      const all = [typing, moving, dragging].map(Math.round);
      console.info(`${lead.name}: longest task typing, moving, dragging: ${all.join(', ')} ms`);
      // The goal is 50 ms.
      expect(typing).toBeLessThan(100);
      expect(moving).toBeLessThan(100);
      expect(dragging).toBeLessThan(100);
      await context.close();
    },
  );
});
