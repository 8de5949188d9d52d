import { randomUUID } from 'node:crypto';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import type { BoardJob } from '../../src/server/board/service';
import { taken } from '../support/browser';
import type { WireUnit } from '../../src/server/units/wire';
import type { Antler } from './antler';

/** Numbers that look random and are the same for the same seed (a linear congruence, from memory). */
export function numbers(seed: number): (below: number) => number {
  let state = (seed * 2_654_435_761) >>> 0;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What befalls it while people work; each leaves it able to come back by itself, and resolves when it has done its worst. */
const MISHAPS: Readonly<
  Record<
    string,
    (antler: Antler, contexts: readonly BrowserContext[], n: (below: number) => number) => Promise<void>
  >
> = {
  'the app is killed': async (antler) => antler.kill('app', 'SIGKILL'),
  'the database is killed': async (antler) => antler.kill('database', 'SIGKILL'),
  'all is killed, and started again': async (antler) => {
    for (const which of ['starter', 'database', 'app'] as const) antler.kill(which, 'SIGKILL');
    await wait(300);
    await antler.start();
  },
  'what starts it is killed, and started again': async (antler) => {
    antler.kill('starter', 'SIGKILL');
    await wait(500);
    await antler.start();
  },
  'it is stopped, and started again': async (antler) => {
    await antler.stop();
    await antler.start();
  },
  'the app is told to stop': async (antler) => antler.kill('app', 'SIGTERM'),
  'the app stands still for a while': async (antler, _, n) => {
    antler.kill('app', 'SIGSTOP');
    await wait(500 + n(3_000));
    antler.kill('app', 'SIGCONT');
  },
  'the database stands still for a while': async (antler, _, n) => {
    antler.kill('database', 'SIGSTOP');
    await wait(500 + n(3_000));
    antler.kill('database', 'SIGCONT');
  },
  'the network is cut for a while': async (_, contexts, n) => {
    for (const context of contexts) await context.setOffline(true);
    await wait(500 + n(2_500));
    for (const context of contexts) await context.setOffline(false);
  },
  'the network is slow, and loses every third answer': async (_, contexts, n) => {
    let asked = 0;
    for (const context of contexts)
      await context.route('**/api/**', async (route) => {
        await wait(n(400));
        // It has been recorded, and nobody hears of it.
        if (++asked % 3 === 0) {
          await route.fetch().catch(() => undefined);
          await route.abort().catch(() => undefined);
        } else await route.continue().catch(() => undefined);
      });
    await wait(3_000);
    for (const context of contexts) await context.unrouteAll({ behavior: 'ignoreErrors' });
  },
  'the disk is full for a while': async (antler) => {
    if (!antler.isSmallDisk) return;
    const empty = antler.fill(20 * 1024 * 1024);
    await wait(2_500);
    empty();
  },
};

/** What came of it. */
export interface Outcome {
  readonly mishaps: readonly string[];
  /** What the browser said was kept. */
  readonly promised: number;
  readonly lost: readonly string[];
  readonly twice: readonly string[];
  /** What is recorded that nobody did. */
  readonly strange: readonly string[];
  /** How long the worst took until all was at the server again, s. */
  readonly slowest: number;
}

interface Bench {
  readonly unit: string;
  readonly context: BrowserContext;
  readonly tabs: Page[];
}

const url = ({ unit }: Bench, antler: Antler): string => `${antler.url}/unit/${unit}/bench`;

/** How long a server may be away that comes back by itself, on a busy machine, ms. */
const BACK_MS = 90_000;

async function tab(bench: Bench, antler: Antler): Promise<Page> {
  const page = await bench.context.newPage();
  page.setDefaultTimeout(60_000);
  // While the server is away a page cannot come: it is asked for until it does.
  const until = performance.now() + BACK_MS;
  for (;;)
    try {
      await page.goto(url(bench, antler), { timeout: 8_000 });
      await page.locator('main h2').first().waitFor({ timeout: 8_000 });
      await taken(page, 8_000);
      return page;
    } catch (error) {
      if (performance.now() > until) throw error;
      await wait(1_000);
    }
}

/** Writes a note, and resolves once the page shows it: from then on it is promised. */
async function note(page: Page, text: string): Promise<void> {
  await page.keyboard.press('n');
  await page.getByLabel('Note for this step').fill(text);
  await page.keyboard.press('Enter');
  await page.locator('main').getByText(text).waitFor();
  // Shown at once; kept when the count says so, or when it is gone to the server.
  await page.waitForFunction(() => !/keeping \d/.test(document.body.innerText));
}

/**
 * People work in two windows each at two benches while one thing after another goes wrong; then all is left in peace, and what is
 * recorded is compared with what the browsers said was kept.
 */
export async function chaos(
  antler: Antler,
  browser: Browser,
  { seed, rounds, say = () => undefined }: { seed: number; rounds: number; say?: (line: string) => void },
): Promise<Outcome> {
  const n = numbers(seed);
  const jobs = (await (await fetch(`${antler.url}/api/board`)).json()) as BoardJob[];
  const leads = jobs.flatMap((job) => job.leads);
  const benches: Bench[] = [];
  for (let which = 0; which < 2; which++) {
    const unit = randomUUID();
    const lead = leads[n(leads.length)]?.id ?? '';
    const started = await fetch(`${antler.url}/api/leads/${lead}/units`, {
      method: 'POST',
      headers: { origin: antler.url, 'content-type': 'application/json' },
      body: JSON.stringify({ id: unit, builder: 'Nell' }),
    });
    if (!started.ok) throw new Error(await started.text());
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const bench: Bench = { unit, context, tabs: [] };
    for (let tabs = 0; tabs < 2; tabs++) bench.tabs.push(await tab(bench, antler));
    benches.push(bench);
  }
  const contexts = benches.map(({ context }) => context);
  const promised = new Map<string, Set<string>>(benches.map(({ unit }) => [unit, new Set()]));
  const names = Object.keys(MISHAPS);
  const mishaps: string[] = [];
  let slowest = 0;
  // Each once before any comes again.
  const course = [...names].sort(() => n(2) - 0.5);
  for (let round = 0; round < rounds; round++) {
    const name = course[round % course.length] ?? '';
    mishaps.push(name);
    const started = performance.now();
    let over = false;
    const mishap = (MISHAPS[name]?.(antler, contexts, n) ?? Promise.resolve()).finally(() => (over = true));
    const work = benches.map(async (bench, which) => {
      for (let line = 0; line < 3 || !over; line++) {
        const page = bench.tabs[n(bench.tabs.length)] as Page;
        const text = `[${seed}:${round}:${which}:${line}]`;
        await note(page, text);
        promised.get(bench.unit)?.add(text);
        if (line > 40) break;
        await wait(n(200));
      }
      // One window is closed or loaded again with what it has; the other goes on.
      const at = n(bench.tabs.length);
      if (n(2) === 0) {
        await bench.tabs[at]?.close();
        bench.tabs[at] = await tab(bench, antler);
      }
    });
    await Promise.all([mishap, ...work]);
    for (let tries = 0; !(await antler.answers()); tries++) {
      if (tries > 60) throw new Error(`it does not come back after: ${name}`);
      await wait(500);
    }
    for (const { tabs } of benches)
      for (const page of tabs)
        await page.waitForFunction(() => !document.body.innerText.includes('waiting to be sent'), undefined, {
          timeout: 90_000,
        });
    const seconds = (performance.now() - started) / 1000;
    slowest = Math.max(slowest, seconds);
    say(`${name}: all is at the server after ${seconds.toFixed(1)} s`);
  }
  const lost: string[] = [];
  const twice: string[] = [];
  const strange: string[] = [];
  for (const { unit } of benches) {
    const sheet = (await (await fetch(`${antler.url}/api/units/${unit}`)).json()) as WireUnit;
    const texts = sheet.events.filter(({ kind }) => kind === 'note').map(({ text }) => text ?? '');
    const wanted = promised.get(unit) ?? new Set<string>();
    lost.push(...[...wanted].filter((text) => !texts.includes(text)));
    twice.push(...texts.filter((text, at) => texts.indexOf(text) !== at));
    strange.push(...texts.filter((text) => !wanted.has(text)));
  }
  await Promise.all(contexts.map((context) => context.close()));
  return {
    mishaps,
    promised: [...promised.values()].reduce((sum, each) => sum + each.size, 0),
    lost,
    twice,
    strange,
    slowest,
  };
}
