import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { afterEach, describe, expect, it } from 'vitest';
import { freePort } from '../../scripts/lib/run.mjs';
import { isProbe, judge, type Probe } from '../../src/core/proving';
import { ANY_METER, faultsOf, type Variant } from '../../src/core/proving';
import { ScpiMeter, serveMeter, underTest } from '../../src/devices/meter';
import type { UnitSheet } from '../../src/server/units/service';
import { acknowledged, bigWords, openWindow, pedal } from '../support/browser';
import { running } from '../support/running';
import { unitAt } from '../support/units';

let port: number;
const here = running({
  async env() {
    port = (await freePort()) as number;
    return { ANTLER_METERS: `127.0.0.1:${port}, bench-meter:5025` };
  },
});

/** The meter of the house, with a lead on it, and the hands that hold its leads. */
async function meterOn({ lead }: UnitSheet, built: Variant = lead) {
  const meter = new ScpiMeter(underTest(lead, built));
  const served = await serveMeter(meter, { port });
  const close = (): Promise<void> => served.close();
  closing.push(close);
  const touch = ({ red, black }: Probe): void =>
    void meter.take(`ROUT:PROB ${[red, ...black].map((each) => `"${each}"`).join(',')}`);
  return { touch, lift: () => void meter.take('ROUT:OPEN'), close };
}
const closing: (() => Promise<void>)[] = [];
/** What a test that failed left open has the meter. */
afterEach(async () => {
  for (const context of here.browser.contexts()) await context.close();
  for (const close of closing.splice(0)) await close();
});

const plugIn = (plug: string | undefined = `127.0.0.1:${port}`): Promise<Response> =>
  here.app.send('PUT', '/api/workshop/meter', { meter: ANY_METER, plug });
const live = (page: Page): Promise<string> =>
  page.getByRole('region', { name: 'The meter that is plugged in' }).innerText();
const proveOf = (unit: UnitSheet): string => `${here.app.url}/unit/${unit.id}/prove`;
const readingsOf = async (unit: UnitSheet): Promise<readonly { probe: string; answer: object }[]> =>
  ((await (await fetch(`${here.app.url}/api/units/${unit.id}`)).json()) as { readings: [] }).readings;

/** Types as a device does: keys right after each other, wherever the focus is. */
const typeFast = (page: Page, text: string): Promise<void> =>
  page.evaluate(
    (keys) => {
      for (const key of keys)
        (document.activeElement ?? document.body).dispatchEvent(
          new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
        );
    },
    [...text, 'Enter'],
  );

