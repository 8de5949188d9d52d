import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { leadNamed } from '../examples/read';
import { bigWords, forward, openWindow, stand, taken } from '../support/browser';
import { PLAIN_INTENT } from '../support/intents';
import { running } from '../support/running';

const here = running({ seeded: false });

/** A unit that is started of a lead of this intent; the address of its bench. */
async function unitOf(intent: object): Promise<string> {
  const [jobId, lead, unit] = [randomUUID(), randomUUID(), randomUUID()];
  await here.app.send('POST', '/api/jobs', { id: jobId, name: `Job ${jobId.slice(0, 4)}`, note: '' });
  const made = await here.app.send('POST', '/api/leads', { id: lead, jobId, name: 'Lead', intent });
  expect(made.status, await made.text()).toBe(201);
  const started = await here.app.send('POST', `/api/leads/${lead}/units`, { id: unit, builder: 'Nell' });
  expect(started.status, await started.text()).toBe(201);
  return `${here.app.url}/unit/${unit}/bench`;
}
const at = async (page: Page, address: string): Promise<void> => {
  await page.goto(address);
  await page.locator('main h2').first().waitFor();
  await taken(page);
};
const SCREWED = {
  ...PLAIN_INTENT,
  from: [{ port: 'amplifier', family: 'twist2' }],
  to: [{ port: 'loudspeaker', family: 'twist2' }],
  cable: 'loudspeaker-2x2-5',
};

