import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { isProbe, judge, type Answer, type Check } from '../../src/core/proving';
import { createJob } from '../../src/server/jobs/service';
import { createLead } from '../../src/server/leads/service';
import type { UnitSheet } from '../../src/server/units/service';
import { leadNamed } from '../examples/read';
import { acknowledged, bigWords, openWindow } from '../support/browser';
import { running } from '../support/running';
import { proveUnit, unitAt } from '../support/units';

const here = running();

const figure = (answer: Answer): string =>
  answer.kind === 'ohms' ? (Number.isFinite(answer.ohms) ? answer.ohms.toFixed(2) : 'OL') : '';

/** Answers whatever is asked on the page, check by check as the core asks it, until nothing more is. */
async function answerAll(
  page: Page,
  { proof, says, readings }: Awaited<ReturnType<typeof unitAt>>,
  otherwise: (check: Check) => Answer | undefined = () => undefined,
): Promise<readonly Check[]> {
  const asked: Check[] = [];
  for (let next = judge(proof, readings).next; next; next = judge(proof, readings).next) {
    const check = next;
    const answer = otherwise(check) ?? says(check);
    await expect
      .poll(() => bigWords(page))
      .toMatch(isProbe(check) ? /^red on/i : new RegExp(check.says.slice(0, 20).replace(/[()]/g, '.'), 'i'));
    const was = await page.locator('main').innerText();
    if (isProbe(check)) {
      await page.getByLabel(/^Reading, /).fill(figure(answer));
      await page.keyboard.press('Enter');
    } else
      await page
        .getByRole('button', {
          name: { yes: 'Yes, so', no: 'No', skipped: 'Not done' }[answer.kind as 'yes'],
          exact: true,
        })
        .click();
    await expect.poll(() => page.locator('main').innerText()).not.toBe(was);
    readings.push({ probe: check.id, answer });
    asked.push(check);
  }
  return asked;
}

const proveOf = (unit: UnitSheet): string => `${here.app.url}/unit/${unit.id}/prove`;

