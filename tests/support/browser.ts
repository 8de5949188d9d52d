import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';
import { hadContext, restingWhenClosed } from './rested';

export const openBrowser = (...more: readonly string[]): Promise<Browser> =>
  chromium.launch({
    executablePath: process.env['ANTLER_TEST_CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      ...more,
    ],
  });

/** Waits until what is on the page can be pressed: it is there to be read before. */
export const taken = (page: Page, timeout = 30_000): Promise<unknown> =>
  page.waitForFunction(() => !document.querySelector('fieldset[data-page]:disabled'), undefined, { timeout });

/**
 * A window of its own, with nothing of any other in it but what of the app is cached; `fresh`: not even that. It fails the test on any script error, refused resource or request that leaves this machine. */
export async function openWindow(
  browser: Browser,
  {
    ground = 'bench' as 'bench' | 'stage',
    width = 1280,
    expectTrouble = false,
    touch = false,
    host = '127.0.0.1',
    scripts = true,
    fresh = false,
  } = {},
): Promise<{ page: Page; context: BrowserContext; troubles: string[] }> {
  const kind = {
    viewport: { width, height: 800 },
    colorScheme: ground === 'stage' ? 'dark' : 'light',
    hasTouch: touch,
    isMobile: touch,
    javaScriptEnabled: scripts,
  } as const;
  const rested = fresh ? undefined : await hadContext(browser, kind);
  const context = rested?.context ?? restingWhenClosed(browser, kind, await browser.newContext(kind));
  const page = rested?.page ?? (await context.newPage());
  page.setDefaultTimeout(30_000);
  if (scripts) {
    const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
    page.goto = async (...args) => {
      const answer = await goto(...args);
      await taken(page);
      return answer;
    };
    page.reload = async (...args) => {
      const answer = await reload(...args);
      await taken(page);
      return answer;
    };
  }
  const troubles: string[] = [];
  page.on('pageerror', (error) => troubles.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error' && !expectTrouble) troubles.push(message.text());
  });
  page.on('request', (request) => {
    const { protocol, hostname } = new URL(request.url());
    if (protocol === 'http:' ? hostname !== host : !/^(?:data|blob):$/.test(protocol))
      troubles.push(`went out to ${request.url()}`);
  });
  return { page, context, troubles };
}

/** The big words of the bench or the meter. */
export const bigWords = (page: Page): Promise<string> => page.locator('main h2').first().innerText();

/** Waits until what was done is acknowledged: nothing waits to be sent. */
export async function acknowledged(page: Page): Promise<void> {
  await page.waitForFunction(() => !document.body.innerText.includes('waiting to be sent'));
}

/** Where the bench stands: its big words, and how much of them is confirmed. */
export const stand = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      `${document.querySelector<HTMLElement>('main h2')?.innerText} ${document.querySelectorAll('[aria-pressed=true]').length}`,
  );

/** Waits until the bench stands elsewhere. */
export async function moved(page: Page, from: string): Promise<void> {
  const until = Date.now() + 30_000;
  while ((await stand(page)) === from) {
    if (Date.now() > until) throw new Error(`the bench stays at “${from}”`);
    await page.waitForTimeout(20);
  }
}

/**
 * Waits until the bench of a unit stands at its first step, and keys are heard: the page before it has a list of all steps,
 * in which the first stands too.
 */
export async function atFirstStep(page: Page): Promise<void> {
  await page.waitForURL(/\/unit\//);
  await page.locator('main h2').filter({ hasText: /^Cut/ }).waitFor();
  await taken(page);
}

/** One press of the pedal, no sooner than a foot comes down again. */
export async function pedal(page: Page, key: 'Space' | 'PageDown' = 'Space'): Promise<void> {
  await page.waitForTimeout(100);
  await page.keyboard.press(key);
}

/** One step on at the bench, by the space bar, through the cooling and what has to be confirmed; resolves to the words then. */
export async function forward(page: Page): Promise<string> {
  const before = await stand(page);
  const cool = page.getByRole('button', { name: 'It is cool already' });
  const gate = page.locator('main button[aria-pressed=false]').first();
  if (await cool.isVisible()) await cool.click();
  // A gate is not run through by key: each of it is ticked.
  else if (await gate.isVisible()) await gate.click();
  else await pedal(page);
  await moved(page, before);
  return bigWords(page);
}

/** A step at which the open lead is measured, in the bench’s big words. */
const MEASURING = /^Before .* is closed: /;

/** Works at the bench with the space bar until the words say so; resolves to what the steps on the way were called. What the open lead is asked on the way is as it should be. */
export async function workUntil(
  page: Page,
  wanted: RegExp,
  reads: (probe: string) => string = () => 'OL',
): Promise<readonly string[]> {
  const said: string[] = [];
  for (let press = 0; press < 80; press++) {
    const words = await bigWords(page);
    if (wanted.test(words)) return said;
    if (said.at(-1) !== words) said.push(words);
    if (MEASURING.test(words)) await measureOpen(page, reads);
    else await forward(page);
  }
  throw new Error(`the bench never said ${wanted}`);
}

/** Goes to the meter from a step at which the open lead is measured, answers, and comes back to the bench. */
export async function measureOpen(page: Page, reads: (probe: string) => string = () => 'OL'): Promise<void> {
  await pedal(page);
  await page.waitForURL(/\/prove$/);
  await page.locator('main h2').filter({ hasNotText: MEASURING }).first().waitFor();
  const words = await measure(page, reads);
  if (!/may be closed/.test(words)) throw new Error(`the open lead is not as it should be: ${words}`);
  await pedal(page);
  await page.waitForURL(/\/bench$/);
  await page
    .locator('main h2')
    .filter({ hasNotText: /may be closed/ })
    .first()
    .waitFor();
}

/** Answers at the meter, as a lead would, until nothing more is asked: readings are typed, tests and looks are so. */
export async function measure(page: Page, reads: (probe: string) => string): Promise<string> {
  for (let probe = 0; probe < 60; probe++) {
    const words = await bigWords(page);
    const yes = page.getByRole('button', { name: 'Yes, so' });
    if (/^red on/i.test(words)) {
      await page.getByLabel(/^Reading, /).fill(reads(words.replace(/\s+/g, ' ')));
      await page.keyboard.press('Enter');
    } else if (await yes.isVisible()) await yes.click();
    else return words;
    await page.waitForFunction(
      (was) => (document.querySelector('main h2') as HTMLElement | null)?.innerText !== was,
      words,
    );
  }
  throw new Error('the probes never end');
}
