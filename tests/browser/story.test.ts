import { describe, expect, it } from 'vitest';
import {
  atFirstStep,
  acknowledged,
  bigWords,
  forward,
  measure,
  moved,
  openWindow,
  stand,
  workUntil,
  pedal,
} from '../support/browser';
import { running } from '../support/running';

const here = running();

/** A good 6 m XLR lead: half an ohm along each path, open everywhere else. */
const good = (probe: string): string => (/A\.(\d) black on B\.\1/.test(probe) ? '0.5' : 'OL');
/** The same with 2 and 3 crossed at one end. */
const crossed = (probe: string): string =>
  /A\.1 black on B\.1|A\.2 black on B\.3|A\.3 black on B\.2/.test(probe) ? '0.5' : 'OL';

describe('one lead from intent to logbook', () => {
  it('is said, drawn, cut, built, proven, labelled and remembered', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: 'Add a lead' }).first().click();
    await page.getByLabel('name of the lead').fill('Bridge microphone two');
    await page
      .getByLabel('source', { exact: true })
      .selectOption({ label: 'balanced microphone, moving coil' });
    await page
      .getByLabel('destination', { exact: true })
      .selectOption({ label: 'microphone input, phantom off' });
    await page.getByLabel('length').fill('6 m');
    await page.getByLabel('surroundings').selectOption({ label: 'on a stage floor' });
    await expect.poll(() => page.getByText('Nothing against it').count()).toBe(1);
    await page.getByRole('button', { name: 'Add it to the job' }).click();

    // Wiring: peeled at both ends, with the reason of each core.
    await page.waitForURL(/\/wiring$/);
    await page.getByRole('group', { name: /peeled back/ }).waitFor();
    await page.getByLabel('white to A.2').filter({ visible: true }).hover();
    await expect.poll(() => page.getByText('A.2 – B.2 carries hot, by white').count()).toBe(1);
    expect(await page.getByRole('row', { name: /^white .*A\.2.*B\.2.*hot$/ }).count()).toBe(1);
    const why = page.getByRole('list', { name: 'Why' });
    await why.getByText(/White is hot and black is cold/).waitFor();

    // Kit: the cut is 6000 − 46 − 42 + 22 + 22 + 5 + 5 mm.
    await page.getByRole('link', { name: 'kit' }).click();
    await expect.poll(() => page.getByText('5.966 m', { exact: true }).count()).toBe(1);

    // Bench.
    await page.getByRole('link', { name: 'bench', exact: true }).click();
    await page.getByRole('button', { name: 'Start a lead' }).click();
    await expect
      .poll(() => page.getByRole('alert').allInnerTexts())
      .toContain('Say who builds it: the log keeps it with the lead.');
    await page.getByLabel('Built by').fill('Nell');
    await page.getByRole('button', { name: 'Start a lead' }).click();
    await page.waitForURL(/\/unit\/.*\/bench$/);
    await page.waitForFunction(() => /Cut 5.966 m/.test(document.body.innerText));
    await forward(page);
    expect(await bigWords(page)).toMatch(/Thread on at end A: clear heat-shrink, then boot$/);

    // The plug is pulled half-way: reload, and carry on at the same step.
    await workUntil(page, /Twist the screen/);
    await page.keyboard.press('n');
    await page.getByLabel('Note for this step').fill('braid is stiff');
    await page.keyboard.press('Enter');
    await acknowledged(page);
    const before = await bigWords(page);
    await page.reload();
    await page.waitForFunction((was) => document.querySelector('main h2')?.textContent === was, before);
    expect(await page.getByText('braid is stiff').count()).toBe(1);

    // Back takes back the last step and its confirmations.
    await page.keyboard.press('PageUp');
    await page.waitForFunction((was) => document.querySelector('main h2')?.textContent !== was, before);
    expect(await bigWords(page)).toMatch(/^Strip/);

    await workUntil(page, /Prove the lead/);
    await pedal(page);
    await page.waitForURL(/\/prove$/);
    await page.waitForFunction(() => /Red on/.test(document.body.innerText));
    expect(await measure(page, good)).toMatch(/Every path carries/);
    await pedal(page);
    await page.waitForURL(/\/bench$/);
    await workUntil(page, /Built, proven and labelled/);
    await pedal(page);
    await page.waitForFunction(() => /In the log/.test(document.body.innerText));
    await acknowledged(page);

    await page.getByRole('link', { name: 'Read its entry' }).click();
    const entry = page.getByRole('article');
    await expect.poll(() => entry.innerText()).toMatch(/Logged/);
    const text = await entry.innerText();
    expect(text).toMatch(/00\d\d\s+Bridge microphone two\s+6 m\s+XLR 3 cable socket → XLR 3 cable plug/);
    expect(text).toMatch(/Built by Nell to revision 1/);
    expect(text).toMatch(/Note: braid is stiff/);
    expect(text).toMatch(/Readings \(9\)/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a crossing is caught, named and, once mended, measured again', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: /^No\. 0003/ }).click();
    await page.getByRole('link', { name: 'To the meter' }).click();
    // The demo's tablet lead has white and black exchanged at its small plug: what was looked at before closing was the other end.
    await expect.poll(() => bigWords(page)).toMatch(/T and S are reversed at one end/);
    expect(await page.locator('main').innerText()).toMatch(/Look for white on S in end A/);
    await page.getByRole('button', { name: /Mended/ }).click();
    await expect.poll(() => bigWords(page)).toMatch(/Red on|Look into/);
    const reads = (probe: string): string =>
      /A\.S black on B\.[13]|A\.T black on B\.2/.test(probe) ? '0.4' : 'OL';
    expect(await measure(page, reads)).toMatch(/Every path carries/);
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a crossing in an XLR lead is told from two breaks by one more probe', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: /Marionette bridge/ }).click();
    await page.getByRole('link', { name: 'bench', exact: true }).click();
    await page.getByLabel('Built by').fill('Bram');
    await page.getByRole('button', { name: 'Start a lead' }).click();
    await page.waitForURL(/\/unit\//);
    await page.goto(page.url().replace('/bench', '/prove'));
    await page.waitForFunction(() => /Look into end A/.test(document.body.innerText));
    expect(await page.getByText('Both ends are not closed yet').count()).toBe(1);
    expect(await measure(page, crossed)).toMatch(/2 and 3 are reversed at one end/);
    expect(await page.locator('main').innerText()).toMatch(/Look for white on 3/);
    await context.close();
  });

  it('soldering cannot be opened past a part that is not threaded on', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: /Old ribbon/ }).click();
    await page.getByRole('link', { name: 'bench', exact: true }).click();
    await page.getByText('1 stop').waitFor();
    await page.getByLabel('Built by').fill('Nell');
    await page.getByRole('button', { name: 'Start a lead' }).click();
    await atFirstStep(page);
    await forward(page);
    await page.getByRole('button', { name: 'boot is on', exact: true }).waitFor();
    await acknowledged(page);
    const id = /unit\/([^/]+)/.exec(page.url())?.[1];
    const response = await here.app.send('POST', `/api/units/${id}/events`, {
      events: [
        { id: crypto.randomUUID(), kind: 'done', operation: 'thread-A', at: new Date().toISOString() },
      ],
    });
    expect(await response.json()).toMatchObject({
      taken: [],
      refused: [
        {
          problem: { says: 'Confirm first: clear heat-shrink, 6.4/3.2 mm, 40 mm: for over the label, boot.' },
        },
      ],
    });
    expect(await bigWords(page)).toMatch(/Thread on at end A/);
    await context.close();
  });
});

