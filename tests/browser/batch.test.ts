import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import type { Batch } from '../../src/core/bench';
import type { ChosenSchools } from '../../src/core/wiring';
import type { LeadSheet } from '../../src/server/leads/service';
import type { WireUnit } from '../../src/server/units/wire';
import {
  acknowledged,
  atFirstStep,
  bigWords,
  forward,
  measure,
  measureOpen,
  openWindow,
  pedal,
  taken,
} from '../support/browser';
import { leadNamed } from '../examples/read';
import { PLAIN_INTENT } from '../support/intents';
import { running } from '../support/running';
import { proveUnit, unitAt } from '../support/units';

const here = running({ seeded: false });

async function newLead(name = 'Of several', schools: ChosenSchools = {}): Promise<string> {
  const [jobId, lead] = [randomUUID(), randomUUID()];
  await here.app.send('POST', '/api/jobs', { id: jobId, name: `Job ${jobId.slice(0, 4)}`, note: '' });
  const made = await here.app.send('POST', '/api/leads', {
    id: lead,
    jobId,
    name,
    intent: { ...PLAIN_INTENT, schools },
  });
  expect(made.status, await made.text()).toBe(201);
  return lead;
}
const unit = async (id: string): Promise<WireUnit> =>
  (await (await fetch(`${here.app.url}/api/units/${id}`)).json()) as WireUnit;
const unitsOf = async (lead: string) =>
  ((await (await fetch(`${here.app.url}/api/leads/${lead}`)).json()) as LeadSheet).units;
const doneOf = async (id: string): Promise<readonly string[]> => {
  const { events } = await unit(id);
  return events.reduce<string[]>(
    (done, { kind, operation = '' }) =>
      kind === 'done'
        ? [...done, operation]
        : kind === 'undo'
          ? done.filter((each) => each !== operation)
          : done,
    [],
  );
};
const at = (page: Page): string => /unit\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';
async function atBench(page: Page, id: string): Promise<void> {
  await page.goto(`${here.app.url}/unit/${id}/bench`);
  await taken(page);
}