describe.each([
  ['bench', 1280],
  ['stage', 390],
] as const)('proving, in the light of the %s at %i', (ground, width) => {
  it('before a tell-tale is closed its resistors are measured and its lamps looked at; what is off keeps it open', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { ground, width });
    const { unit } = await unitAt(here.database.db, /^Phantom tell-tale/, 'measure');
    await page.goto(`${here.app.url}/unit/${unit.id}/bench`);
    await expect.poll(() => bigWords(page)).toMatch(/^Before end A is closed: 6 checks/);
    await page.getByRole('button', { name: 'To the meter' }).click();
    await page.waitForURL(/\/prove$/);
    await expect.poll(() => bigWords(page)).toMatch(/Red on one leg of R1\s+black on its other leg/i);
    // Ten times too much: it is named, and nothing leads on.
    await page.getByLabel('Reading, Ω').fill('47k');
    await page.keyboard.press('Enter');
    await expect.poll(() => page.locator('main').innerText()).toMatch(/R1 is 47 kΩ, not 4.7 kΩ/);
    expect(await page.getByRole('button', { name: 'Measured: go on' }).count()).toBe(0);
    // A reload in the middle: what was read is there.
    await page.reload();
    await expect.poll(() => page.locator('main').innerText()).toMatch(/R1 is 47 kΩ, not 4.7 kΩ/);
    await page.getByRole('button', { name: 'across R1' }).click();
    await page.getByLabel('Reading, Ω').fill('seven');
    await page.keyboard.press('Enter');
    await page.getByText('“seven” is not a reading').waitFor();
    await page.getByLabel('Reading, Ω').fill('4.7k');
    await page.keyboard.press('Enter');
    await expect.poll(() => bigWords(page)).toMatch(/one leg of R2/i);
    await page.getByLabel('Reading, Ω').fill('4.65k');
    await page.keyboard.press('Enter');
    for (const part of ['D1', 'D3', 'D2', 'D4']) {
      await expect.poll(() => bigWords(page)).toMatch(new RegExp(`^Look at ${part} in end A`));
      await page.getByRole('button', { name: 'Yes, so' }).click();
    }
    await page.getByText('it may be closed').waitFor();
    await page.getByRole('button', { name: 'Measured: go on' }).click();
    await page.waitForURL(/\/bench$/);
    await expect.poll(() => bigWords(page)).not.toMatch(/may be closed|^Before/);
    await acknowledged(page);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('lamps: one that stays dark on a known phantom line is a fault; a test that is not done stands before the verdict', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { ground, width });
    const dark = await unitAt(here.database.db, /^Phantom tell-tale/, 'prove');
    await page.goto(proveOf(dark.unit));
    await answerAll(page, dark, (check) => (check.id === 'test:lamps' ? { kind: 'no' } : undefined));
    expect(await bigWords(page)).toMatch(/^(Fault|Not good)/);
    const untried = await unitAt(here.database.db, /^Phantom tell-tale/, 'prove');
    await page.goto(proveOf(untried.unit));
    const asked = await answerAll(page, untried, (check) =>
      check.id === 'test:lamps' ? { kind: 'skipped' } : undefined,
    );
    expect(asked.filter((check) => isProbe(check) && /^A\.[123]~A\.[123]$/.test(check.id))).toHaveLength(3);
    await page.getByRole('heading', { name: 'Not proven', exact: true }).waitFor();
    if (process.env['ANTLER_LOOK'])
      await page.screenshot({ path: `${process.env['ANTLER_LOOK']}/not-${width}.png`, fullPage: true });
    const words = await page.locator('main').innerText();
    expect(words.indexOf('It was asked, and not done.')).toBeLessThan(words.indexOf('Good, except'));
    expect(words).toMatch(/Good,\s+except that this was not proven: plug it into a line whose phantom/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a control is read at its stops and half up, and ends with music', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { ground, width });
    const box = await unitAt(here.database.db, /volume box/, 'prove');
    await page.goto(proveOf(box.unit));
    const turned = new Set<string>();
    const asked = await answerAll(page, box, (check) => {
      if (process.env['ANTLER_LOOK'] && isProbe(check) && check.turn === 0.5)
        void page
          .screenshot({ path: `${process.env['ANTLER_LOOK']}/knob-${width}.png`, fullPage: true })
          .catch(() => undefined);
      if (isProbe(check) && check.turn !== undefined) turned.add(String(check.turn));
      return undefined;
    });
    expect([...turned]).toEqual(['0', '1', '0.5']);
    expect(asked.at(-2)?.says).toMatch(/^Play music, low first/);
    expect(await bigWords(page)).toMatch(/Every path carries/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a break is placed by capacitance, drawn along the cable, and noted with the lead', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { ground, width });
    const lead = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    await page.goto(proveOf(lead.unit));
    await answerAll(page, lead, (check) =>
      check.id === 'A.2~B.2' ? { kind: 'ohms', ohms: Infinity } : undefined,
    );
    expect(await bigWords(page)).toMatch(/White is open: it does not carry 2/);
    await page.getByRole('button', { name: 'Find where along the cable' }).click();
    await page.getByLabel('At end A, pF').fill('5');
    await page.getByLabel('At end B, pF').fill('none');
    await page.getByText('“none” is not a capacitance').waitFor();
    await page.getByLabel('At end B, pF').fill('495');
    const status = page.getByRole('status').filter({ hasText: /break lies/ });
    await expect.poll(() => status.innerText()).toMatch(/about \d+ mm from end A.*strain relief of end A/);
    await expect.poll(() => status.innerText()).toMatch(/make that end again: 5\.\d+ m is left of 6 m\./);
    await expect
      .poll(() => status.innerText())
      .toMatch(/shorter than was asked, and serves where 5\.\d+ m reach: nothing speaks against it/);
    if (process.env['ANTLER_LOOK'])
      await page.screenshot({ path: `${process.env['ANTLER_LOOK']}/break-${width}.png`, fullPage: true });
    expect(await page.getByRole('img', { name: /end A on the left, end B on the right/ }).count()).toBe(1);
    // What was typed is there after a reload.
    await page.reload();
    await page.getByRole('button', { name: 'Find where along the cable' }).click();
    await expect.poll(() => page.getByLabel('At end A, pF').inputValue()).toBe('5');
    await expect.poll(() => page.getByLabel('At end B, pF').inputValue()).toBe('495');
    await page.getByRole('button', { name: 'Note it with this lead' }).click();
    await page.getByRole('button', { name: 'Noted with this lead' }).waitFor();
    await acknowledged(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('beside a known good lead', () => {
  it('each reading stands beside what the last proven one of its kind read; one that was not proven is none', async () => {
    const passed = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(proveOf(passed.unit));
    expect(await page.locator('main').innerText()).not.toMatch(/made alike and proven/);
    const good = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    await proveUnit(here.database.db, good);
    const next = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    await page.goto(proveOf(next.unit));
    const number = String(good.unit.number).padStart(4, '0');
    await page
      .getByText(`${number}, made alike and proven, reads 148 mΩ`)
      .or(page.getByText(`${number}, made alike and proven, reads 0.148 Ω`))
      .waitFor();
    // Within what is good, and not as the other was.
    await page.getByLabel('Reading, Ω').fill('0.45');
    await page.keyboard.press('Enter');
    await page.getByText(`0.302 Ω more than ${number}`).waitFor();
    const row = page.getByRole('row').filter({ hasText: 'A.1 to B.1' });
    expect(await row.innerText()).toMatch(/as it should/);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('with a shorting plug in the house', () => {
  it('a core that does not come out is asked for at whatever contact, and the plug is put on and taken off', async () => {
    const [jobId, id] = [randomUUID(), randomUUID()];
    await createJob(here.database.db, { id: jobId, name: 'Test gear', note: '' });
    const { intent } = leadNamed('shorting-plug');
    await createLead(here.database.db, { id, jobId, name: 'Shorting plug', intent });
    await proveUnit(here.database.db, await unitAt(here.database.db, /^Shorting plug/, 'prove'));
    const { unit } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    const { page, context, troubles } = await openWindow(here.browser);
    const silent = async (red: RegExp): Promise<void> => {
      await expect.poll(() => bigWords(page)).toMatch(red);
      await page.getByRole('button', { name: 'No beep' }).click();
    };
    await page.goto(proveOf(unit));
    await silent(/red on A\.1\s+black on B\.1/i);
    await page.getByText('Put the shorting plug on end B first').waitFor();
    await expect.poll(() => bigWords(page)).toMatch(/red on A\.\d\s+black on A\.1/i);
    if (process.env['ANTLER_LOOK'])
      await page.screenshot({ path: `${process.env['ANTLER_LOOK']}/shorting.png` });
    // It comes back: the core is there, and on another contact.
    await page.getByLabel('Reading, Ω').fill('0.7');
    await page.keyboard.press('Enter');
    await page.getByText('Take the shorting plug off end B first.').waitFor();
    await page.reload();
    await page.getByText('Take the shorting plug off end B first.').waitFor();
    await silent(/red on A\.2\s+black on B\.2/i);
    await page.getByText('1 and 2 are crossed at one end').first().waitFor();
    expect(await page.locator('main').innerText()).not.toMatch(/does not carry|shorting plug off/);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

it('a key that is held down is one answer, however long it repeats itself', async () => {
  const { unit, proof, says, readings } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
  const { page, context, troubles } = await openWindow(here.browser);
  await page.goto(proveOf(unit));
  const [first, second] = [0, 1].map(() => {
    const next = judge(proof, readings).next;
    if (next) readings.push({ probe: next.id, answer: says(next) });
    return next?.id;
  });
  await expect.poll(() => bigWords(page)).toMatch(/^red on/i);
  const was = await bigWords(page);
  // As a keyboard repeats: after half a second, thirty times a second.
  await page.keyboard.down('b');
  await page.waitForTimeout(500);
  for (let n = 0; n < 20; n++) {
    await page.keyboard.down('b');
    await page.waitForTimeout(33);
  }
  await page.keyboard.up('b');
  await expect.poll(() => bigWords(page)).not.toBe(was);
  const taken = async () =>
    ((await (await fetch(`${here.app.url}/api/units/${unit.id}`)).json()) as UnitSheet).readings.map(
      ({ probe }) => probe,
    );
  await expect.poll(async () => (await taken()).length).toBeGreaterThan(readings.length - 2);
  await page.waitForTimeout(800);
  expect((await taken()).filter((probe) => probe === first || probe === second)).toEqual([first]);
  expect(troubles).toEqual([]);
  await context.close();
});

describe('through a proven lead', () => {
  it('paths are read over both, what the joint hides stands before the verdict, and the server knows it as the page does', async () => {
    const good = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    await proveUnit(here.database.db, good);
    const number = String(good.unit.number).padStart(4, '0');
    const { unit } = await unitAt(here.database.db, /^Marionette bridge/, 'prove');
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(proveOf(unit));
    await page.getByLabel('Measure').selectOption(`through ${number}, plugged on end B`);
    const take = async (red: RegExp, reading: string): Promise<void> => {
      await expect.poll(() => bigWords(page)).toMatch(red);
      await page.getByLabel('Reading, Ω').fill(reading);
      await page.keyboard.press('Enter');
    };
    const both = new RegExp(`red on A\\.1\\s+black on B\\.1 of ${number}`, 'i');
    await expect.poll(() => bigWords(page)).toMatch(both);
    if (process.env['ANTLER_LOOK'])
      for (const [width, ground] of [
        [1280, 'light'],
        [390, 'dark'],
      ] as const) {
        await page.setViewportSize({ width, height: 800 });
        await page.emulateMedia({ colorScheme: ground });
        await page.screenshot({ path: `${process.env['ANTLER_LOOK']}/series-${width}.png`, fullPage: true });
      }
    await take(both, '0.5');
    await take(/black on B\.2 of/i, '1.0');
    await take(/black on B\.3 of/i, '1.0');
    for (const short of [/A\.1\s+black on A\.2/i, /A\.1\s+black on A\.3/i, /A\.2\s+black on A\.3/i])
      await take(short, 'OL');
    await take(/red on A\.shell/i, 'OL');
    // The shell at the joint cannot be reached.
    await expect.poll(() => bigWords(page)).toMatch(/red on B\.shell/i);
    await page.getByRole('button', { name: 'Cannot be reached' }).click();
    await page
      .getByText(/^Good, except that this was not proven: B\.shell to each of/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Proven: go on' }).click();
    await page.waitForURL(/\/bench$/);
    await acknowledged(page);
    const entry = (await (await fetch(`${here.app.url}/api/units/${unit.id}/entry`)).json()) as {
      verdict: { is: string };
    };
    expect(entry.verdict.is).toBe('good');
    expect(troubles).toEqual([]);
    await context.close();
  });
});
