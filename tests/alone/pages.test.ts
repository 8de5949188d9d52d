import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob, BoardLead } from '../../src/server/board/service';
import type { Stage } from '../../src/server/stage/service';
import { runApp } from '../support/app';
import { openWindow, taken } from '../support/browser';
import { running } from '../support/running';

const here = running();
let jobs: readonly BoardJob[];
let leads: readonly BoardLead[];
let sweep: string;
const STAGES = ['intent', 'wiring', 'signal', 'kit', 'bench', 'prove', 'log'] as const;
beforeAll(async () => {
  jobs = (await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[];
  leads = jobs.flatMap((job) => job.leads);
  const stage = await fetch(`${here.app.url}/api/stage/${jobs[0]?.id ?? ''}`);
  sweep = ((await stage.json()) as Stage).sweeps[0]?.id ?? '';
});

const named = (name: RegExp): BoardLead => {
  const lead = leads.find((each) => name.test(each.name));
  if (!lead) throw new Error(`no lead ${name}`);
  return lead;
};
/** Every page, of the lead that has most to show. */
const everyPage = (): readonly string[] => {
  const eight = named(/ways 1 to 8/);
  const unit = named(/Cello/).units[0];
  return [
    '/',
    '/sums',
    '/workshop',
    `/shelf?job=${jobs[0]?.id}`,
    `/job/${jobs[0]?.id}`,
    `/stage/${jobs[0]?.id}`,
    ...['before', 'walk', 'plan'].map((part) => `/sweep/${sweep}/${part}`),
    `/lead/new?job=${jobs[0]?.id}`,
    ...STAGES.map((stage) => `/lead/${eight.id}/${stage}`),
    `/unit/${unit?.id}/bench`,
    `/unit/${unit?.id}/prove`,
  ];
};

describe('with scripts turned off', () => {
  it('everything can be read, the links lead on, and what needs them says so', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { scripts: false });
    const bridge = named(/Marionette bridge/);
    const shows: readonly (readonly [path: string, ...words: readonly string[]])[] = [
      ['/', 'Wrenfield Puppet Opera', 'Marionette bridge microphone', 'Phantom tell-tale'],
      [`/lead/${bridge.id}/intent`, 'What it comes to', 'Nothing against it', 'Cut 5.966 m of cable'],
      [`/lead/${bridge.id}/wiring`, 'Every core, and where it goes', 'Screen at both ends'],
      [`/lead/${bridge.id}/signal`, 'Headroom', 'Beyond 200 kHz', 'those are worked out by scripts'],
      [`/lead/${bridge.id}/kit`, '5.966 m', 'XLR 3 cable socket'],
      [`/lead/${bridge.id}/bench`, 'The course of the work', 'Twist the screen'],
      [`/lead/${bridge.id}/prove`, 'What is measured, and what is good'],
      [`/lead/${named(/left capsule/).id}/log`, 'Built by', 'Time by step', 'Logged'],
      [`/unit/${named(/Cello/).units[0]?.id}/bench`, 'Step', 'Something is wrong'],
      ['/workshop', 'Connectors of our own', 'Which hand holds the iron?'],
      [`/shelf?job=${jobs[0]?.id}`, 'The shelf', 'What is to be cut', 'Microphone cable'],
      [`/stage/${jobs[0]?.id}`, 'Corn Hall, Wrenfield', 'What goes onto the lines', '13 good, 3 struck'],
      [`/sweep/${sweep}/plan`, 'Proven: no list costs less', 'To be mended', 'socket is loose in the box'],
      ['/sums', 'Sums', 'Treble lost in a cable'],
      [`/lead/new?job=${jobs[0]?.id}`, 'Wrenfield Puppet Opera', 'What it comes to'],
    ];
    for (const [path, ...words] of shows) {
      await page.goto(here.app.url + path);
      const text = await page.locator('body').innerText();
      for (const word of words) expect(text.toLowerCase(), path).toContain(word.toLowerCase());
      expect(text, path).toContain('Scripts are turned off');
      // Nothing can be pressed that would do nothing, and nothing is styled where the policy forbids it.
      for (const button of await page.locator('button, input, select').all())
        expect(await button.isDisabled(), path).toBe(true);
      expect(await page.locator('[style]').count(), path).toBe(0);
    }
    await page.goto(here.app.url);
    await page
      .getByRole('link', { name: /Marionette bridge/ })
      .first()
      .click();
    await page.getByRole('link', { name: 'wiring' }).click();
    await page.getByText('Every core, and where it goes').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a page of what is not there is answered as that', async () => {
    for (const path of [`/lead/${randomUUID()}/wiring`, `/unit/${randomUUID()}/bench`]) {
      const answer = await fetch(here.app.url + path);
      expect(answer.status).toBe(404);
      expect(await answer.text()).toContain('There is no such');
    }
  });
});

