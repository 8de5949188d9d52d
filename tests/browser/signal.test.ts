import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import { openWindow } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobs: BoardJob[];
beforeAll(async () => {
  jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
});

const lead = (name: string): string =>
  jobs.flatMap((job) => job.leads).find((each) => each.name === name)?.id ?? '';
const verdict = (page: Page): Promise<string> =>
  page.locator('section[aria-label=Signal] [role=status] p').first().innerText();
const curve = async (page: Page): Promise<string> =>
  (await page.locator('.recharts-line-curve').first().getAttribute('d')) ?? '';
async function open(page: Page, name: string): Promise<void> {
  await page.goto(`${here.app.url}/lead/${lead(name)}/signal`);
  await page.locator('.recharts-line-curve').first().waitFor();
}

describe('the signal of a lead', () => {
  it('follows its sliders: curve, verdict and figures, and goes back to what the lead has', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Cello pickup');
    const [before, said] = [await curve(page), await verdict(page)];
    const slider = page.getByLabel('coil', { exact: true });
    await slider.focus();
    for (let n = 0; n < 60; n++) await page.keyboard.press('ArrowLeft');
    await expect.poll(() => curve(page)).not.toBe(before);
    await expect.poll(() => verdict(page)).not.toBe(said);
    expect(await verdict(page)).toMatch(/rings at [\d.]+ kHz/);
    // The output beside the slider says what it stands at; the figure opens to formula, inputs and source.
    expect(await page.locator('output').nth(1).innerText()).toMatch(/H$/);
    const figure = page.locator('details', { hasText: 'rings at' }).last();
    await figure.locator('summary').click();
    expect(await figure.innerText()).toMatch(/formula[\s\S]*2π√\(L·C\)[\s\S]*source[\s\S]*from memory/);
    await page.getByText('The same as a table').click();
    expect(await page.locator('figure table tbody tr').count()).toBeGreaterThan(10);
    await page.getByRole('button', { name: 'As the lead has it' }).click();
    await expect.poll(() => curve(page)).toBe(before);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what was heard is there when one comes back to it, and whoever goes on in the middle of it is not held up', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const name = 'Stage box, ways 1 to 8';
    const workers: string[] = [];
    page.on('worker', (worker) => workers.push(worker.url()));
    const heard = (): number => workers.filter((url) => url.includes('signal')).length;
    await page.goto(`${here.app.url}/lead/${lead(name)}/intent`);
    const to = async (stage: string): Promise<void> => {
      await page.locator(`a[href$="/${stage}"]`).first().click();
      await page.waitForURL(new RegExp(`/${stage}$`));
    };
    // Gone on before it is heard: nothing comes of it, and it is heard anew.
    await to('signal');
    await to('kit');
    await to('signal');
    await page
      .getByText(/ to [\d.]+ kHz/)
      .first()
      .waitFor();
    await page.locator('[data-stale=false]').waitFor();
    await page.getByRole('group', { name: 'Beside it' }).waitFor();
    const said = await verdict(page);
    const begun = heard();
    expect(begun).toBeGreaterThan(0);
    await to('kit');
    await to('signal');
    expect(await verdict(page)).toBe(said);
    expect(await page.getByText('Following the signal…').count()).toBe(0);
    await page.locator('.recharts-line-curve').first().waitFor();
    expect(heard()).toBe(begun);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('whoever goes on while its address is being written gets on, and back', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${lead('Stage box, ways 1 to 8')}/kit`);
    for (const ms of [60, 100, 140, 180, 220])
      for (const stage of ['signal', 'kit']) {
        await page.locator(`a[href$="/${stage}"]`).first().click();
        await page.waitForURL(new RegExp(`/${stage}$`), { timeout: 10_000 });
        if (stage === 'signal') await page.waitForTimeout(ms);
      }
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what was turned is not there when one comes back: the lead is as it is', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Cello pickup');
    await page.locator('[data-stale=false]').waitFor();
    const [before, said] = [await curve(page), await verdict(page)];
    await page.getByLabel('coil', { exact: true }).focus();
    for (let n = 0; n < 60; n++) await page.keyboard.press('ArrowLeft');
    await expect.poll(() => verdict(page)).not.toBe(said);
    await page.locator('[data-stale=false]').waitFor();
    for (const stage of ['kit', 'signal']) {
      await page.locator(`a[href$="/${stage}"]`).first().click();
      await page.waitForURL(new RegExp(`/${stage}$`));
    }
    expect(await verdict(page)).toBe(said);
    await expect.poll(() => curve(page)).toBe(before);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a longer lead is duller, by dragging', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Cello pickup');
    const corner = async (): Promise<string> =>
      page.locator('details', { hasText: '−3 dB' }).last().locator('summary').innerText();
    const before = await corner();
    const box = await page.getByLabel('length', { exact: true }).boundingBox();
    if (!box) expect.fail('no slider');
    await page.mouse.move(box.x + box.width * 0.3, box.y + box.height / 2);
    await page.mouse.down();
    const seen = new Set<string>();
    for (let n = 3; n <= 9; n++) {
      await page.mouse.move(box.x + (box.width * n) / 10, box.y + box.height / 2);
      await page.waitForTimeout(120);
      seen.add(await curve(page));
    }
    // It is redrawn while it moves, not only at the end.
    expect(seen.size).toBeGreaterThan(2);
    await page.mouse.up();
    await expect.poll(corner).not.toBe(before);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('two schools side by side: a curve and a row for each', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Rack patch, TRS');
    await page.getByLabel('screen: source end only').check();
    await page.getByLabel('screen: receiving end only').check();
    await expect
      .poll(() => page.getByRole('table', { name: 'Side by side' }).locator('tbody tr').count())
      .toBe(3);
    await expect.poll(() => page.locator('.recharts-line-curve').count()).toBe(3);
    const rows = await page.getByRole('table', { name: 'Side by side' }).locator('tbody tr').allInnerTexts();
    expect(rows[0]).toMatch(/^as it is/);
    expect(rows[1]).toMatch(/^screen: source end only/);
    // And in words, against the first of them.
    expect(await page.locator('section[aria-label=Signal] [role=status]').innerText()).toMatch(
      /Against “screen: source end only”: hum [\d.]+ dB (lower|higher)/,
    );
    // With the screen at one end less of the ground difference gets in: another figure for hum.
    expect(rows[1]?.split('\t').at(-1)).not.toBe(rows[0]?.split('\t').at(-1));
    // A third is more than can be told apart.
    expect(await page.locator('fieldset:not([data-page]) input:not(:checked)').first().isDisabled()).toBe(
      true,
    );
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a long sum can be stopped, keeps what was shown, and goes on when asked', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Stage box, ways 1 to 8');
    const before = await curve(page);
    await page.getByLabel('length', { exact: true }).focus();
    await page.keyboard.press('End');
    const stop = page.getByRole('button', { name: 'Stop' });
    await stop.click();
    await page.getByText('Stopped: what is shown is from before.').waitFor();
    expect(await curve(page)).toBe(before);
    await page.getByLabel('length', { exact: true }).focus();
    await page.keyboard.press('Home');
    await expect.poll(() => page.getByText('Stopped').count(), { timeout: 60_000 }).toBe(0);
    expect(await page.locator('output').first().innerText()).toBe('200 mm');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what is known from memory only may be known better, and the circuit is there to be read', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Narrator’s stereo pair');
    const apart = (): Promise<string> =>
      page.locator('details', { hasText: 'separation at 10 kHz' }).last().locator('summary').innerText();
    await expect.poll(apart).toMatch(/dB \([\d.]+ to [\d.]+ dB\)/);
    const before = await apart();
    await page.getByText('Known from memory only', { exact: true }).click();
    const field = page.getByLabel('capacitance from pair to pair');
    await field.fill('3');
    await field.blur();
    await expect.poll(apart).not.toBe(before);
    // A slip is told with the field and what it may be, and what was known stays.
    const known = await apart();
    await field.fill('lots');
    await field.blur();
    expect(await page.getByRole('alert').innerText()).toMatch(
      /^capacitance from pair to pair: “lots” is no number\. Type one from/,
    );
    expect(await apart()).toBe(known);
    // What is known belongs to the lead: it is saved with it, and there after a reload.
    await expect.poll(() => page.getByText(/^Saved, revision 2/).count()).toBe(1);
    await page.reload();
    await page.getByText('Known from memory only', { exact: true }).click();
    expect(await field.inputValue()).toBe('3');
    await expect.poll(apart).toBe(known);
    await field.fill('');
    await field.blur();
    await expect.poll(apart).toBe(before);
    await page.getByText('The circuit it came from', { exact: true }).click();
    expect(await page.locator('pre').innerText()).toMatch(/\.control[\s\S]*\.endc\s+\.end/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('how long it may be follows what may be lost', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Rack patch, TRS');
    const longest = (): Promise<string> =>
      page.locator('details', { hasText: 'longest for' }).last().locator('summary').innerText();
    await expect.poll(longest).toMatch(/longest for −1\.0 dB at 20 kHz\s+\d+ m/);
    const before = await longest();
    await page.getByLabel('loss allowed', { exact: true }).focus();
    for (let n = 0; n < 80; n++) await page.keyboard.press('ArrowLeft');
    await expect.poll(longest).not.toContain('−1.0 dB');
    const metres = (words: string): number => Number(/(\d+(?:\.\d+)?) m$/.exec(words.trim())?.[1]);
    expect(metres(await longest())).toBeLessThan(metres(before));
    // What is turned is in the address: a reload in the middle brings it back.
    await page.locator('[data-stale=false]').waitFor();
    const said = await longest();
    await expect.poll(() => page.url()).toMatch(/signal\?loss=0\.\d+$/);
    await page.reload();
    await expect.poll(longest).toBe(said);
    expect(page.url()).toMatch(/signal\?loss=0\.\d+$/);
    await page.getByRole('button', { name: 'As the lead has it' }).click();
    await expect.poll(longest).toBe(before);
    await expect.poll(() => page.url()).toMatch(/signal$/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a volume box shows its level against its turn, and says where it is turned to', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await open(page, 'Listening post volume box');
    expect(await page.getByRole('button', { name: 'Level against turn' }).getAttribute('aria-pressed')).toBe(
      'true',
    );
    expect(await page.locator('.recharts-line-curve').count()).toBe(3);
    expect(await verdict(page)).toContain('at 50 % of its turn');
    await page.getByLabel('turn', { exact: true }).focus();
    await page.keyboard.press('End');
    await expect.poll(() => verdict(page)).toContain('at 100 % of its turn');
    // Another curve, and that one on a scale of its own choosing.
    await page.getByRole('button', { name: 'What arrives' }).click();
    await page.locator('figcaption', { hasText: 'against frequency' }).waitFor();
    const before = await curve(page);
    await page.getByRole('button', { name: 'frequency logarithmic' }).click();
    await expect.poll(() => curve(page)).not.toBe(before);
    await page.getByRole('button', { name: 'frequency linear' }).click();
    await expect.poll(() => curve(page)).toBe(before);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a tell-tale, through which nothing is sent, has what its lamps show for every fault of the line', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${lead('Phantom tell-tale')}/signal`);
    const table = page.getByRole('table', { name: 'What the lamps show' });
    await expect.poll(() => table.locator('tbody tr').count()).toBe(13);
    expect(await verdict(page)).toContain('It cannot see: 2 and 3 shorted; 2 and 3 swapped.');
    expect(await table.locator('tbody tr', { hasText: 'yes: not seen' }).count()).toBe(2);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('sums', () => {
  it('a link brings back what was typed: in another window, and after a reload', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/sums`);
    await page.getByRole('link', { name: 'Loudspeaker lead' }).click();
    await page.getByLabel('Load', { exact: true }).fill('4');
    await page.getByLabel('Conductor').selectOption('14 AWG');
    await expect.poll(() => page.locator('main [role=status]').first().innerText()).toContain('−0.35 dB');
    const said = await page.locator('main [role=status]').first().innerText();
    const address = page.url();
    expect(address).toMatch(/\/sums\?q=loudspeaker&load=4/);
    await page.getByRole('button', { name: 'Keep it here' }).click();
    await page.reload();
    await expect.poll(() => page.locator('main [role=status]').first().innerText()).toBe(said);
    expect(await page.getByRole('heading', { name: 'Kept' }).count()).toBe(1);
    const other = await openWindow(here.browser);
    await other.page.goto(address);
    await expect.poll(() => other.page.locator('main [role=status]').first().innerText()).toBe(said);
    expect(await other.page.getByLabel('Load', { exact: true }).inputValue()).toBe('4');
    await other.context.close();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a bad value is told at its slot, with what it may be, and stays as it was typed', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/sums?q=level`);
    await page.getByLabel('Load', { exact: true }).fill('lots');
    await expect
      .poll(() => page.getByRole('alert').allInnerTexts())
      .toEqual(['Load: “lots” is no number. Type one from 1 to 1000M Ω; k and M may follow it.']);
    expect(await page.getByLabel('Load', { exact: true }).inputValue()).toBe('lots');
    expect(await page.getByLabel('Load', { exact: true }).getAttribute('aria-invalid')).toBe('true');
    await page.reload();
    expect(await page.getByLabel('Load', { exact: true }).inputValue()).toBe('lots');
    await page.getByLabel('Load', { exact: true }).fill('600');
    await expect.poll(() => page.getByRole('alert').count()).toBe(0);
    await expect.poll(() => page.locator('main [role=status]').first().innerText()).toContain('−1.3 dB');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a link with what no sum asks for opens all the same', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/sums?q=clash&colour=red&one=100`);
    await expect.poll(() => page.locator('main [role=status]').first().innerText()).toContain('13.3 mA');
    expect(troubles).toEqual([]);
    await context.close();
  });
});
