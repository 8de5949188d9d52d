import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import { leadNamed } from '../examples/read';
import { openWindow, taken } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobId: string;
beforeAll(async () => {
  jobId = ((await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[])[0]?.id ?? '';
});

/** The wiring page of a lead of an example; its address. */
async function wiringOf(example: string): Promise<string> {
  const { name, intent } = leadNamed(example);
  const id = randomUUID();
  const answer = await here.app.send('POST', '/api/leads', { id, jobId, name, intent });
  expect(answer.status, await answer.text()).toBe(201);
  return `${here.app.url}/lead/${id}/wiring`;
}

/** What is written in the large drawings that are seen, as it is on the screen, px. */
const written = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<SVGTextElement>('#drawing svg text')]
      .filter((text) => text.checkVisibility() && text.closest('button') === null)
      .map((text) => {
        const { left, top, right, bottom } = text.getBoundingClientRect();
        const scale = text.getScreenCTM()?.a ?? 0;
        return {
          says: text.textContent,
          size: Number.parseFloat(getComputedStyle(text).fontSize) * scale,
          // The box of a line is higher than its letters: what of it is ink.
          box: [left, top + (bottom - top) * 0.22, right, bottom - (bottom - top) * 0.22] as const,
        };
      }),
  );

const FAMILIES = [
  'stage-microphone',
  'stereo-sum',
  'd25-to-eight-xlr',
  'volume-box',
  'stereo-microphone-fan-out',
  'headset-extension',
  'test-tail',
  'record-player-unified',
] as const;

describe.each([1280, 390])('at %i', (width) => {
  it('everything that is written in a drawing can be read, and no label lies on another', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { width });
    for (const family of FAMILIES) {
      await page.goto(await wiringOf(family));
      await taken(page);
      await page.locator('#drawing [role="button"]').filter({ visible: true }).first().waitFor();
      const labels = await written(page);
      expect(labels.length, family).toBeGreaterThan(3);
      labels.forEach(({ says, size, box }, n) => {
        expect(size, `${family}: ${says}`).toBeGreaterThanOrEqual(11);
        for (const other of labels.slice(n + 1)) {
          const apart =
            box[2] <= other.box[0] ||
            other.box[2] <= box[0] ||
            box[3] <= other.box[1] ||
            other.box[3] <= box[1];
          expect(apart, `${family}: ${says} and ${other.says}`).toBe(true);
        }
      });
      // Nothing pushes the page sideways.
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    }
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('the drawing of a lead', () => {
  it('is there before any script, with its parts', async () => {
    const context = await here.browser.newContext({ javaScriptEnabled: false });
    const page = await context.newPage();
    await page.goto(await wiringOf('stereo-sum'));
    const drawing = page.locator('#drawing svg').first();
    await drawing.waitFor();
    const texts = await drawing.locator('text').allTextContents();
    for (const name of ['R1', 'R2', 'R3', 'WH', 'BK', '1', '2', '3']) expect(texts).toContain(name);
    await context.close();
  });

  it('takes at least half of a page of 1280 × 800 with its other ends', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(await wiringOf('d25-to-eight-xlr'));
    await taken(page);
    // What the server drew is replaced by what can be touched: there is a moment between.
    const drawing = page.locator('#drawing');
    const box = async () => (await drawing.boundingBox()) ?? { y: 0, width: 0, height: 0 };
    const area = async () => (({ width, height }) => width * height)(await box());
    await expect.poll(area).toBeGreaterThan((1280 * 800) / 2);
    // All of it is seen without scrolling.
    const { y, height } = await box();
    expect(y + height).toBeLessThan(800);
    await context.close();
  });

  it('an end is taken in hand by its picture, and by pointing at it where the lead lies along the page', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(await wiringOf('d25-to-eight-xlr'));
    await page.getByRole('button', { name: 'contact A.24' }).waitFor();
    await page.getByRole('button', { name: /^C XLR 3/ }).click();
    await page.getByRole('button', { name: 'contact C.2' }).waitFor();
    await page.locator('[data-end="E"]').first().click();
    await page.getByRole('button', { name: 'contact E.2' }).waitFor();
    expect(await page.getByRole('button', { name: 'contact C.2' }).count()).toBe(0);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('one channel alone: its contacts are named, and no others', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(await wiringOf('d25-to-eight-xlr'));
    await page.getByRole('button', { name: 'contact A.24' }).waitFor();
    await page.getByLabel('Show').selectOption({ label: 'channel 3 alone' });
    // AES59: channel 3 is hot 21, cold 9, screen 22.
    await expect
      .poll(async () =>
        (await written(page)).map(({ says }) => says).filter((says) => /^\d+$/.test(says ?? '')),
      )
      .toEqual(['9', '21', '22']);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('how it lies in the vice is kept, across a reload and at the bench', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const address = await wiringOf('stage-microphone');
    await page.goto(address);
    await page.getByRole('button', { name: 'contact A.2' }).waitFor();
    await page.getByRole('button', { name: 'For the left hand' }).click();
    await page.getByRole('button', { name: 'Turn it in the vice' }).click();
    /** Where the middle of the jacket is from that of the contacts, on the screen. */
    const jacket = () =>
      page.evaluate(() => {
        const svg = [...document.querySelectorAll('figure svg')].find((each) => each.checkVisibility());
        const middle = (element: Element | null | undefined) => {
          const { left, top, width, height } = element?.getBoundingClientRect() ?? new DOMRect();
          return [left + width / 2, top + height / 2] as const;
        };
        const [x, y] = middle(svg?.querySelector('rect'));
        const [ix, iy] = middle(svg?.querySelector('circle'));
        return Math.abs(x - ix) > Math.abs(y - iy) ? (x < ix ? 'left' : 'right') : y < iy ? 'above' : 'below';
      });
    // To the left, and then a quarter clockwise.
    await expect.poll(jacket).toBe('above');
    await page.reload();
    await expect.poll(jacket).toBe('above');
    await page.getByRole('button', { name: 'Both ends' }).click();
    await page.getByRole('group', { name: /peeled back/ }).waitFor();
    // The side too; at the bench it is the one that is soldered, whatever is kept.
    await page.getByRole('button', { name: 'Show the mating faces' }).click();
    await page.reload();
    await page.getByRole('button', { name: 'Show the solder sides' }).waitFor();
    await page.goto(address.replace(/wiring$/, 'bench'));
    await taken(page);
    await page.getByLabel('Built by').fill('Nell');
    await page.getByRole('button', { name: 'Start a lead' }).click();
    const vice = page.getByRole('img', { name: /^End [AB], solder side/ });
    for (let steps = 0; steps < 12 && (await vice.count()) === 0; steps++) {
      await page.getByRole('button', { name: 'Done' }).click();
      await page.waitForTimeout(150);
    }
    await vice.waitFor();
    await expect.poll(jacket).toBe('left');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('is had on paper, as it is looked at', async () => {
    const { page, context } = await openWindow(here.browser);
    const address = await wiringOf('stereo-sum');
    await page.goto(address);
    await taken(page);
    const href = await page.getByRole('link', { name: 'On paper, at true size' }).getAttribute('href');
    const answer = await fetch(`${here.app.url}${href ?? ''}`);
    expect(answer.headers.get('content-type')).toBe('application/pdf');
    expect(
      Buffer.from(await answer.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    const wrong = await fetch(`${here.app.url}${(href ?? '').replace('side=solder', 'side=inside')}`);
    expect(wrong.status).toBe(400);
    expect(await wrong.json()).toMatchObject({ problems: [{ path: 'side', code: 'drawing.view' }] });
    await context.close();
  });
});