describe('moving', () => {
  it('keeps the page: stages and board change in place, nothing that is there is fetched again, back leads back', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const bridge = named(/Marionette bridge/);
    await page.goto(here.app.url);
    await page.evaluate(() => ((globalThis as { mark?: number }).mark = 1));
    const kept = (): Promise<boolean> => page.evaluate(() => (globalThis as { mark?: number }).mark === 1);
    const asked: string[] = [];
    page.on('request', (request) => asked.push(`${request.method()} ${new URL(request.url()).pathname}`));
    await page.evaluate(() => scrollTo(0, 200));
    await page
      .getByRole('link', { name: /Marionette bridge/ })
      .first()
      .click();
    await page.waitForURL(/\/intent$/);
    expect(await page.title()).toBe('Lead, intent · Antler');
    expect(await page.evaluate(() => document.activeElement?.tagName)).toBe('H1');
    expect(await page.evaluate(() => scrollY)).toBe(0);
    const got = asked.filter((each) => each === `GET /api/leads/${bridge.id}`).length;
    for (const stage of STAGES.slice(1)) {
      await page.getByRole('link', { name: stage }).click();
      await page.waitForURL(new RegExp(`/${stage}$`));
      expect(await page.title()).toBe(`Lead, ${stage} · Antler`);
      // Along the lead the focus stays where it is pressed.
      expect(await page.evaluate(() => document.activeElement?.textContent)).toMatch(new RegExp(`^${stage}`));
    }
    await page.keyboard.press('[');
    await page.waitForURL(/\/prove$/);
    expect(asked.filter((each) => each === `GET /api/leads/${bridge.id}`).length - got).toBeLessThanOrEqual(
      1,
    );
    expect(asked.filter((each) => each.startsWith('GET /lead/')).length).toBeLessThanOrEqual(1);
    for (const stage of ['log', 'prove', 'bench', 'kit', 'signal', 'wiring', 'intent']) {
      await page.goBack();
      await page.waitForURL(new RegExp(`/${stage}$`));
    }
    await page.goBack();
    await page.getByRole('heading', { name: 'The board' }).waitFor();
    // Where it was left; pressing a link may have moved it a little.
    await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(100);
    await page.goForward();
    await page.waitForURL(/\/intent$/);
    expect(await kept()).toBe(true);
    // A link into the middle is a page of its own.
    await page.goto(`${here.app.url}/lead/${bridge.id}/kit`);
    await page.getByText('5.966 m', { exact: true }).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('a change that was not saved yet goes along', async () => {
    const { page, context } = await openWindow(here.browser, { fresh: true });
    const lead = named(/Tablet to the desk/);
    await page.goto(`${here.app.url}/lead/${lead.id}/intent`);
    await page.getByLabel('length').fill('3 m');
    await page.getByRole('link', { name: 'kit' }).click();
    await page.waitForURL(/\/kit$/);
    await page.getByText('Saved, revision 2.').waitFor();
    await page.getByRole('link', { name: 'intent' }).click();
    await expect.poll(() => page.getByLabel('length').inputValue()).toBe('3 m');
    await page.keyboard.press('Escape');
    await page.locator('h1').first().click();
    await page.keyboard.press('Control+z');
    await expect.poll(() => page.getByLabel('length').inputValue()).toBe('2 m');
    await page.getByText('Saved, revision 3.').waitFor();
    await context.close();
  });

  it('between the bench and the meter one goes while the server is away', async () => {
    const own = await runApp(here.database.url);
    const { page, context } = await openWindow(here.browser, { expectTrouble: true });
    const unit = named(/Cello/).units[0];
    await page.goto(`${own.url}/unit/${unit?.id}/bench`);
    await page.waitForTimeout(1_500);
    await own.stop('SIGKILL');
    await page.evaluate((to) => {
      const link = document.createElement('a');
      link.href = to;
      document.body.append(link);
      link.click();
    }, `/unit/${unit?.id}/prove`);
    await page.getByText(/checks? done/).waitFor();
    await context.close();
  });
});

/** How often a window was told that it hears of what changes, or that it does not any more. */
declare function told(live: boolean): number;
/** Makes it known in a window: its part of the one ear is listened to. */
const countTold = (): void => {
  const heard: boolean[] = [];
  const Own = SharedWorker;
  Object.assign(globalThis, {
    told: (live: boolean) => heard.filter((each) => each === live).length,
    SharedWorker: class extends Own {
      constructor(...of: ConstructorParameters<typeof Own>) {
        super(...of);
        this.port.addEventListener('message', ({ data }: MessageEvent<{ live?: boolean }>) => {
          // Before the ear is open, nobody hears yet.
          if (data.live === true || (data.live === false && heard.length > 0)) heard.push(data.live);
        });
      }
    },
  });
};

describe('another window', () => {
  it('sees at once what is done, whichever app of the house it was done at, over one stream a browser', async () => {
    const second = await runApp(here.database.url);
    const { page: one, context, troubles } = await openWindow(here.browser);
    const far = await openWindow(here.browser);
    const streams: string[] = [];
    context.on('request', (request) => /\/api\/live/.test(request.url()) && streams.push(request.url()));
    await Promise.all([context, far.context].map((each) => each.addInitScript(countTold)));
    const unit = named(/Cello/).units[0];
    await one.goto(`${here.app.url}/unit/${unit?.id}/bench`);
    const more = await Promise.all(
      Array.from({ length: 7 }, async () => {
        const page = await context.newPage();
        await page.goto(here.app.url);
        return page;
      }),
    );
    await far.page.goto(`${second.url}/unit/${unit?.id}/bench`);
    const from = Date.now();
    for (const page of [one, far.page, ...more]) await page.waitForFunction(() => told(true) > 0);
    await one.keyboard.press('n');
    await one.getByLabel('Note for this step').fill('seen from afar');
    await one.keyboard.press('Enter');
    await far.page.getByText('seen from afar').waitFor();
    const name = `Fair ${randomUUID().slice(0, 6)}`;
    await second.send('POST', '/api/jobs', { id: randomUUID(), name, note: '' });
    for (const page of more) await page.getByRole('heading', { name }).waitFor();
    // Who is told of changes looks again at intervals of two minutes: all this was seen because it was told.
    for (const page of [one, far.page, ...more]) expect(await page.evaluate(() => told(false))).toBe(0);
    expect(Date.now() - from).toBeLessThan(110_000);
    expect(streams.length).toBeLessThanOrEqual(1);
    expect(troubles).toEqual([]);
    await context.close();
    await far.context.close();
    await second.stop();
  });
});

describe('the log of a lead that was built more than once', () => {
  it('has a line for each, sorted and searched, and shows the one that is pressed', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { fresh: true });
    const lead = named(/Marionette bridge/);
    for (const builder of ['Zora', 'Ada', 'Milo', 'Quentin', 'Bram', 'Ines', 'Petra'])
      await here.app.send('POST', `/api/leads/${lead.id}/units`, { id: randomUUID(), builder });
    await page.goto(`${here.app.url}/lead/${lead.id}/log`);
    const table = page.getByRole('table', { name: /Built so far/ });
    const builders = (): Promise<string[]> => table.locator('tbody tr td:nth-child(2)').allInnerTexts();
    expect((await builders())[0]).toBe('Petra');
    await page.getByText('Built by Petra').waitFor();
    await table.getByRole('button', { name: 'Built by' }).click();
    await expect.poll(builders).toEqual(['Ada', 'Bram', 'Ines', 'Milo', 'Petra', 'Quentin', 'Zora']);
    expect(await table.locator('th').nth(1).getAttribute('aria-sort')).toBe('ascending');
    await page.getByLabel('find').fill('mil');
    await expect.poll(builders).toEqual(['Milo']);
    await page.getByText('1 of 7').waitFor();
    await table.getByRole('button', { name: /^Show No/ }).click();
    await page.getByText('Built by Milo').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('single keys', () => {
  it('do nothing once they are turned off, and space still does', async () => {
    const { page, context, troubles } = await openWindow(here.browser, { fresh: true });
    await page.goto(here.app.url);
    await taken(page);
    const inField = (): Promise<boolean> => page.evaluate(() => document.activeElement?.tagName === 'INPUT');
    await page.keyboard.press('/');
    expect(await inField()).toBe(true);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('?');
    await page.getByLabel('letters, digits and signs alone do this').uncheck();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('/');
    expect(await inField()).toBe(false);
    await page.keyboard.press('?');
    expect(await page.getByLabel('letters, digits and signs alone do this').isVisible()).toBe(true);
    await page.reload();
    await taken(page);
    await page.keyboard.press('/');
    expect(await inField()).toBe(false);
    await page.getByRole('button', { name: 'keys' }).click();
    await page.getByLabel('letters, digits and signs alone do this').check();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('/');
    expect(await inField()).toBe(true);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

it('the fonts that a page names are on their way before its styles', async () => {
  const html = await (await fetch(here.app.url)).text();
  const fonts = [...html.matchAll(/rel="preload" as="font"[^>]* href="([^"]+)"/g)].map(
    ([, href]) => href ?? '',
  );
  expect(fonts).toHaveLength(4);
  const styles = [...html.matchAll(/<link[^>]*href="([^"]+\.css)"/g)].map(([, href]) => href ?? '');
  const sheets = await Promise.all(styles.map(async (href) => (await fetch(here.app.url + href)).text()));
  for (const font of fonts) {
    expect((await fetch(here.app.url + font)).status).toBe(200);
    expect(sheets.some((sheet) => sheet.includes(font))).toBe(true);
  }
});

describe('on a phone', () => {
  it.each([320, 390])('%i px wide, no page is wider than the screen', async (width) => {
    const { page, context } = await openWindow(here.browser, { width });
    for (const path of everyPage()) {
      await page.goto(here.app.url + path);
      await page.waitForFunction(() => !/Following the signal/.test(document.body.innerText));
      expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(
        width,
      );
    }
    await context.close();
  });

  it('the stages are pushed along under the thumb, the open one in sight, none over another', async () => {
    const { page, context } = await openWindow(here.browser, { width: 390 });
    await page.goto(`${here.app.url}/lead/${named(/ways 1 to 8/).id}/log`);
    const boxes = await Promise.all(
      STAGES.map((stage) => page.getByRole('link', { name: stage, exact: false }).first().boundingBox()),
    );
    boxes.slice(1).forEach((box, n) => {
      expect(box?.x ?? 0).toBeGreaterThanOrEqual((boxes[n]?.x ?? 0) + (boxes[n]?.width ?? 0) - 1);
      expect(box?.height).toBeGreaterThanOrEqual(44);
    });
    const last = boxes.at(-1);
    expect((last?.x ?? 999) + (last?.width ?? 0)).toBeLessThanOrEqual(390);
    await context.close();
  });
});

it('the script of a first screen is as light as it may be', async () => {
  for (const path of everyPage()) {
    const { page, context } = await openWindow(here.browser, { fresh: true });
    // What is asked for once the first screen can be pressed is not of it.
    await page.addInitScript(() => {
      const watched = new MutationObserver(() => {
        if (!document.querySelector('fieldset[data-page]:enabled')) return;
        watched.disconnect();
        (globalThis as { there?: number }).there = performance.now();
      });
      watched.observe(document, { subtree: true, childList: true, attributes: true });
    });
    const sizes = new Map<string, Promise<number>>();
    page.on('response', (response) => {
      if (/javascript/.test(response.headers()['content-type'] ?? '') && !/worker/.test(response.url()))
        sizes.set(
          response.url(),
          response.body().then(
            (body) => gzipSync(body).byteLength,
            () => 0,
          ),
        );
    });
    await page.goto(here.app.url + path);
    // A slow page may be loaded again by itself before it is there.
    await page.waitForFunction(() => 'there' in globalThis);
    const first = await page.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .filter(({ startTime }) => startTime <= ((globalThis as { there?: number }).there ?? Infinity))
        .map(({ name }) => name),
    );
    const all = await Promise.all(first.map((name) => sizes.get(name) ?? 0));
    const sum = all.reduce((total, size) => total + size, 0);
    expect(sum / 1000, path).toBeGreaterThan(60);
    expect(sum / 1000, path).toBeLessThan(150);
    await context.close();
  }
});
