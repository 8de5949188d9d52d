import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, it } from 'vitest';
import { netlist } from '../../src/core/assembly';
import { derive } from '../../src/core/lead';
import type { BoardJob } from '../../src/server/board/service';
import type { LeadSheet } from '../../src/server/leads/service';
import { leadNamed } from '../examples/read';
import { openWindow } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobId: string;
beforeAll(async () => {
  jobId = ((await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[])[0]?.id ?? '';
});

const sheetOf = async (id: string): Promise<LeadSheet> =>
  (await (await fetch(`${here.app.url}/api/leads/${id}`)).json()) as LeadSheet;
/** Which contacts meet, as the server has the lead. */
const netsOf = async (id: string): Promise<readonly string[]> =>
  netlist((await sheetOf(id)).lead.assembly).nets.flatMap(({ contacts }) =>
    contacts.length > 1 ? contacts.join(' ') : [],
  );

/** Adds a lead of an example to the job; its id. */
async function added(example: string): Promise<string> {
  const { name, intent } = leadNamed(example);
  const id = randomUUID();
  const answer = await here.app.send('POST', '/api/leads', { id, jobId, name, intent });
  expect(answer.status, await answer.text()).toBe(201);
  return id;
}
const core = (page: Page, says: RegExp) => page.getByRole('button', { name: says }).filter({ visible: true });
const hand = (page: Page) => page.getByRole('region', { name: 'Change by hand' });

describe.each([
  [1280, 'mouse'],
  [390, 'touch'],
] as const)('at %i by %s', (width, how) => {
  const press = async (page: Page, says: RegExp, nth = 0): Promise<void> => {
    const it = core(page, says).nth(nth);
    // A core is curved: the middle of its box may be beside it.
    await (how === 'touch' ? it.dispatchEvent('click') : it.click({ force: true }));
  };

  it('a core is put on another contact; what is against it is said at once; it is undone, also after a reload', async () => {
    const id = await added('stage-microphone');
    const { page, context, troubles } = await openWindow(here.browser, { width, touch: how === 'touch' });
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await core(page, /^contact A\.3$/).waitFor();
    await core(page, /^white to A\.2$/).dispatchEvent('click');
    await hand(page).getByText('The white core at end A').waitFor();
    await press(page, /^contact A\.3$/);
    await hand(page).getByText('By hand: the white core at end A moved to A.3.').waitFor();
    await page.getByText('Stop', { exact: true }).first().waitFor();
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.3 B.2 B.3']);
    await page.reload();
    await hand(page).getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.2 B.2', 'A.3 B.3']);
    await hand(page).getByRole('button', { name: 'Make it again' }).click();
    await expect.poll(async () => (await sheetOf(id)).lead.edits).toHaveLength(1);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.2 B.2', 'A.3 B.3']);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

it.each(['at once', 'after a reload'])(
  'what is changed anew %s where the answer to the save before was lost goes on top of it: it is no other’s change',
  async (when) => {
    const id = await added('stage-microphone');
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    // The server has the save; the page never hears of it.
    await page.route('**/api/leads/*', async (route) => {
      if (route.request().method() !== 'PUT') return route.continue();
      await route.fetch();
      await route.abort();
    });
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await core(page, /^white to A\.2$/).dispatchEvent('click');
    await core(page, /^contact A\.3$/).click({ force: true });
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.3 B.2 B.3']);
    if (when === 'after a reload') await page.reload();
    await hand(page).getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.2 B.2', 'A.3 B.3']);
    await hand(page).getByRole('button', { name: 'Make it again' }).click();
    await page.unroute('**/api/leads/*');
    await page.getByText(/^Saved, revision 4\./).waitFor();
    expect(await netsOf(id)).toEqual(['A.1 B.1', 'A.3 B.2 B.3']);
    expect(await page.getByText('changed in another window').count()).toBe(0);
    await context.close();
  },
);

describe('by keyboard', () => {
  it('cores and parts are taken in hand from the table, and what is chosen is done; a wrong value is said', async () => {
    const id = await added('stereo-sum');
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    const take = page.getByRole('button', { name: 'Take screen in hand at B.1' });
    await take.focus();
    await page.keyboard.press('Enter');
    const choice = hand(page).getByLabel(/in hand: touch where it goes/);
    await choice.selectOption('leave it insulate it');
    await hand(page).getByRole('button', { name: 'Do it' }).press('Enter');
    await hand(page).getByText('By hand: the screen at end B insulated.').waitFor();
    await page.keyboard.press('Control+z');
    await hand(page).getByRole('button', { name: 'Make it again' }).waitFor();
    // The end with the resistors lies in the hand.
    await page.getByRole('button', { name: 'leg R3.a' }).focus();
    await page.keyboard.press('Enter');
    const value = hand(page).getByLabel(/^R3 is 20 kΩ/);
    await value.fill('lots');
    await page.keyboard.press('Enter');
    await hand(page).getByRole('alert').waitFor();
    await value.fill('10k');
    await page.keyboard.press('Enter');
    await page.getByRole('row', { name: /R3 resistor 10 kΩ/ }).waitFor();
    await page.keyboard.press('Escape');
    await expect
      .poll(async () =>
        (await sheetOf(id)).lead.edits.map((edit) =>
          edit.kind === 'change-part' ? edit.part.id : edit.kind,
        ),
      )
      .toEqual(['R3']);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('what lapses when the intent changes is listed with why', async () => {
    const id = await added('stage-microphone');
    const { intent } = leadNamed('stage-microphone');
    const edits = [{ kind: 'cut-back', at: 'W1.black@b' }];
    const quad = { ...intent, cable: 'star-quad' };
    expect(derive(quad as never, edits as never)).toMatchObject({
      value: { because: { lapsed: [{ edit: 0 }] } },
    });
    const change = { requestId: randomUUID(), base: 1, name: 'Lapsed', intent: quad, edits };
    const answer = await here.app.send('PUT', `/api/leads/${id}`, change);
    expect(answer.status, await answer.text()).toBe(200);
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await page
      .getByText(/It no longer can be: The black core at end B is not in this lead any more/)
      .waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('what it is made of, by hand', () => {
  it('another connector, another cable, a ring, an end more and one less; undone, and kept across a reload', async () => {
    const id = await added('stage-microphone');
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    const making = hand(page).locator('details');
    await making.locator('summary').click();
    const does = async (label: RegExp, option: string): Promise<void> => {
      const choice = making.getByLabel(label);
      await choice.selectOption({ label: option });
      await choice.locator('xpath=..').getByRole('button', { name: 'Do it' }).click();
    };
    const assembly = async () => (await sheetOf(id)).lead.assembly;
    const before = await netsOf(id);

    await making.getByLabel('At end', { exact: true }).selectOption('B');
    await does(/^do this at end B/, 'XLR 3 cable plug, right angle');
    await hand(page)
      .getByText(/By hand: end B made with another connector: XLR 3 cable plug, right angle\./)
      .waitFor();
    await expect
      .poll(async () => (await assembly()).uses.connectors.map((each) => each.id))
      .toContain('xlr3-plug-right-angle');
    await does(/^make the cable/, 'Star quad microphone cable, braid');
    await expect
      .poll(async () => (await assembly()).uses.cables.map((each) => each.id))
      .toEqual(['star-quad']);
    expect(await netsOf(id)).toEqual(before);
    await does(/^do this at end B/, 'a red ring');
    await expect
      .poll(async () => (await assembly()).dressings.map((each) => each.says))
      .toEqual(['a red ring on end B']);

    // A length that is none is said, and nothing is lost.
    await making.getByLabel(/^add an end from B/).selectOption({ label: 'Phono plug, metal shell' });
    await making.getByLabel('its length').fill('long');
    await making.getByRole('button', { name: 'Add it' }).click();
    await making.getByRole('alert').waitFor();
    expect(await making.getByLabel('its length').inputValue()).toBe('long');
    await making.getByLabel('its length').fill('40 cm');
    await making.getByRole('button', { name: 'Add it' }).click();
    await core(page, /^C Phono plug/).waitFor();
    await expect.poll(async () => (await assembly()).bodies.length).toBe(3);

    await page.reload();
    await making.locator('summary').click();
    await making.getByLabel('At end', { exact: true }).selectOption('C');
    await does(/^do this at end C/, 'take end C off');
    await expect.poll(async () => (await assembly()).bodies.length).toBe(2);
    await hand(page).getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await assembly()).bodies.length).toBe(3);
    await page.getByRole('button', { name: /Take all back/ }).click();
    await expect.poll(async () => (await sheetOf(id)).lead.edits).toEqual([]);
    expect((await assembly()).dressings).toEqual([]);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('a lead that is there already', () => {
  it('is named by which contacts beep to each other; what is otherwise is said; it goes on as any other', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/new?job=${jobId}`);
    await page.getByText('A lead that is there already: what is it?').click();
    const field = page.getByLabel(/A line for each end/);
    await field.fill('A xlr female\nB 6.35 TS\nA.2 B.T\nA.9 B.S');
    await page.getByRole('button', { name: 'What is it?' }).click();
    await page.getByText('line 4:').waitFor();
    await page.getByText('End A has no contact “9”: it has 1, 2, 3, shell.').waitFor();
    await field.fill('A xlr female\nB 6.35 TS\nA.2 B.T\nA.1 A.3 B.S');
    // Halfway through: what was typed is still there after a reload.
    await page.reload();
    await page.getByText('A lead that is there already: what is it?').click();
    await page.getByRole('button', { name: 'What is it?' }).click();
    await page
      .getByText(
        /It is “balanced output into unbalanced input”. Such a lead goes, for one, from balanced microphone/,
      )
      .waitFor();
    await field.fill('A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2');
    await page.getByRole('button', { name: 'What is it?' }).click();
    await page.getByText('A.3 and B.3 do not meet, and in that lead they do.').waitFor();
    await page
      .getByText(/Changed by hand it is the one in your hand: the black core at end A cut back\./)
      .waitFor();
    await page.getByRole('button', { name: 'Go on from it' }).click();
    await page.getByRole('button', { name: 'Add it to the job' }).click();
    await page.waitForURL(/\/wiring$/);
    // It goes on as it is in the hand; taken back, it is as it should have been.
    const id = /lead\/([^/]+)/.exec(page.url())?.[1] ?? '';
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.2 B.2']);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect.poll(() => netsOf(id)).toEqual(['A.1 B.1', 'A.2 B.2', 'A.3 B.3']);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('its contacts are touched on the faces of its ends, two by two; what is read across resistors is typed', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/new?job=${jobId}`);
    await page.getByText('A lead that is there already: what is it?').click();
    const field = page.getByLabel(/A line for each end/);
    await field.fill('A 3.5 trs\nB xlr male');
    const face = page.getByRole('group', { name: /Touch two contacts/ });
    for (const [one, other] of [
      ['A.S', 'B.1'],
      ['B.1', 'B.3'],
    ] as const) {
      await face.getByRole('button', { name: `contact ${one}` }).click();
      await face.getByText(`${one} beeps to…`).waitFor();
      await face.getByRole('button', { name: `contact ${other}` }).press('Enter');
      await face.getByText(/^Touch a contact/).waitFor();
    }
    expect(await field.inputValue()).toBe('A 3.5 trs\nB xlr male\nA.S B.1\nB.1 B.3');
    await field.fill(`${await field.inputValue()}\nA.T B.2 470\nA.R B.2 475`);
    await page.getByRole('button', { name: 'What is it?' }).click();
    await page.getByText(/It is “sum through resistors”/).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});
