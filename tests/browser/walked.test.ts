import { randomUUID } from 'node:crypto';
import { appendFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { proofBy, provenOf } from '../../src/core/bench';
import { isProbe, judge, standingOf, type Answer, type Check, type Reading } from '../../src/core/proving';
import { createJob } from '../../src/server/jobs/service';
import { createLead } from '../../src/server/leads/service';
import { startUnit, type UnitSheet } from '../../src/server/units/service';
import { EXAMPLES } from '../examples/read';
import { acknowledged, bigWords, forward, openWindow, pedal } from '../support/browser';
import { random } from '../support/lines';
import { builtAs } from '../support/proving';
import { running } from '../support/running';

const here = running({ seeded: false });

/** More presses than any example takes, and something goes round in a circle. */
const MOST = 400;
/** What no page of a lead says: a value that is none, a place that was not filled, a word twice. */
const NEVER = /undefined|\bNaN\b|\[object|\bnull\b|\$\{|\b(?:the the|of of|to to|and and|is is)\b/;

const typed = (answer: Answer): string =>
  answer.kind === 'ohms'
    ? Number.isFinite(answer.ohms)
      ? `${Math.round(answer.ohms * 100) / 100}`
      : 'OL'
    : '';

/** Answers one check on the page as the lead would: typed, or pressed. */
async function answered(page: Page, check: Check, answer: Answer): Promise<void> {
  const wanted = isProbe(check) ? /^(?:red on|through)/i : /^(?!red on)/i;
  await expect.poll(() => bigWords(page), { message: check.id }).toMatch(wanted);
  const was = await page.locator('main').innerText();
  if (answer.kind === 'ohms') {
    await page.getByLabel(/^Reading, /).fill(typed(answer));
    await page.keyboard.press('Enter');
  } else if (answer.kind === 'yes') await page.getByRole('button', { name: 'Yes, so', exact: true }).click();
  else throw new Error(`${check.id}: ${answer.kind} at “${was.slice(0, 200)}”`);
  await expect.poll(() => page.locator('main').innerText(), { message: check.id }).not.toBe(was);
}

/** From the first step of a lead to its last, by pedal and meter; what every page said, in order. */
async function walk(page: Page, made: UnitSheet): Promise<readonly string[]> {
  const proof = proofBy(made.plan, made.lead);
  const says = builtAs(provenOf(made.lead), proof, made.lead);
  const readings: Reading[] = [];
  const said: string[] = [];
  const answer = async (check: Check): Promise<void> => {
    said.push(await page.locator('main').innerText());
    const value = says(check);
    await answered(page, check, value);
    readings.push({ probe: check.id, answer: value });
  };
  const toMeter = page
    .getByRole('button', { name: 'To the meter' })
    .or(page.getByRole('link', { name: 'To the meter' }))
    .first();
  for (let press = 0; press < MOST; press++) {
    const words = await bigWords(page);
    said.push(await page.locator('main').innerText());
    if (/^Built, proven/.test(words)) return said;
    if (!(await toMeter.isVisible())) {
      await forward(page);
      continue;
    }
    const op = made.plan.operations.find(
      ({ title, kind }) => (kind === 'measure' || kind === 'prove') && words.startsWith(title),
    );
    await toMeter.click();
    await page.waitForURL(/\/prove$/);
    /** What the page has to ask next: of an open body what it hides, of the closed lead what tells most. */
    const due = (): Check | undefined =>
      op?.kind === 'measure'
        ? standingOf(proof, readings, op.checks ?? []).left[0]
        : judge(proof, readings).next;
    for (let check = due(); check; check = due()) await answer(check);
    said.push(await page.locator('main').innerText());
    await acknowledged(page);
    await pedal(page);
    await page.waitForURL(/\/bench$/);
    await expect.poll(() => bigWords(page)).not.toBe(words);
  }
  throw new Error(`no end: ${said.at(-1)}`);
}

/** In the ordinary run one, by its seed; in the long one all of them, or those that are named. */
const LONG = process.env['ANTLER_TEST_LONG'] === '1';
const NAMED = process.env['ANTLER_TEST_WALK']?.split(',');
const next = random(Number(process.env['ANTLER_TEST_SEED'] ?? 4));
const some = NAMED
  ? EXAMPLES.filter(({ id }) => NAMED.includes(id))
  : LONG
    ? EXAMPLES
    : [EXAMPLES[Math.floor(next() * EXAMPLES.length)] as (typeof EXAMPLES)[number]];

describe('from the first step to the log, in a browser', () => {
  it.each(some)('$id', async ({ name, intent, id }) => {
    const { db } = here.database;
    const job = { id: randomUUID(), name: `Job ${randomUUID().slice(0, 6)}`, note: '' };
    await createJob(db, job);
    const lead = randomUUID();
    await createLead(db, { id: lead, jobId: job.id, name, intent });
    const made = await startUnit(db, lead, { id: randomUUID(), builder: 'Nell' });
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/unit/${made.id}/bench`);
    const said = await walk(page, made);
    // To be read from top to bottom.
    const file = process.env['ANTLER_TEST_SAID'];
    if (file) appendFileSync(file, `\n######## ${id}\n${said.join('\n--------\n')}\n`);
    expect(said.filter((each) => NEVER.test(each))).toEqual([]);
    await pedal(page);
    await page.getByText('In the log').first().waitFor();
    await acknowledged(page);
    expect(troubles).toEqual([]);
    await context.close();
  });
});
