import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import type { Stage, Sweep } from '../../src/server/stage/service';
import { runApp } from '../support/app';
import { acknowledged, openWindow } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobId: string;
const get = async <T>(at: string): Promise<T> => (await (await fetch(here.app.url + at)).json()) as T;
const stage = (): Promise<Stage> => get<Stage>(`/api/stage/${jobId}`);
beforeAll(async () => {
  jobId = (await get<BoardJob[]>('/api/board'))[0]?.id ?? '';
});

/** The lamps that count on each way, as the server has them. */
const seenIn = async (sweep: string): Promise<Readonly<Record<string, string>>> =>
  Object.fromEntries(
    (await get<Sweep>(`/api/sweeps/${sweep}`)).looks.flatMap(({ way, lamps }) =>
      lamps === undefined ? [] : [[way, lamps]],
    ),
  );
/** Begins a sweep from the board, as whoever it is; its id. */
async function begun(page: Page, by: string): Promise<string> {
  await page.goto(`${here.app.url}/stage/${jobId}`);
  await page.getByLabel('swept by').fill(by);
  await page.getByRole('button', { name: 'Begin a sweep' }).click();
  await page.waitForURL(/\/before$/);
  return /sweep\/([^/]+)/.exec(page.url())?.[1] ?? '';
}
const now = (page: Page): Promise<string> =>
  page
    .locator('[aria-current=step]')
    .first()
    .getAttribute('aria-label')
    .then((says) => /\d+/.exec(says ?? '')?.[0] ?? '');
/** One line by pedal or thumb, and on: nobody looks at a line in less than 400 ms. */
async function onward(page: Page, act: () => Promise<void>): Promise<void> {
  const from = await now(page);
  await page.waitForTimeout(420);
  await act();
  await expect.poll(() => now(page)).not.toBe(from);
}