describe('several of one lead', () => {
  it('three are started in one act and worked together by the pedal, run by run; a reload in the middle goes on where it was', async () => {
    const lead = await newLead();
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${lead}/bench`);
    await taken(page);
    await page.getByLabel('Built by').fill('Nell');
    await page.getByLabel('How many').fill('40');
    await page.getByRole('button', { name: 'Start' }).click();
    await page.getByText('How many at once: 1 to 24.').waitFor();
    expect(await unitsOf(lead)).toHaveLength(0);
    await page.getByLabel('How many').fill('3');
    await page.getByText(/Together, each run through all 3 .* No order has less setting up\./).waitFor();
    await page.getByRole('button', { name: 'Start 3 at the bench' }).click();
    await atFirstStep(page);
    const ids = (await unitsOf(lead)).map(({ id }) => id);
    expect(ids).toHaveLength(3);
    // All three are cut before the first is threaded.
    const seen: string[] = [];
    for (let n = 0; n < 3; n++) {
      seen.push(at(page));
      expect(await bigWords(page)).toMatch(/^Cut/);
      await page.getByText(n < 2 ? /Next, on No\. \d+: Cut/ : /Next, on No\. \d+: Thread/).waitFor();
      await pedal(page);
      await page.waitForURL((url) => !url.pathname.includes(seen.at(-1) ?? ''));
      await page
        .locator('main h2')
        .filter({ hasText: n < 2 ? /^Cut/ : /^Thread/ })
        .waitFor();
      await taken(page);
    }
    expect(seen).toEqual(ids);
    expect(at(page)).toBe(ids[0]);
    await page.reload();
    await taken(page);
    expect(await bigWords(page)).toMatch(/^Thread on at end A/);
    // Each has its own gate: what was ticked of one is not ticked of the next.
    await forward(page);
    while (/^Thread/.test(await bigWords(page)) && at(page) === ids[0]) await forward(page);
    await page.waitForURL(new RegExp(ids[1] ?? ''));
    expect(await page.locator('main ul button[aria-pressed=true]').count()).toBe(0);
    await acknowledged(page);
    await expect.poll(() => Promise.all(ids.map(async (id) => (await doneOf(id)).length))).toEqual([3, 1, 1]);
    // One after the other again: this one’s own order.
    await page.getByRole('button', { name: 'One after the other' }).click();
    await page.getByRole('button', { name: 'Work the 3 on the bench together' }).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

/** Nothing that is recorded reaches the server, until it is let through again. */
async function cutOff(page: Page): Promise<() => Promise<void>> {
  const records = /\/api\/units\/[^/]+\/records$/;
  await page.context().route(records, (route) => route.abort('connectionfailed'));
  return () => page.context().unroute(records);
}

async function threeTogether(
  page: Page,
  lead: string,
  first: (ids: readonly string[]) => Promise<void> = async () => undefined,
): Promise<readonly string[]> {
  const ids = Array.from({ length: 3 }, () => randomUUID());
  await first(ids);
  for (const id of ids) await here.app.send('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' });
  await atBench(page, ids[0] ?? '');
  await page.getByRole('button', { name: 'Work the 3 on the bench together' }).click();
  await page.getByRole('button', { name: 'One after the other' }).waitFor();
  for (let n = 0; n < 3; n++) {
    const from = ids[n] ?? '';
    expect(await bigWords(page)).toMatch(/^Cut/);
    await pedal(page);
    await page.waitForURL((url) => !url.pathname.includes(from));
    await taken(page);
  }
  return ids;
}

describe('what lies on the bench beside it', () => {
  it('is as it was done here, also where the server has it and the page does not know yet', async () => {
    const lead = await newLead('Slow house');
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    // The last of the three is cut, and it does not reach the server before the page is asked for again.
    let held = 0;
    const ids = await threeTogether(page, lead, async ([, , last]) => {
      await page.context().route(`**/api/units/${last}/records`, (route) => route.abort('connectionfailed'));
    });
    await page.reload();
    // From now on it does; what lies on the bench is answered no more.
    await page.context().route(/\/together$/, () => void held++);
    await page.context().unroute(`**/api/units/${ids[2]}/records`);
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await expect.poll(() => doneOf(ids[2] ?? '')).toHaveLength(1);
    await expect.poll(() => held).toBeGreaterThan(0);
    await page.getByText(/Next, on No\. \d+: Thread on at end A|^Next: Thread on at end B/).waitFor();
    while ((await doneOf(ids[0] ?? '')).length < 3) {
      expect(await bigWords(page)).toMatch(/^Thread/);
      await forward(page);
      await acknowledged(page);
    }
    await page.waitForURL(new RegExp(ids[1] ?? ''));
    await context.close();
  });
});

describe('what was done of others and did not reach the server', () => {
  it('is known after a reload: the next is the right one, and all is sent from whatever page is open', async () => {
    const lead = await newLead('Cut off');
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    const letThrough = await cutOff(page);
    const ids = await threeTogether(page, lead);
    expect(at(page)).toBe(ids[0]);
    await page.reload();
    await taken(page);
    expect(await Promise.all(ids.map(async (id) => (await doneOf(id)).length))).toEqual([0, 0, 0]);
    // All three are cut: what comes after threading this one is to thread the next, not to cut it once more.
    while (at(page) === ids[0] && /^Thread/.test(await bigWords(page))) await forward(page);
    await page.waitForURL(new RegExp(ids[1] ?? ''));
    expect(await bigWords(page)).toMatch(/^Thread/);
    await page.goto(`${here.app.url}/sums`);
    const left = page.getByRole('status').filter({ hasText: 'not at the server yet' });
    await left.getByText(/^What was done of 3 leads is kept here/).waitFor();
    await letThrough();
    await expect
      .poll(() => Promise.all(ids.map(async (id) => (await doneOf(id)).length)), { timeout: 60_000 })
      .toEqual([3, 1, 1]);
    await left.waitFor({ state: 'detached' });
    await context.close();
  });
});

it('a step that is taken back at one of several is next there again, and the others say so', async () => {
  const lead = await newLead('Taken back');
  const { page, context, troubles } = await openWindow(here.browser);
  const ids = await threeTogether(page, lead);
  expect(at(page)).toBe(ids[0]);
  await page.getByRole('button', { name: 'Back' }).click();
  await page.locator('main h2').filter({ hasText: /^Cut/ }).waitFor();
  // Once the server has it nothing waits here that would tell of it.
  await acknowledged(page);
  await expect.poll(async () => (await doneOf(ids[0] ?? '')).length).toBe(0);
  await page
    .getByRole('link', { name: /^No\. \d+, 1 of/ })
    .first()
    .click();
  await page.waitForURL(new RegExp(ids[1] ?? ''));
  await taken(page);
  await page.getByText(/^Next, on No\. \d+: Cut/).waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});

it('a step that is taken back at another bench is next there again, also for the window in which it was done', async () => {
  const lead = await newLead('Taken back elsewhere');
  const { page, context, troubles } = await openWindow(here.browser);
  const ids = await threeTogether(page, lead);
  await page
    .getByRole('link', { name: /^No\. \d+, 1 of/ })
    .first()
    .click();
  await page.waitForURL(new RegExp(ids[1] ?? ''));
  await page.getByText(/^Next, on No\. \d+: Thread/).waitFor();
  const other = await openWindow(here.browser);
  await atBench(other.page, ids[0] ?? '');
  await other.page.getByRole('button', { name: 'Back' }).click();
  await other.page.locator('main h2').filter({ hasText: /^Cut/ }).waitFor();
  await acknowledged(other.page);
  await page.getByText(/^Next, on No\. \d+: Cut/).waitFor();
  await other.context.close();
  expect(troubles).toEqual([]);
  await context.close();
});

it('how long it takes to lay hands on a tool is timed in the workshop: what is typed is kept, and a batch goes by it', async () => {
  const lead = await newLead();
  const { page, context, troubles } = await openWindow(here.browser);
  await page.goto(`${here.app.url}/lead/${lead}/bench`);
  await taken(page);
  await page.getByLabel('How many').fill('4');
  const link = page.getByRole('link', { name: 'time your own' });
  await link.waitFor();
  await link.click();
  const times = page.getByRole('region', { name: 'Laying hands on a tool' });
  await times.getByText('from memory').waitFor();
  await taken(page);
  await times.getByText('Time your own').click();
  await times.getByLabel('iron, s').fill('soon');
  await times.getByRole('button', { name: 'Keep these times' }).click();
  await times.getByText('Give the seconds as a number.').waitFor();
  await times.getByLabel('iron, s').fill('45');
  await times.getByLabel('heat gun, s').fill('90');
  // What is typed is there after a reload in the middle.
  await page.reload();
  await taken(page);
  await expect.poll(() => times.getByLabel('heat gun, s').inputValue()).toBe('90');
  await times.getByRole('button', { name: 'Keep these times' }).click();
  await times.getByText('Kept. What a batch saves is counted by these.').waitFor();
  await times.getByText('Timed here: iron 45 s, heat gun 90 s. All else is from memory.').waitFor();
  await page.goto(`${here.app.url}/lead/${lead}/bench`);
  await taken(page);
  await page.getByLabel('How many').fill('4');
  await page.getByText('by the house’s own times where it has them').waitFor();
  await here.app.send('PUT', '/api/workshop/set-ups', { setUps: [] });
  expect(troubles).toEqual([]);
  await context.close();
});

it('worked together, the meter asks for the open body whose turn it is, though another step of the lead is left before it', async () => {
  // Of this lead the check before end A is closed comes, tool by tool, before the shrink at end B.
  const { intent, name } = leadNamed('balanced-to-phono-ground-referenced');
  const [jobId, lead, ...ids] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await here.app.send('POST', '/api/jobs', { id: jobId, name: 'Job of two', note: '' });
  await here.app.send('POST', '/api/leads', { id: lead, jobId, name, intent });
  for (const id of ids) await here.app.send('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' });
  const { runs } = (await (await fetch(`${here.app.url}/api/leads/${lead}/batch?count=2`)).json()) as Batch;
  const { plan } = await unit(ids[0] ?? '');
  const order = runs.flatMap(({ steps }) => steps);
  const measure = plan.operations.find(({ kind }) => kind === 'measure') ?? expect.fail();
  const done = order.slice(0, order.indexOf(measure.id));
  expect(plan.operations.find(({ id }) => !done.includes(id))?.kind).not.toBe('measure');
  const event = (kind: string, operation: string, text?: string) => ({
    id: randomUUID(),
    kind,
    operation,
    text,
    at: new Date().toISOString(),
  });
  for (const id of ids) {
    const events = done.flatMap((step) => [
      ...(plan.operations.find((op) => op.id === step)?.confirm ?? []).map((text) =>
        event('confirm', step, text),
      ),
      event('done', step),
    ]);
    const answer = await here.app.send('POST', `/api/units/${id}/events`, { events });
    expect(await answer.json()).toMatchObject({ refused: [] });
  }
  const { page, context, troubles } = await openWindow(here.browser);
  await atBench(page, ids[0] ?? '');
  await page.getByRole('button', { name: 'Work the 2 on the bench together' }).click();
  await page.locator('main h2').filter({ hasText: measure.title }).waitFor();
  await page.getByRole('button', { name: 'To the meter' }).click();
  await page.waitForURL(/\/prove$/);
  await page.getByText(/0 of \d+ checks? done\. Before end A is closed/).waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});

describe('a plug that is glued shut', () => {
  it('is glued when it is proven; what is found inside it later takes a new one, all of its end, and nothing of the other', async () => {
    await newLead('Glued shut', { closing: 'glued' });
    const made = await unitAt(here.database.db, /^Glued shut$/, 'prove');
    await proveUnit(here.database.db, made);
    const { id } = made.unit;
    const { page, context, troubles } = await openWindow(here.browser);
    await atBench(page, id);
    expect(await bigWords(page)).toBe('Glue end A shut');
    // What is closed is not drawn open.
    expect(await page.locator('main figure').count()).toBe(0);
    await forward(page);
    expect(await bigWords(page)).toBe('Glue end B shut');
    await forward(page);
    expect(await bigWords(page)).toMatch(/^Label/);
    // The log keeps it.
    const log = await openWindow(here.browser);
    await log.page.goto(`${here.app.url}/lead/${made.unit.leadId}/log`);
    await log.page
      .getByText('Ends A and B are glued shut: a repair cuts the plug off and takes a new one.')
      .waitFor();
    await log.context.close();
    await page.keyboard.press('x');
    const form = page.getByRole('form', { name: 'Something is wrong' });
    await form.getByLabel('Do again').selectOption('seal-B');
    await form.getByText('2 steps are open again:').or(form.getByText('One step is open again:')).waitFor();
    expect(await form.getByText('glued shut').count()).toBe(0);
    await form.getByLabel('Do again').selectOption('solder-joint-A-2');
    await form.getByText('End A is glued shut: cut off behind the plug, and a new one taken.').waitFor();
    const again = await form.locator('li').allInnerTexts();
    expect(again.some((title) => title.startsWith('Thread on at end A'))).toBe(true);
    expect(again.filter((title) => / end B/.test(title))).toEqual([]);
    await form.getByLabel('What is wrong').fill('hot is off after the tour');
    await form.getByLabel('What is wrong').press('Enter');
    await page
      .locator('main h2')
      .filter({ hasText: again[0] ?? '?' })
      .waitFor();
    await acknowledged(page);
    await page.reload();
    await taken(page);
    expect(await bigWords(page)).toBe(again[0]);
    const done = await doneOf(id);
    expect(done).toContain('seal-B');
    expect(done).not.toContain('seal-A');
    expect(done.filter((step) => /-A(-|$)/.test(step))).toEqual([]);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('something is wrong', () => {
  it('is said with what is done again: what waited for it is named, opened, and done again; nothing else', async () => {
    const lead = await newLead();
    const id = randomUUID();
    await here.app.send('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' });
    const { page, context, troubles } = await openWindow(here.browser);
    await atBench(page, id);
    while (!/^Solder/.test(await bigWords(page))) await forward(page);
    const before = await doneOf(id);
    const { plan } = await unit(id);
    const strip = plan.operations.find(({ kind }) => kind === 'strip') ?? expect.fail();
    await page.keyboard.press('x');
    const form = page.getByRole('form', { name: 'Something is wrong' });
    // With nothing said it is not kept.
    await form.getByLabel('Do again').selectOption(strip.id);
    await form.getByText(/steps are open again:/).waitFor();
    // What is pressed is in sight, above the foot that stays.
    const button = await form.getByRole('button', { name: 'Keep it, and do these again' }).boundingBox();
    const foot = await page.locator('footer').boundingBox();
    expect((button?.y ?? 0) + (button?.height ?? 0)).toBeLessThan(foot?.y ?? 0);
    const named = await form.locator('li').allInnerTexts();
    await form.getByRole('button', { name: 'Keep it, and do these again' }).click();
    await form.getByText('Say what is wrong: it stays with this lead.').waitFor();
    await form.getByLabel('What is wrong').fill('nicked a core');
    await page.reload();
    await taken(page);
    await page.keyboard.press('x');
    expect(await form.getByLabel('What is wrong').inputValue()).toBe('nicked a core');
    await form.getByLabel('Do again').selectOption(strip.id);
    await form.getByLabel('What is wrong').press('Enter');
    await page.locator('main h2').filter({ hasText: strip.title }).waitFor();
    await page.getByText('nicked a core').waitFor();
    await acknowledged(page);
    const titles = new Map(plan.operations.map((op) => [op.id, op.title]));
    await expect
      .poll(async () => {
        const now = await doneOf(id);
        return before.filter((each) => !now.includes(each)).map((each) => titles.get(each));
      })
      .toEqual(named);
    expect(named[0]).toBe(strip.title);
    expect(named.length).toBeLessThan(before.length);
    // It goes on as ever.
    await forward(page);
    await expect.poll(() => doneOf(id)).toContain(strip.id);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

it('a fault that the meter finds opens the steps that mend it, and no others; they are done, and all is measured anew', async () => {
  const lead = await newLead();
  const id = randomUUID();
  await here.app.send('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' });
  const { plan } = await unit(id);
  const at = new Date().toISOString();
  const event = (kind: string, operation: string, text?: string) => ({
    id: randomUUID(),
    kind,
    operation,
    text,
    at,
  });
  const events = plan.operations
    .filter(({ kind }) => kind !== 'prove' && kind !== 'label')
    .flatMap(({ id: step, confirm = [] }) => [
      ...confirm.map((text) => event('confirm', step, text)),
      event('done', step),
    ]);
  // What is looked into before an end is closed has been.
  const looked = plan.operations.flatMap(({ checks = [] }) => checks);
  const readings = looked.map((probe) => ({ id: randomUUID(), probe, answer: { kind: 'yes' }, at }));
  expect((await here.app.send('POST', `/api/units/${id}/readings`, { readings })).status).toBe(200);
  expect(await (await here.app.send('POST', `/api/units/${id}/events`, { events })).json()).toMatchObject({
    refused: [],
  });
  const { page, context, troubles } = await openWindow(here.browser);
  await page.goto(`${here.app.url}/unit/${id}/prove`);
  await taken(page);
  // Contact 2 reaches nothing at the other end.
  const reads = (words: string): string => {
    const [, one, other] = /[AB]\.(\d) black on [AB]\.(\d)$/i.exec(words) ?? [];
    return one !== undefined && one === other && one !== '2' ? '0.5' : 'OL';
  };
  expect(await measure(page, reads)).toMatch(/^(Fault|Not good)/);
  const again = page.getByRole('button', { name: /^Do again: Solder white to contact 2 at end [AB]$/ });
  await expect.poll(() => again.count()).toBeGreaterThan(0);
  const [, end] = /end ([AB])$/.exec(await again.first().innerText()) ?? [];
  const before = await doneOf(id);
  await again.first().click();
  await page.waitForURL(/\/bench$/);
  await page
    .locator('main h2')
    .filter({ hasText: `Solder white to contact 2 at end ${end}` })
    .waitFor();
  await acknowledged(page);
  const open = async () => {
    const now = await doneOf(id);
    return plan.operations.filter((op) => before.includes(op.id) && !now.includes(op.id));
  };
  await expect
    .poll(async () => (await open()).map(({ kind }) => kind))
    .toEqual(
      plan.operations
        .filter((op) => op.end === end && ['solder', 'cool', 'inspect', 'clamp', 'measure'].includes(op.kind))
        .filter((op) => op.kind !== 'solder' || /white/.test(op.title))
        .map(({ kind }) => kind),
    );
  for (let left = (await open()).length; left > 0; left--) {
    if (/^Before/.test(await bigWords(page))) await measureOpen(page);
    else await forward(page);
  }
  await page
    .locator('main h2')
    .filter({ hasText: /^Prove/ })
    .waitFor();
  await acknowledged(page);
  expect(await open()).toEqual([]);
  expect(troubles).toEqual([]);
  await context.close();
});

it('what was seen at an end that stays closed stands when the other is mended, as of when it was seen; what is opened is looked at anew', async () => {
  for (const [mended, stands] of [
    ['B', true],
    ['A', false],
  ] as const) {
    const name = `Mended at ${mended}`;
    await newLead(name);
    const made = await unitAt(here.database.db, new RegExp(`^${name}$`), 'prove');
    const { id, plan } = made.unit;
    const looks = plan.operations.flatMap(({ end, checks = [] }) => (end === 'A' ? checks : []));
    expect(looks.length).toBeGreaterThan(0);
    const { page, context, troubles } = await openWindow(here.browser);
    await atBench(page, id);
    await page.keyboard.press('x');
    const form = page.getByRole('form', { name: 'Something is wrong' });
    await form.getByLabel('Do again').selectOption(`solder-joint-${mended}-2`);
    await form.getByLabel('What is wrong').fill('cold joint');
    await form.getByLabel('What is wrong').press('Enter');
    await page.locator('main h2').filter({ hasText: 'Solder white to contact 2' }).waitFor();
    await acknowledged(page);
    const { events, readings } = await unit(id);
    const mending = events.find(({ kind }) => kind === 'mended')?.id ?? '?';
    const still = readings.filter(({ after }) => after === mending);
    expect(still.map(({ probe }) => probe)).toEqual(stands ? looks : []);
    for (const { probe, at: when } of still)
      expect(Date.parse(when)).toBe(
        Date.parse(readings.find((each) => each.probe === probe && each.after === undefined)?.at ?? ''),
      );
    expect(troubles).toEqual([]);
    await context.close();
  }
});

describe('beside the step', () => {
  it('while it cools what can go on is offered; how long is left is said once something was timed; the screen is asked to stay on', async () => {
    const lead = await newLead();
    const [first, second] = [randomUUID(), randomUUID()];
    const { page, context, troubles } = await openWindow(here.browser);
    await page.addInitScript(() => {
      const held: string[] = [];
      Object.assign(globalThis, { held });
      Object.defineProperty(navigator, 'wakeLock', {
        value: {
          request: (what: string) => {
            held.push(what);
            return Promise.resolve(Object.assign(new EventTarget(), { release: () => Promise.resolve() }));
          },
        },
      });
    });
    await here.app.send('POST', `/api/leads/${lead}/units`, { id: first, builder: 'Nell' });
    await atBench(page, first);
    const beside = page.getByRole('region', { name: 'At the bench' });
    await beside.getByText('The screen stays on').waitFor();
    expect(await page.evaluate(() => (globalThis as unknown as { held: string[] }).held)).toEqual(['screen']);
    while (!/^Let .* cool|cool/i.test(await bigWords(page))) await forward(page);
    const meanwhile = page.getByText('Meanwhile:').getByRole('button').first();
    const other = await meanwhile.innerText();
    await meanwhile.click();
    await page.locator('main h2').filter({ hasText: other }).waitFor();
    await forward(page);
    await acknowledged(page);
    await here.app.send('POST', `/api/leads/${lead}/units`, { id: second, builder: 'Nell' });
    await atBench(page, second);
    await beside.getByText(/left.*steps? that nobody has timed yet\. By Nell’s own times\./).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a step is read aloud only where that is wanted, and only by a voice that is on the device', async () => {
    const lead = await newLead();
    const id = randomUUID();
    await here.app.send('POST', `/api/leads/${lead}/units`, { id, builder: 'Nell' });
    const open = async (voices: readonly { name: string; localService: boolean }[]) => {
      const { page, context, troubles } = await openWindow(here.browser);
      await page.addInitScript((all) => {
        const said: string[] = [];
        Object.assign(globalThis, {
          said,
          SpeechSynthesisUtterance: class {
            voice = { name: '' };
            constructor(readonly text: string) {}
          },
        });
        Object.defineProperty(globalThis, 'speechSynthesis', {
          value: {
            getVoices: () => all.map((voice) => ({ ...voice, lang: 'en' })),
            speak: (it: { text: string; voice: { name: string } }) =>
              said.push(`${it.voice.name}: ${it.text}`),
            cancel: () => undefined,
          },
        });
      }, voices);
      await atBench(page, id);
      await page
        .getByRole('region', { name: 'At the bench' })
        .getByText(/screen|aloud/)
        .first()
        .waitFor();
      const said = () => page.evaluate(() => (globalThis as unknown as { said: string[] }).said);
      return { page, context, troubles, said, box: page.getByLabel('Read each step aloud') };
    };
    const far = await open([{ name: 'from afar', localService: false }]);
    await far.page.waitForTimeout(300);
    expect(await far.box.count()).toBe(0);
    await far.context.close();
    const near = await open([
      { name: 'from afar', localService: false },
      { name: 'here', localService: true },
    ]);
    await near.box.waitFor();
    expect(await near.said()).toEqual([]);
    await near.box.check();
    await expect.poll(near.said).toHaveLength(1);
    expect((await near.said())[0]).toMatch(/^here: .*Cut/);
    await near.box.evaluate((box: HTMLElement) => box.blur());
    await forward(near.page);
    await expect.poll(near.said).toHaveLength(2);
    expect((await near.said())[1]).toContain(await bigWords(near.page));
    await near.box.uncheck();
    await forward(near.page);
    expect(await near.said()).toHaveLength(2);
    expect([...far.troubles, ...near.troubles]).toEqual([]);
    await near.context.close();
  });
});