describe('the house’s meter', () => {
  it('is described and plugged in on the workshop’s page, where it may be; a wrong figure is named at its field', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/workshop`);
    const meter = page.getByRole('region', { name: 'The house’s meter' });
    expect(await meter.innerText()).toMatch(/Not described/);
    await meter.getByText('Describe the meter').click();
    await meter.getByLabel('On open leads, highest range, V').fill('0.2');
    await meter.getByLabel('Diode test reaches, V').fill('2,6');
    await meter.getByRole('button', { name: 'Keep it' }).click();
    await meter.getByText('The highest range has no less volts than the lowest.').waitFor();
    await meter.getByLabel('On open leads, highest range, V').fill('3');
    await meter.getByLabel('Measures capacitance').check();
    expect(await meter.getByLabel('Plugged in at').locator('option').allInnerTexts()).toEqual([
      'nowhere: what it shows is typed',
      `127.0.0.1:${port}`,
      'bench-meter:5025',
    ]);
    await meter.getByLabel('Plugged in at').selectOption(`127.0.0.1:${port}`);
    await meter.getByRole('button', { name: 'Keep it' }).click();
    await meter.getByText('Kept.').waitFor();
    await page.reload();
    expect(await meter.innerText()).toMatch(
      /Measures ohms, diodes, capacitance, with 0\.4 to 3 V on open leads, its leads nulled\. It is plugged in at 127\.0\.0\.1/,
    );
    // A unit that is started now is proven by it: the lamps by the diode test.
    const { unit } = await unitAt(here.database.db, /^Phantom tell-tale/, 'measure');
    expect(unit.plan.instrument.diodeVolts).toBe(2.6);
    expect(unit.plan.probes.filter(({ mode }) => mode === 'diode').length).toBeGreaterThan(0);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('is asked at hosts that were named, and by one window at a time', async () => {
    const refused = await plugIn('127.0.0.1:22');
    expect(refused.status).toBe(422);
    expect(await refused.json()).toMatchObject({ problems: [{ code: 'meter.socket', path: 'plug' }] });
    expect((await here.app.send('PUT', '/api/workshop/meter', {})).status).toBe(200);
    const [one, other] = [randomUUID(), randomUUID()];
    const read = (owner: string, more = {}): Promise<Response> =>
      here.app.send('POST', '/api/meter/reading', { owner, mode: 'ohms', ...more });
    expect((await read(one)).status).toBe(404);
    expect((await plugIn()).status).toBe(200);
    // Not on yet: why, and that within a moment.
    const away = await read(one);
    expect(away.status).toBe(502);
    expect(await away.json()).toMatchObject({ problems: [{ code: 'meter.away' }] });
    const { unit } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    await meterOn(unit);
    await expect.poll(async () => (await read(one)).status).toBe(200);
    expect(await (await read(one)).json()).toEqual({ figure: 'OL' });
    expect((await read(other)).status).toBe(409);
    expect((await read(other, { take: true })).status).toBe(200);
    expect((await read(one)).status).toBe(409);
    expect((await read('me')).status).toBe(422);
    expect((await read(other, { mode: 'volts' })).status).toBe(422);
    // From a page of another site it is not asked at all.
    expect(
      (await here.app.send('POST', '/api/meter/reading', {}, { origin: 'http://elsewhere.example' })).status,
    ).toBe(403);
  });
});

describe.each([
  ['bench', 1280],
  ['stage', 390],
] as const)('the meter that is plugged in, in the light of the %s at %i', (ground, width) => {
  it('proves a lead: what holds still is taken, an open by the pedal, nothing of the probe before', async () => {
    await plugIn();
    const { unit, proof, readings } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    const { touch, lift } = await meterOn(unit);
    // A window that had it last may have it for a moment yet.
    const { page, context, troubles } = await openWindow(here.browser, {
      ground,
      width,
      expectTrouble: true,
    });
    await page.goto(proveOf(unit));
    await expect.poll(() => live(page)).toMatch(/open\s+Take this\s+Touch both/);
    let n = 0;
    for (let next = judge(proof, readings).next; next; next = judge(proof, readings).next) {
      const check = next;
      if (!isProbe(check)) {
        await page.getByRole('button', { name: 'Yes, so' }).click();
        readings.push({ probe: check.id, answer: { kind: 'yes' } });
        continue;
      }
      const isOpen = proof.expects(check).nominal === Number.POSITIVE_INFINITY;
      const before = await bigWords(page);
      if (n === 1) {
        // The leads are still where they were: that is no reading of this probe.
        await expect.poll(() => live(page)).toMatch(/Lift the leads first/);
        await page.waitForTimeout(1_200);
        expect(await bigWords(page)).toBe(before);
      }
      lift();
      await expect.poll(() => live(page)).toMatch(/Touch both/);
      touch(check);
      if (isOpen) {
        if (n < 8) await page.waitForTimeout(700);
        expect(await bigWords(page)).toBe(before);
        if (process.env['ANTLER_LOOK'])
          await page.screenshot({ path: `${process.env['ANTLER_LOOK']}/live-${width}.png`, fullPage: true });
        await pedal(page, n % 2 === 0 ? 'Space' : 'PageDown');
      }
      readings.push({
        probe: check.id,
        answer: { kind: 'ohms', ohms: isOpen ? Number.POSITIVE_INFINITY : 0.2 },
      });
      const left = judge(proof, readings).next;
      await expect.poll(() => bigWords(page)).not.toBe(left ? before : '');
      n++;
    }
    await expect.poll(() => bigWords(page)).toMatch(/Every path carries/);
    await acknowledged(page);
    const kept = await readingsOf(unit);
    expect(new Set(kept.map(({ probe }) => probe))).toEqual(new Set(proof.checks.map(({ id }) => id)));
    const [path] = proof.probes;
    expect(kept.find(({ probe }) => probe === path?.id)?.answer).toMatchObject({ kind: 'ohms' });
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('the meter that is plugged in', () => {
  it('finds a short; goes away and comes back; what it no longer shows is not taken', async () => {
    await plugIn();
    const { unit, proof, readings } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    const short = faultsOf(unit.lead.assembly).find(({ kind }) => kind === 'short');
    const built = short?.variants()[0];
    if (!short || !built) throw new Error('no short');
    const first = await meterOn(unit, built);
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    await page.goto(proveOf(unit));
    await expect.poll(() => live(page)).toMatch(/Touch both/);
    // It is switched off: why, and a pedal that is pressed takes nothing.
    await first.close();
    await expect.poll(() => live(page)).toMatch(/does not answer/);
    await pedal(page);
    await page.getByText('There is no figure of just now').waitFor();
    const before = await readingsOf(unit);
    expect(before.every(({ answer }) => 'kind' in answer && answer.kind === 'yes')).toBe(true);
    // What is typed counts meanwhile.
    const [path] = proof.probes;
    const was = await bigWords(page);
    await page.getByLabel('Reading, Ω').fill('0.3');
    await page.keyboard.press('Enter');
    await expect.poll(() => bigWords(page)).not.toBe(was);
    await acknowledged(page);
    expect((await readingsOf(unit)).slice(before.length)).toMatchObject([
      { probe: path?.id, answer: { ohms: 0.3 } },
    ]);
    // On again: probe by probe until the short is named.
    const second = await meterOn(unit, built);
    readings.push({ probe: path?.id ?? '', answer: { kind: 'ohms', ohms: 0.3 } });
    for (let next = judge(proof, readings).next; next && isProbe(next); next = judge(proof, readings).next) {
      const words = await bigWords(page);
      second.lift();
      await expect.poll(() => live(page)).toMatch(/Touch both/);
      second.touch(next);
      await page.waitForTimeout(900);
      if ((await bigWords(page)) === words) await pedal(page);
      await expect.poll(() => bigWords(page)).not.toBe(words);
      await acknowledged(page);
      const kept = (await readingsOf(unit)).at(-1)?.answer as { ohms: number | 'OL' };
      readings.push({
        probe: next.id,
        answer: { kind: 'ohms', ohms: kept.ohms === 'OL' ? Number.POSITIVE_INFINITY : kept.ohms },
      });
    }
    expect(judge(proof, readings).suspects.map(({ id }) => id)).toContain(short.id);
    expect(await bigWords(page)).toMatch(/^Fault/);
    await context.close();
  });

  it('is of one window: another says so, takes it over, and the first says so', async () => {
    await plugIn();
    const { unit } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    await meterOn(unit);
    const [one, other] = await Promise.all([
      openWindow(here.browser, { expectTrouble: true }),
      openWindow(here.browser, { expectTrouble: true }),
    ]);
    await one.page.goto(proveOf(unit));
    await expect.poll(() => live(one.page)).toMatch(/Touch both/);
    await other.page.goto(proveOf(unit));
    await expect.poll(() => live(other.page)).toMatch(/in use in another window/);
    await other.page.getByRole('button', { name: 'Take it over' }).click();
    await expect.poll(() => live(other.page)).toMatch(/Touch both/);
    await expect.poll(() => live(one.page)).toMatch(/in use in another window/);
    await Promise.all([one.context.close(), other.context.close()]);
  });
});

describe('a device that types', () => {
  it('types into the reading, whatever its letters are short for and wherever the focus is', async () => {
    expect((await here.app.send('PUT', '/api/workshop/meter', {})).status).toBe(200);
    const { unit, readings } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    const looked = readings.length;
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(proveOf(unit));
    const first = await bigWords(page);
    // “b”, “o” and “u” alone are answers; in haste, with Enter, they are a line that is no reading.
    await typeFast(page, 'box');
    await page.getByText('“box” is not a reading').waitFor();
    expect(await bigWords(page)).toBe(first);
    await typeFast(page, '+2.10000000E-01');
    await expect.poll(() => bigWords(page)).not.toBe(first);
    // With the focus on what Enter would press.
    const second = await bigWords(page);
    await page.getByRole('button', { name: 'No beep' }).focus();
    await typeFast(page, '0.22');
    await expect.poll(() => bigWords(page)).not.toBe(second);
    const third = await bigWords(page);
    await typeFast(page, '+9.90000000E+37');
    await expect.poll(() => bigWords(page)).not.toBe(third);
    await acknowledged(page);
    expect((await readingsOf(unit)).slice(looked).map(({ answer }) => answer)).toEqual([
      { kind: 'ohms', ohms: 0.21 },
      { kind: 'ohms', ohms: 0.22 },
      { kind: 'ohms', ohms: 'OL' },
    ]);
    // A hand is a hand: its keys are answers, and its figures go to the field.
    await page.getByRole('button', { name: 'Mended: measure it all again' }).click();
    await expect.poll(() => bigWords(page)).toMatch(/^Look into/);
    await page.locator('main').focus();
    await page.keyboard.press('y');
    await expect.poll(() => bigWords(page)).toBe(first);
    await page.keyboard.press('b');
    await expect.poll(() => bigWords(page)).toBe(second);
    await page.keyboard.press('3');
    await expect.poll(() => page.getByLabel('Reading, Ω').inputValue()).toBe('3');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('is not heard where no reading is asked, and it is said', async () => {
    const { unit } = await unitAt(here.database.db, /^Phantom tell-tale/, 'measure');
    const { page, context } = await openWindow(here.browser);
    await page.goto(proveOf(unit));
    for (const ohms of ['4.7k', '4.7k']) {
      const was = await bigWords(page);
      if (!/Red on/i.test(was)) break;
      await page.getByLabel('Reading, Ω').fill(ohms);
      await page.keyboard.press('Enter');
      await expect.poll(() => bigWords(page)).not.toBe(was);
    }
    await expect.poll(() => bigWords(page)).toMatch(/^Look at/);
    const was = await bigWords(page);
    await typeFast(page, '0.1xy');
    await page.getByText('“0.1xy” was typed by a device').waitFor();
    expect(await bigWords(page)).toBe(was);
    await context.close();
  });
});