describe('by keyboard alone', () => {
  it('from the board to a logged unit', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(here.app.url);
    await page.getByRole('link', { name: /Stage box to desk/ }).waitFor();
    const tabTo = async (found: () => Promise<boolean>): Promise<void> => {
      for (let press = 0; press < 120; press++) {
        if (await found()) return;
        await page.keyboard.press('Tab');
      }
      throw new Error('the focus never came there');
    };
    const focused = (text: RegExp) => async (): Promise<boolean> =>
      text.test(
        await page.evaluate(() =>
          document.activeElement === document.body
            ? ''
            : `${document.activeElement?.textContent} ${document.activeElement?.getAttribute('aria-label')}`,
        ),
      );
    await page.keyboard.press('/');
    await page.keyboard.type('way 7');
    await tabTo(focused(/Stage box to desk, way 7.*→/));
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/intent$/);
    await page.getByText('Saved, revision 1').waitFor();
    for (const stage of ['wiring', 'signal', 'kit', 'bench']) {
      await page.keyboard.press(']');
      await page.waitForURL(new RegExp(`/${stage}$`));
      await page.getByText('Saved, revision 1').waitFor();
    }
    await tabTo(() => page.evaluate(() => document.activeElement?.tagName === 'INPUT'));
    await page.keyboard.type('Odile');
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/unit\//);
    await page.waitForFunction(() => /Step 1 of/.test(document.body.innerText));
    for (let press = 0; press < 80 && !/Prove the lead/.test(await bigWords(page)); press++) {
      const was = await stand(page);
      // A foot does not come down faster at a gate.
      if ((await page.locator('main button[aria-pressed=false]').count()) > 0) await page.waitForTimeout(450);
      if (/is closed: /.test(await bigWords(page))) {
        await pedal(page);
        await page.getByRole('button', { name: 'Yes, so' }).waitFor();
        await page.keyboard.press('y');
        await page.getByText('it may be closed').waitFor();
        await pedal(page);
        await page.waitForURL(/\/bench$/);
        await moved(page, was);
        continue;
      }
      if (/cool$/.test(await bigWords(page))) {
        await tabTo(focused(/It is cool already/));
        await page.keyboard.press('Enter');
        await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      } else await pedal(page, press % 2 === 0 ? 'Space' : 'PageDown');
      await moved(page, was);
    }
    await pedal(page);
    await page.waitForURL(/\/prove$/);
    await page.waitForFunction(() => /Red on/.test(document.body.innerText));
    for (let probe = 0; probe < 20; probe++) {
      const words = await bigWords(page);
      if (!/^red on/i.test(words)) break;
      if (good(words.replace(/\s+/g, ' ')) === 'OL') await page.keyboard.press('o');
      else await page.keyboard.type('1.8\n');
      await page.waitForFunction(
        (was) => (document.querySelector('main h2') as HTMLElement | null)?.innerText !== was,
        words,
      );
    }
    expect(await bigWords(page)).toMatch(/Every path carries/);
    await pedal(page);
    await page.waitForURL(/\/bench$/);
    await page.waitForFunction(() => /Label and coil/.test(document.body.innerText));
    await pedal(page);
    await page.waitForFunction(() => /Built, proven/.test(document.body.innerText));
    await pedal(page);
    await page.waitForFunction(() => /In the log/.test(document.body.innerText));
    expect(troubles).toEqual([]);
    await context.close();
  });
});