describe.each([
  [1280, 'bench', 'pedal'],
  [390, 'stage', 'thumb'],
] as const)('at %i, %s light, by %s alone', (width, ground, how) => {
  it('cautions, line by line with a reload in the middle, and the list planned anew', async () => {
    const { page, context, troubles } = await openWindow(here.browser, {
      width,
      ground,
      touch: how === 'thumb',
    });
    const id = await begun(page, 'Nell');
    // What phantom harms is named, from the input list.
    await page.getByText('Unplug what phantom harms').waitFor();
    await page.getByText(/Old ribbon, choir \(way 9\)/).waitFor();
    await page.getByText('It cannot be switched off on ways 23 and 24.').waitFor();
    await page.getByRole('link', { name: 'Done: line by line' }).click();
    await page.waitForURL(/\/walk$/);
    const both = (): Promise<void> =>
      how === 'pedal'
        ? page.keyboard.press('PageDown')
        : page.getByRole('button', { name: 'Both lit' }).tap();
    for (const way of ['1', '2']) {
      expect(await now(page)).toBe(way);
      await onward(page, both);
    }
    // A bounce, and a key that is held down, are one look: way 4 was not looked at.
    await page.waitForTimeout(420);
    if (how === 'pedal') {
      await page.keyboard.down('PageDown');
      await page.keyboard.down('PageDown');
      await page.keyboard.up('PageDown');
      await page.keyboard.press('PageDown');
    } else await page.getByRole('button', { name: 'Both lit' }).dblclick();
    await expect.poll(() => now(page)).toBe('4');
    await page.waitForTimeout(500);
    expect(await now(page)).toBe('4');
    await onward(page, () =>
      how === 'pedal' ? page.keyboard.press('2') : page.getByRole('button', { name: 'Only 2' }).tap(),
    );
    // What it may be is said at once, by the circuit.
    await page.getByText('4: only 2 lit').waitFor();
    await page.getByText('3 open, 1 and 3 shorted, or 1 and 3 swapped.').waitFor();
    await acknowledged(page);
    await page.reload();
    expect(await now(page)).toBe('5');
    // How it was the last time stands there: in March, or where the test before has swept the hall, by that.
    await page.getByText(how === 'pedal' ? /5 Mar: only 2 lit/ : /: both lit/).waitFor();
    for (let n = 5; n <= 8; n++) await onward(page, both);
    await onward(page, () =>
      how === 'pedal' ? page.keyboard.press('f') : page.getByRole('button', { name: 'Flickers' }).tap(),
    );
    for (let n = 10; n <= 23; n++) await onward(page, both);
    await page.waitForTimeout(420);
    await both();
    await page.getByText(/24 of 24 looked at, 2 struck/).waitFor();
    await acknowledged(page);
    const seen = await seenIn(id);
    expect(Object.keys(seen)).toHaveLength(24);
    expect([seen[4], seen[9], seen[3], seen[24]]).toEqual(['only 2', 'flicker', 'both', 'both']);
    await page.getByRole('link', { name: 'All looked at: plan anew' }).click();
    await page.getByText(/^2 lines are struck, 2 inputs move, everybody has a way\. Proven/).waitFor();
    const moves = page.getByRole('region', { name: 'What moves, and why' });
    await moves.getByText(/Wolf’s throat, 4 → \d+: way 4 is struck: only 2 lit/).waitFor();
    await moves.getByText(/Old ribbon, choir, 9 → \d+: way 9 is struck: flickers/).waitFor();
    await page
      .getByRole('region', { name: 'To be mended' })
      .getByText(/9, stage right/)
      .waitFor();
    // The last time it was dark and before that too: three of three.
    await page
      .getByText(/Bad \d times of \d/)
      .first()
      .waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

it('two browsers on one sweep: each sees the other’s lines; the server is killed in the middle, and no line is lost', async () => {
  const one = await openWindow(here.browser, { expectTrouble: true });
  const id = await begun(one.page, 'Nell');
  await one.page.goto(`${here.app.url}/sweep/${id}/walk`);
  const other = await openWindow(here.browser, { expectTrouble: true, width: 390 });
  await other.page.addInitScript(() => localStorage.setItem('antler.builder', JSON.stringify('Tomas')));
  await other.page.goto(`${here.app.url}/sweep/${id}/walk`);
  await other.page.getByRole('button', { name: /^way 13,/ }).click();
  const [mine, theirs] = [one.page, other.page];
  for (let n = 0; n < 3; n++)
    await Promise.all([mine, theirs].map((page) => onward(page, () => page.keyboard.press(' '))));
  await mine.getByRole('button', { name: 'way 15, good' }).waitFor();
  await theirs.getByText(/Nell looks too/).waitFor();
  await here.app.stop('SIGKILL');
  // Both go on meanwhile, and see what they did.
  for (let n = 0; n < 3; n++)
    await Promise.all(
      [mine, theirs].map((page) => onward(page, () => page.keyboard.press(n === 1 ? '0' : ' '))),
    );
  await mine.getByText('3 waiting to be sent, kept here').waitFor();
  await mine.getByText('5: none lit').waitFor({ state: 'detached' });
  // One of them closes its window before the server is back.
  await theirs.getByText('3 waiting to be sent, kept here').waitFor();
  await theirs.close();
  here.app = await runApp(here.database.url, { port: here.app.port });
  await acknowledged(mine);
  const again = await other.context.newPage();
  await again.goto(`${here.app.url}/sweep/${id}/walk`);
  await again.waitForFunction(() => /12 of 24 looked at, /.test(document.body.innerText));
  await acknowledged(again);
  const { looks } = await get<Sweep>(`/api/sweeps/${id}`);
  expect(looks.map(({ by, way, lamps }) => `${by} ${way} ${lamps ?? ''}`).sort()).toEqual(
    [
      ...[1, 2, 3, 4, 6].map((way) => `Nell ${way} both`),
      'Nell 5 none',
      ...[13, 14, 15, 16, 18].map((way) => `Tomas ${way} both`),
      'Tomas 17 none',
    ].sort(),
  );
  await Promise.all([one.context.close(), other.context.close()]);
});

it('where line after line is dark it is asked whether phantom is on, and they are taken back in one act; a line that is taken out meanwhile is left', async () => {
  const { page, context, troubles } = await openWindow(here.browser);
  const id = await begun(page, 'Nell');
  await page.goto(`${here.app.url}/sweep/${id}/walk`);
  await onward(page, () => page.keyboard.press(' '));
  for (let n = 0; n < 3; n++) await onward(page, () => page.keyboard.press('0'));
  await page.getByText('Ways 2, 3 and 4 are dark, one after the other').waitFor();
  await page.getByRole('button', { name: 'Phantom was off: take them back' }).click();
  await page.getByText('1 of 24 looked at').waitFor();
  await acknowledged(page);
  expect((await get<Sweep>(`/api/sweeps/${id}`)).looks).toHaveLength(7);
  expect(await now(page)).toBe('5');
  const { venue } = await get<Sweep>(`/api/sweeps/${id}`);
  const change = (base: number, lines: Sweep['venue']['lines']) =>
    here.app.send('PUT', '/api/venues', { id: venue.id, name: venue.name, base, lines });
  expect(
    (
      await change(
        venue.revision,
        venue.lines.filter(({ way }) => way !== 5),
      )
    ).status,
  ).toBe(200);
  await expect.poll(() => now(page)).toBe('2');
  expect((await change(venue.revision + 1, venue.lines)).status).toBe(200);
  await page.getByText('1 of 24 looked at').waitFor();
  expect(troubles).toEqual([]);
  await context.close();
});

it('by meter: what is typed is kept across a reload, what is no reading is said, and what it may be', async () => {
  const { page, context, troubles } = await openWindow(here.browser);
  const id = await begun(page, 'Nell');
  await page.goto(`${here.app.url}/sweep/${id}/walk`);
  await page.getByRole('button', { name: 'By meter' }).click();
  await page.getByLabel('2 to 1, V').fill('48,1');
  await page.getByLabel('3 to 1, V').fill('nothing');
  await page.getByRole('button', { name: 'Take them' }).click();
  await page.getByText('Give 3 to 1 in volts').waitFor();
  await page.reload();
  await page.getByRole('button', { name: 'By meter' }).click();
  expect(await page.getByLabel('2 to 1, V').inputValue()).toBe('48,1');
  await page.getByLabel('3 to 1, V').fill('0');
  await page.getByLabel('2 to 3, V').fill('48');
  await page.getByText('Struck: 1 and 3 shorted.').waitFor();
  await page.keyboard.press('Enter');
  await page.getByText('1: 2 to 1 48.1 V, 3 to 1 0 V, 2 to 3 48 V').waitFor();
  // It was the wrong line: taken back it was not looked at.
  await page.getByRole('button', { name: 'take it back' }).click();
  await page.getByText('0 of 24 looked at').waitFor();
  await acknowledged(page);
  expect((await get<Sweep>(`/api/sweeps/${id}`)).looks.map(({ kind }) => kind)).toEqual([
    'volts',
    'taken-back',
  ]);
  expect(troubles).toEqual([]);
  await context.close();
});

describe('what goes onto the lines', () => {
  it('wrong input is named and loses nothing; a reload keeps it; two windows: one is told, and nothing is written over', async () => {
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    const before = await stage();
    await page.goto(`${here.app.url}/stage/${jobId}`);
    await page.getByText('Paste a list').click();
    await page.getByLabel('a line for each input, its way first').fill('1 Foghorn\n18 Wind machine');
    await page.getByRole('button', { name: 'Add 2' }).click();
    await page.getByRole('button', { name: 'Keep the list' }).click();
    await page.getByText('Way 1 is printed twice: for “Narrator, left” and “Foghorn”.').waitFor();
    const way = page.getByLabel('printed way of input 13');
    await way.fill('19');
    await page.reload();
    await expect.poll(() => way.inputValue()).toBe('19');
    // Meanwhile another window keeps another.
    const list = {
      ...before.list,
      inputs: before.list.inputs.slice(0, 5).map(({ pair: _, ...each }) => each),
    };
    expect(
      (await here.app.send('PUT', `/api/stage/${jobId}/inputs`, { base: before.revision, list })).status,
    ).toBe(200);
    await page.getByRole('button', { name: 'Keep the list' }).click();
    await page.getByText(/was changed in another window/).waitFor();
    expect(await way.inputValue()).toBe('19');
    await page.getByRole('button', { name: 'Keep mine on top' }).click();
    await page.getByText('Kept.', { exact: true }).waitFor();
    const after = await stage();
    expect(after.list.inputs.map(({ name }) => name)).toContain('Foghorn');
    expect(after.list.inputs).toHaveLength(14);
    await context.close();
  });

  it('another venue: a line that cannot be read is named; the sweep is of its lines', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/stage/${jobId}`);
    await page.getByRole('button', { name: 'another venue' }).click();
    await page.getByLabel('its name').fill('Village green');
    const lines = page.getByLabel('its lines, a group a line');
    await lines.fill('1-4 van\ntent');
    await page.getByRole('button', { name: 'Keep the venue' }).click();
    await page.getByText(/begins with no way/).waitFor();
    await lines.fill('1-4 van\n7 tent, phantom stays on');
    await page.getByRole('button', { name: 'Keep the venue' }).click();
    await page.getByText('5 lines', { exact: true }).waitFor();
    await page.getByLabel('swept by').fill('Nell');
    await page.getByRole('button', { name: 'Begin a sweep' }).click();
    await page.getByRole('link', { name: 'Line by line', exact: true }).click();
    await page.getByText('0 of 5 looked at').waitFor();
    await page.getByRole('button', { name: /^way 7,/ }).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});