describe('the gate before what cannot go on later', () => {
  it('a pedal that bounces or is held confirms one thing, not the next; a reload in the middle keeps what is ticked', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await at(page, await unitOf(PLAIN_INTENT));
    await forward(page);
    expect(await bigWords(page)).toMatch(/^Thread on at end A/);
    const ticked = () => page.locator('main button[aria-pressed=true]').count();
    await page.waitForTimeout(450);
    // Down, and bouncing: three presses within a twentieth of a second.
    for (let n = 0; n < 3; n++) await page.keyboard.press('Space');
    await expect.poll(ticked).toBe(1);
    await page.waitForTimeout(450);
    expect(await ticked()).toBe(1);
    await page.reload();
    await page.locator('main h2').first().waitFor();
    await taken(page);
    expect(await ticked()).toBe(1);
    // Held down, a key repeats itself: the browser says so, and each repeat is nothing.
    await page.keyboard.down('Space');
    for (let n = 0; n < 20; n++) {
      await page.waitForTimeout(50);
      await page.keyboard.down('Space');
    }
    await page.keyboard.up('Space');
    await expect.poll(ticked).toBe(2);
    expect(await bigWords(page)).toMatch(/^Thread on at end A/);
    const was = await stand(page);
    await page.waitForTimeout(450);
    await page.keyboard.press('PageDown');
    await expect.poll(() => stand(page)).not.toBe(was);
    expect(await bigWords(page)).toMatch(/^Thread on at end B/);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

it('Enter held down on a button is one press, not thirty a second', async () => {
  const { page, context } = await openWindow(here.browser);
  await at(page, await unitOf(SCREWED));
  const step = async () => Number(/Step (\d+) of/.exec(await page.locator('main').innerText())?.[1]);
  expect(await step()).toBe(1);
  // Reached by keys, it keeps the focus.
  for (let n = 0; n < 60; n++) {
    if (
      await page.evaluate(
        () =>
          document.activeElement?.matches('main button') === true &&
          /Done/.test(document.activeElement.textContent ?? ''),
      )
    )
      break;
    await page.keyboard.press('Tab');
  }
  for (let n = 0; n < 15; n++) {
    await page.keyboard.down('Enter');
    await page.waitForTimeout(33);
  }
  await page.keyboard.up('Enter');
  await expect.poll(step).toBe(2);
  await page.waitForTimeout(400);
  expect(await step()).toBe(2);
  await context.close();
});

describe('a step', () => {
  it('at a soldered joint says how hot and how long, as worked out, with its curve; at 390 px nothing is wider than the screen', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { width: 390 });
    await at(page, await unitOf(PLAIN_INTENT));
    for (let n = 0; n < 30 && !/^Solder white/.test(await bigWords(page)); n++) await forward(page);
    const heat = page.getByRole('region', { name: 'Heat of this joint' });
    await heat.getByText(/chisel at 3[5-8]0 °C: it wets after \d\.\d s; hold about \d\.\d s/).waitFor();
    await heat.getByText('Temperature against seconds').click();
    await heat.locator('path.recharts-line-curve').first().waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('is worked out for the iron that is there, which is kept; how long it stays is counted where that is wanted', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await at(page, await unitOf(PLAIN_INTENT));
    for (let n = 0; n < 30 && !/^Solder white/.test(await bigWords(page)); n++) await forward(page);
    const heat = page.getByRole('region', { name: 'Heat of this joint' });
    const says = heat.locator('p').first();
    await heat.getByText(/it wets after/).waitFor();
    const usual = await says.innerText();
    await heat.getByText('My iron').click();
    const watts = heat.getByLabel('Its power, W');
    for (const wrong of ['strong', '4', '501', '-30']) {
      await watts.fill(wrong);
      await heat.getByRole('button', { name: 'So it is' }).click();
      await heat.getByText('An iron has 5 to 500 W.').waitFor();
    }
    expect(await says.innerText()).toBe(usual);
    // A weak one takes longer, or does not do it at all.
    await watts.fill('15');
    await watts.press('Enter');
    await expect.poll(() => says.innerText()).not.toBe(usual);
    await heat.getByText('My iron: 15 W').waitFor();
    await page.reload();
    await taken(page);
    await heat.getByText('My iron: 15 W').click();
    await watts.fill('');
    await watts.press('Enter');
    await expect.poll(() => says.innerText()).toBe(usual);
    // What was measured here is said, and taken: no tip of such an iron melts it in 8 s.
    await heat.getByLabel('The solder melted after, s').fill('9');
    await heat.getByRole('button', { name: 'So it is' }).click();
    await heat.getByText('From the touch to when the solder runs: 0.1 to 8 s.').waitFor();
    await heat.getByLabel('The solder melted after, s').fill('2.5');
    await heat.getByRole('button', { name: 'So it is' }).click();
    await heat.getByText('My iron, melted here after 2.5 s').waitFor();
    await expect.poll(() => says.innerText()).not.toBe(usual);
    const [, dwell] = /hold about (\d\.\d) s/.exec(await says.innerText()) ?? [];
    expect(Number(dwell)).toBeGreaterThan(2.5);
    // Off until it is wanted: the key does nothing.
    await page.keyboard.press('t');
    expect(await heat.locator('output').count()).toBe(0);
    await heat.getByLabel('Count how long the iron stays').check();
    await heat.getByText(`${dwell} s`, { exact: true }).waitFor();
    await heat.getByLabel('Count how long the iron stays').evaluate((box: HTMLElement) => box.blur());
    const from = Date.now();
    await page.keyboard.press('t');
    await heat.locator('output').getByText('Let go.').waitFor();
    expect((Date.now() - from) / 1000).toBeGreaterThan(Number(dwell) - 0.2);
    expect(await bigWords(page)).toMatch(/^Solder white/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('of a lead that is screwed has no word of solder, and nothing that cools', async () => {
    const { page, context } = await openWindow(here.browser);
    await at(page, await unitOf(SCREWED));
    const said: string[] = [];
    for (let n = 0; n < 40 && !/^(Prove|Before)/.test(await bigWords(page)); n++) {
      said.push(await page.locator('main section').first().innerText());
      await forward(page);
    }
    expect(said.length).toBeGreaterThan(8);
    expect(said.join('\n')).toMatch(/Screw red under contact 1\+/);
    expect(
      said.filter((words) => /solder|rosin|cool/i.test(words.replace(/no solder|never tinned/g, ''))),
    ).toEqual([]);
    await context.close();
  });

  it('that braids draws its wires as they lie, in their colours, and only there; also after a reload, and on a phone', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { width: 390 });
    await at(page, await unitOf(leadNamed('three-strand-drained').intent ?? {}));
    const drawn = page.locator('figure').filter({ hasText: 'as they lie when they are gathered' });
    for (let n = 0; n < 30 && !/^Braid/.test(await bigWords(page)); n++) {
      expect(await drawn.count()).toBe(0);
      await forward(page);
    }
    const [, first, second, third] =
      /^Braid ([\w/-]+), ([\w/-]+) and ([\w/-]+)$/.exec(await bigWords(page)) ?? [];
    expect(third).toBeDefined();
    await page.reload();
    await taken(page);
    expect(await drawn.locator('figcaption').innerText()).toContain(
      `${first}, ${second}, ${third}, as they lie`,
    );
    expect(await drawn.getByRole('img').getAttribute('aria-label')).toMatch(/over/);
    const picture = drawn.getByRole('img');
    // What the server sent of it gives way to the page's own as soon as that is there: for a moment neither is laid out.
    const box = async () => (await picture.boundingBox()) ?? { x: 999, width: 0 };
    await expect.poll(async () => (await box()).width).toBeGreaterThan(80);
    await expect.poll(async () => (await box()).x + (await box()).width).toBeLessThanOrEqual(390);
    // Three wires, each with its own colour over its length.
    const colours = await drawn
      .locator('svg [data-colour], svg path')
      .evaluateAll(
        (all) => new Set(all.map((each) => getComputedStyle(each).stroke + getComputedStyle(each).fill)).size,
      );
    expect(colours).toBeGreaterThanOrEqual(3);
    // What has to be confirmed, then on.
    for (let n = 0; n < 3 && /^Braid/.test(await bigWords(page)); n++) await forward(page);
    expect(await bigWords(page)).not.toMatch(/^Braid/);
    await expect.poll(() => drawn.count()).toBe(0);
    expect(troubles).toEqual([]);
    await context.close();
  });
});
