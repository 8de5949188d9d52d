import { writeFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { spanLengths } from '../../src/core/assembly';
import type { Lead } from '../../src/core/lead';
import { resistances } from '../../src/core/model';
import type { BoardJob } from '../../src/server/board/service';
import type { LeadSheet } from '../../src/server/leads/service';
import { acknowledged, measure, openWindow, workUntil, pedal } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobId: string;
let folder: string;
beforeAll(async () => {
  jobId = ((await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[])[0]?.id ?? '';
  folder = mkdtempSync(path.join(tmpdir(), 'antler-files-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
});

const get = async <T>(from: string): Promise<T> => (await (await fetch(here.app.url + from)).json()) as T;
const sheetOf = (page: Page): Promise<LeadSheet> =>
  get<LeadSheet>(`/api/leads/${/lead\/([^/]+)/.exec(page.url())?.[1] ?? ''}`);

/** Fills the slots of the sentence, by label: a value of a picker, or text. */
async function say(page: Page, slots: readonly (readonly [string, string])[]): Promise<void> {
  for (const [label, value] of slots) {
    const slot = page.getByLabel(label, { exact: true });
    if ((await slot.evaluate((element) => element.tagName)) === 'SELECT') await slot.selectOption(value);
    else await slot.fill(value);
  }
}

async function begin(page: Page, name: string): Promise<void> {
  await page.goto(`${here.app.url}/lead/new?job=${jobId}`);
  await page.getByLabel('name of the lead').fill(name);
}

/** Adds the lead that is said, and waits for its wiring; the recipe it came to. */
async function add(page: Page): Promise<LeadSheet> {
  await page.getByRole('button', { name: 'Add it to the job' }).click();
  await page.waitForURL(/\/wiring$/);
  await page.getByText('Every core, and where it goes').waitFor();
  return sheetOf(page);
}

/** Builds the lead that is open, as it is designed, from the bench to the log; what its steps were called, in their order. */
async function buildToLog(page: Page, sheet: LeadSheet): Promise<readonly string[]> {
  await page.goto(`${here.app.url}/lead/${sheet.id}/bench`);
  await page.getByLabel('Built by').fill('Nell');
  await page.getByRole('button', { name: 'Start a lead' }).click();
  await page.waitForURL(/\/unit\/.*\/bench$/);
  await page.waitForFunction(() => document.querySelector('main h2') !== null);
  const ohms = resistances(sheet.lead.assembly, { lengths: spanLengths(sheet.lead.assembly) });
  const reads = (probe: string): string => {
    const [red = '', black = ''] = probe.match(/[A-Z]+\.[^\s,]+/g) ?? [];
    const read = ohms(red, black);
    return Number.isFinite(read) ? read.toFixed(2) : 'OL';
  };
  const steps = await workUntil(page, /Prove the lead/, reads);
  await pedal(page);
  await page.waitForURL(/\/prove$/);
  await page.waitForFunction(() => /Red on/.test(document.body.innerText));
  const words = await measure(page, reads);
  expect(words).toMatch(/Every path carries/);
  await pedal(page);
  await page.waitForURL(/\/bench$/);
  await workUntil(page, /Built, proven and labelled/);
  await pedal(page);
  await page.waitForFunction(() => /In the log/.test(document.body.innerText));
  await acknowledged(page);
  return steps;
}

describe('leads of every kind, by sentence', () => {
  it('a tablet into one line input: the sum is offered, built, proven by its resistors, and logged', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'Tablet, summed');
    await say(page, [
      ['source', 'headphone-output'],
      ['source connector', 'trs35'],
      ['destination', 'line-input'],
      ['cable', 'pair-mini'],
      ['length', '2 m'],
    ]);
    await page.getByText('2 outputs into one input').first().waitFor();
    // Halfway through: what was said is still there after a reload.
    await page.reload();
    await page.getByText('2 outputs into one input').first().waitFor();
    expect(await page.getByLabel('source', { exact: true }).inputValue()).toBe('headphone-output');
    const sheet = await add(page);
    expect(await page.getByRole('row', { name: /R3 resistor 20 kΩ/ }).count()).toBe(1);
    await page.goto(`${here.app.url}/lead/${sheet.id}/kit`);
    await page.getByRole('checkbox', { name: /2 resistor 470 Ω/ }).waitFor();
    const steps = await buildToLog(page, sheet);
    // The parts hang on the cores before anything is on the connector: sleeves first, the last part over the cups, then all is shrunk.
    const places = [
      /^Slide 2 sleeves on at end B/,
      /^Join white and one leg of R1 at end B/,
      /^Join black and one leg of R2 at end B/,
      /^Twist the other legs of R1 and R2 together, and trim/,
      /^Solder the other legs of R1 and R2 to contact 2/,
      /^Last, R3 over contact 1 and contact 2/,
      /^Shrink the 3 sleeves at end B/,
      /^Clamp and close end B/,
    ].map((words) => steps.findIndex((step) => words.test(step)));
    expect(places).not.toContain(-1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    const log = await get<LeadSheet>(`/api/leads/${sheet.id}`);
    expect(log.units.map((unit) => unit.stage)).toEqual(['logged']);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a stereo microphone to two inputs: ends are added, the picture grows, the cable parts', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'Stereo pair');
    await say(page, [
      ['source', 'microphone-stereo'],
      ['destination', 'microphone-input-phantom'],
      ['length', '3 m'],
    ]);
    await page.getByText('A lead shorter').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'another destination' }).click();
    expect(await page.getByLabel('destination channel').inputValue()).toBe('left');
    expect(await page.getByLabel('destination 2 channel').inputValue()).toBe('right');
    // One pair does not carry two channels in one cable: two cables are offered side by side until a multipair is chosen.
    await say(page, [['cable', 'multipair-2']]);
    await page.getByLabel('legs').selectOption('390');
    await page.getByText('2 balanced channels, each to its own').first().waitFor();
    await expect
      .poll(() => page.locator('svg text').allTextContents())
      .toEqual(expect.arrayContaining(['B', 'C']));
    const {
      lead: { assembly },
    } = await add(page);
    expect(assembly.bodies.map((body) => body.kind)).toContain('breakout');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a loom of eight: ends that are alike are said once and counted, and can be said one by one', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'Floor loom');
    await say(page, [
      ['length', '15 m'],
      ['cable', 'multipair-8'],
      ['surroundings', 'rack'],
    ]);
    for (const more of ['another source', 'another destination'])
      for (let n = 0; n < 3; n++) await page.getByRole('button', { name: more }).click();
    await say(page, [
      ['how many sources', '8'],
      ['how many destinations', '8'],
    ]);
    await page.getByText('8 balanced channels, each to its own').first().waitFor();
    await page.getByRole('button', { name: 'say the sources one by one' }).click();
    expect(await page.getByLabel('source 8', { exact: true }).inputValue()).toBe('microphone');
    const {
      lead: { assembly },
    } = await add(page);
    expect(assembly.bodies.flatMap((body) => body.ends)).toHaveLength(16);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('an insert: the order is asked for, and what faces it may send and receive', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'Compressor insert');
    await say(page, [
      ['source', 'insert'],
      ['source connector', 'trs635'],
      ['destination', 'unbalanced-input'],
      ['destination connector', 'ts635'],
      ['cable', 'instrument-coax'],
      ['length', '2 m'],
    ]);
    await page.locator('[role=alert]').filter({ hasText: 'Makers differ here' }).first().waitFor();
    await say(page, [['source order', 'insert-ring-send']]);
    await page.getByRole('button', { name: 'another destination' }).click();
    await say(page, [['destination 2', 'unbalanced-output']]);
    await page.getByText('The send to the device’s input').first().waitFor();
    const {
      lead: { assembly },
    } = await add(page);
    const joined = assembly.bodies
      .flatMap((body) => body.joints)
      .find((joint) => joint.terminals.includes('A.R'));
    expect(joined?.terminals).toContain('W1.core@a');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('one plug and nothing else: the phantom tell-tale, with its guard diodes as a choice', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'Tell-tale');
    await say(page, [
      ['made as', 'plug'],
      ['destination', 'microphone-input-phantom'],
    ]);
    await page.getByText('Two lamps, from 2 to 1').first().waitFor();
    await page.getByLabel('A signal diode across each lamp, the other way round?').selectOption('none');
    const {
      lead: { assembly },
    } = await add(page);
    expect(assembly.spans).toEqual([]);
    expect(assembly.bodies.flatMap((body) => body.parts.map((part) => part.kind)).sort()).toEqual([
      'led',
      'led',
      'resistor',
      'resistor',
    ]);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a screw terminal has no common order: its pin list is typed, and the wall says which end is made on site', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'Wall to amplifier');
    await say(page, [
      ['source', 'line-transformer'],
      ['destination', 'line-input'],
      ['destination connector', 'screw3'],
      ['cable', 'pair-foil'],
      ['surroundings', 'wall'],
      ['length', '12 m'],
    ]);
    await page.locator('[role=alert]').filter({ hasText: 'no common order' }).first().waitFor();
    await say(page, [
      ['destination hot', '1'],
      ['destination cold', '2'],
      ['destination screen', '3'],
      ['through', '12'],
    ]);
    await page.getByText('Both sides are balanced').first().waitFor();
    const {
      lead: { assembly },
    } = await add(page);
    await page.getByText('made on site, after the cable has been pulled through').first().waitFor();
    expect(assembly.bodies.flatMap((body) => body.ends).map((end) => end.madeOn)).toEqual(['bench', 'site']);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('refusals', () => {
  it('what nobody may have is refused with the reason; what a competent person may have is overruled, and stays said', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await begin(page, 'TS at a TRS output');
    await say(page, [
      ['source', 'line-ground-referenced'],
      ['source connector', 'ts635'],
      ['destination', 'unbalanced-input'],
      ['destination connector', 'ts635'],
      ['cable', 'instrument-coax'],
      ['length', '2 m'],
    ]);
    const offers = page.getByRole('region', { name: 'Ways of wiring it' });
    await offers.getByText('shorts its cold leg to ground, and this output drives that leg').waitFor();
    expect(await offers.getByRole('button', { name: 'Do it anyway' }).count()).toBe(0);
    expect(await offers.getByText('Not to be overruled.').count()).toBe(1);
    await page.getByRole('button', { name: 'Add it to the job' }).click();
    await page.getByText('What you typed is kept here').first().waitFor();

    await say(page, [['source', 'line-impedance-balanced']]);
    await say(page, [['source connector', 'ts635']]);
    await offers.getByRole('button', { name: 'Do it anyway' }).click();
    await page.getByText('Done anyway:').waitFor();
    const sheet = await add(page);
    expect(sheet.lead.intent?.anyway).toEqual(['ts-at-trs']);
    await page.reload();
    await page.getByText('Done anyway:').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('the workshop', () => {
  it('a house school is what a new lead starts with', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/workshop`);
    await page.getByText('Is the connector shell joined').click();
    await page.getByRole('radio', { name: /joined at both ends/ }).check();
    await page.getByText('Kept. New leads start with it.').waitFor();
    await begin(page, 'House shells');
    await say(page, [['length', '4 m']]);
    const sheet = await add(page);
    expect(sheet.lead.intent?.schools).toEqual({ shell: 'both' });
    await page.goto(`${here.app.url}/workshop`);
    await page.getByText('Is the connector shell joined').click();
    await page.getByRole('radio', { name: /left open/ }).check();
    await page.getByText('Kept. New leads start with it.').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a connector that is in no list is described, drawn, chosen, and built to the log', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/workshop`);
    await page.getByText('Describe a connector').click();
    await page.getByRole('button', { name: 'Keep this connector' }).click();
    await page.locator('[role=alert]').filter({ hasText: 'needs a name' }).waitFor();
    await page.getByLabel('Name', { exact: true }).fill('Old talkback 5');
    await page.getByLabel('Contacts, apart by spaces').fill('1 2 3 4 4');
    await page.getByRole('button', { name: 'Keep this connector' }).click();
    await page.locator('[role=alert]').filter({ hasText: 'same name' }).waitFor();
    await page.getByLabel('Contacts, apart by spaces').fill('1 2 3 4 5');
    // Nothing typed is lost by a reload; the faces are drawn as it is typed.
    await page.reload();
    expect(await page.getByLabel('Contacts, apart by spaces').inputValue()).toBe('1 2 3 4 5');
    await page.getByRole('img', { name: /solder side: 1, 2, 3, 4, 5/ }).waitFor();
    await page.getByRole('button', { name: 'Keep this connector' }).click();
    await page.getByText('Old talkback 5 is on the list.').waitFor();
    const row = page.getByRole('table', { name: /described/ }).getByRole('row', { name: /Old talkback 5/ });
    expect(await row.innerText()).toMatch(/1 2 3 4 5/);

    await begin(page, 'Old talkback microphone');
    await page.getByLabel('source connector').selectOption({ label: 'Old talkback 5' });
    await say(page, [
      ['source hot', '4'],
      ['source cold', '5'],
      ['source screen', '1'],
      ['length', '3 m'],
    ]);
    await page.getByText('Both sides are balanced').first().waitFor();
    const sheet = await add(page);
    expect(sheet.lead.intent?.own?.connectors?.map((each) => each.name)).toEqual(['Old talkback 5']);
    await page.getByLabel('white to A.4').filter({ visible: true }).waitFor();
    await buildToLog(page, sheet);

    await page.goto(`${here.app.url}/workshop`);
    await page.getByRole('button', { name: 'Take it off: Old talkback 5' }).click();
    await row.waitFor({ state: 'detached' });
    await page.getByText('None. Old screw-ring microphones').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('files', () => {
  const put = (name: string, text: string): string => {
    const file = path.join(folder, name);
    writeFileSync(file, text);
    return file;
  };
  const take = (page: Page, file: string): Promise<void> =>
    page.getByLabel(/^file to take into Wrenfield/).setInputFiles(file);

  it('a broken or a newer file is refused with the reason and changes nothing; a good one is taken in', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { expectTrouble: true });
    const example = await get<Lead>(
      `/api/leads/${(await get<BoardJob[]>('/api/board'))[0]?.leads[0]?.id ?? ''}/export`,
    );
    const count = async (): Promise<number> => (await get<BoardJob[]>('/api/board'))[0]?.count ?? 0;
    const before = await count();
    await page.goto(here.app.url);
    await page.getByRole('button', { name: 'Take in a file' }).first().waitFor();
    await take(page, put('cut-short.json', JSON.stringify(example).slice(0, 900)));
    await page.getByText('cut-short.json is not JSON, or is damaged').waitFor();
    await take(page, put('newer.json', JSON.stringify({ ...example, version: 8 })));
    await page.getByText('written by a newer Antler (version 8)').waitFor();
    await take(page, put('hole.json', JSON.stringify({ ...example, assembly: { version: 2 } })));
    await page.getByText('assembly.bodies').waitFor();
    expect(await page.getByText('nothing was changed').count()).toBe(1);
    expect(await count()).toBe(before);

    await take(page, put('good.json', JSON.stringify({ ...example, name: 'Came by post' })));
    await page.getByText('Taken in: Came by post.').waitFor();
    await page
      .getByRole('link', { name: /Came by post/ })
      .first()
      .waitFor();
    expect(await count()).toBe(before + 1);

    // What this catalogue does not have is asked for, and then taken in.
    const foreign = { ...example, name: 'From afar', intent: { ...example.intent, cable: 'velvet-pair' } };
    await take(page, put('foreign.json', JSON.stringify(foreign)));
    await page.getByLabel(/cable “velvet-pair” is/).selectOption('pair-spiral');
    await page.getByRole('button', { name: 'Take it in so' }).click();
    await page.getByText('Taken in: From afar.').waitFor();
    expect(await count()).toBe(before + 2);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a lead and a job are exported under their own names', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(here.app.url);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Export' }).first().click(),
    ]);
    expect(download.suggestedFilename()).toBe('wrenfield-puppet-opera-spring-tour.json');
    expect(troubles).toEqual([]);
    await context.close();
  });
});
