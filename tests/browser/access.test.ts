import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import type { Stage } from '../../src/server/stage/service';
import { openWindow } from '../support/browser';
import { oneWindow, running } from '../support/running';
import { everySo } from '../support/some';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const here = running();
let paths: Record<string, string>;
beforeAll(async () => {
  const jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
  const leads = jobs.flatMap((job) => job.leads);
  const stage = (await (await fetch(`${here.app.url}/api/stage/${jobs[0]?.id ?? ''}`)).json()) as Stage;
  const sweep = stage.sweeps[0]?.id ?? '';
  const lead = (name: string) => leads.find((each) => each.name === name);
  const unit = (name: string) => lead(name)?.units.find((each) => each.stage !== 'logged')?.id;
  paths = {
    board: '/',
    new: `/lead/new?job=${jobs[0]?.id}`,
    intent: `/lead/${lead('Old ribbon, music room 2')?.id}/intent`,
    wiring: `/lead/${lead('Choir desk to recorder')?.id}/wiring`,
    'wiring of eight': `/lead/${lead('Stage box, ways 1 to 8')?.id}/wiring`,
    'one plug': `/lead/${lead('Phantom tell-tale')?.id}/intent`,
    workshop: '/workshop',
    shelf: `/shelf?job=${jobs[0]?.id}`,
    job: `/job/${jobs[0]?.id}`,
    stage: `/stage/${jobs[0]?.id}`,
    'before a sweep': `/sweep/${sweep}/before`,
    sweep: `/sweep/${sweep}/walk`,
    'planned anew': `/sweep/${sweep}/plan`,
    signal: `/lead/${lead('Choir desk to recorder')?.id}/signal`,
    'signal of eight': `/lead/${lead('Stage box, ways 1 to 8')?.id}/signal`,
    sums: '/sums?q=bandwidth',
    'sums with a table': '/sums?q=tell-tale',
    kit: `/lead/${lead('Narrator, left capsule')?.id}/kit`,
    'bench stage': `/lead/${lead('Narrator, right capsule')?.id}/bench`,
    'prove stage': `/lead/${lead('Thunder sheet pickup')?.id}/prove`,
    log: `/lead/${lead('Narrator, left capsule')?.id}/log`,
    bench: `/unit/${unit('Narrator, right capsule')}/bench`,
    prove: `/unit/${unit('Thunder sheet pickup')}/prove`,
    fault: `/unit/${unit('Tablet to loudspeaker, left')}/prove`,
  };
});

const SCREENS = [
  'board',
  'new',
  'intent',
  'wiring',
  'wiring of eight',
  'one plug',
  'workshop',
  'shelf',
  'job',
  'stage',
  'before a sweep',
  'sweep',
  'planned anew',
  'signal',
  'signal of eight',
  'sums',
  'sums with a table',
  'kit',
  'bench stage',
  'prove stage',
  'log',
  'bench',
  'prove',
  'fault',
] as const;

/** What axe finds that is serious or critical, in words: all of it, or one rule. */
async function seriousOn(page: Page, only?: string): Promise<readonly string[]> {
  interface Violation {
    readonly id: string;
    readonly impact: string;
    readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
  }
  const { violations } = await page.evaluate(
    (rule) =>
      (
        globalThis as unknown as {
          axe: { run: (options: object) => Promise<{ violations: readonly Violation[] }> };
        }
      ).axe.run(rule === undefined ? {} : { runOnly: [rule] }),
    only,
  );
  return violations
    .filter((each) => ['serious', 'critical'].includes(each.impact))
    .map(
      ({ id, nodes }) => `${id}: ${nodes.map((node) => `${node.html} ${node.failureSummary}`).join(' | ')}`,
    );
}

describe('on either ground', () => {
  const window = oneWindow(here);
  it.each(everySo(2, SCREENS))(
    '%s: nothing serious or critical, no script trouble, nothing from elsewhere',
    async (screen) => {
      const { page, troubles } = window;
      await page.emulateMedia({ colorScheme: 'light' });
      await page.goto(here.app.url + paths[screen]);
      await page.waitForFunction(
        () => !/Fetching|Following/.test(document.body.innerText) && document.querySelector('main') !== null,
      );
      // What comes after the page itself is looked at too.
      if (screen.startsWith('wiring'))
        await page.getByText('Make it of other things').waitFor({ state: 'visible' });
      for (const summary of await page.locator('summary').all())
        if ((await summary.locator('..').getAttribute('open')) === null) await summary.click();
      // Evaluated through the debugger, which the page's policy does not bind.
      await page.evaluate(axe);
      expect(await seriousOn(page)).toEqual([]);
      const light = await page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
      await page.emulateMedia({ colorScheme: 'dark' });
      expect(await page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor)).not.toBe(
        light,
      );
      // The ground changes colours, and nothing else.
      expect(await seriousOn(page, 'color-contrast')).toEqual([]);
      expect(troubles).toEqual([]);
    },
  );
});

describe.each(['bench', 'stage'] as const)('on the %s ground', (ground) => {
  it('the ground can be switched and is remembered', async () => {
    const { page, context } = await openWindow(here.browser, { ground });
    const paper = (): Promise<string> =>
      page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
    await page.goto(here.app.url);
    await page.getByRole('button', { name: /light$/ }).waitFor();
    const before = await paper();
    await page.getByRole('button', { name: /light$/ }).click();
    const after = await paper();
    expect(after).not.toBe(before);
    await page.reload();
    expect(await paper()).toBe(after);
    await context.close();
  });
});

describe('390 wide', () => {
  it.each(['bench', 'prove', 'fault'] as const)(
    '%s fits, and what is pressed is at least 44 px',
    async (screen) => {
      const { page, context } = await openWindow(here.browser, { width: 390 });
      await page.goto(here.app.url + paths[screen]);
      await page.waitForFunction(() => document.querySelector('main h2') !== null);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      for (const button of await page.locator('footer button, footer a').all())
        expect((await button.boundingBox())?.height).toBeGreaterThanOrEqual(44);
      await context.close();
    },
  );
});

it('keys are shown by “?”', async () => {
  const { page, context } = await openWindow(here.browser);
  await page.goto(here.app.url + paths['bench']);
  await page.waitForFunction(() => document.querySelector('main h2') !== null);
  await page.keyboard.press('?');
  await page.getByText('something is wrong', { exact: true }).waitFor();
  await context.close();
});
