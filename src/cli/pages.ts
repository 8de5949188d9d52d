import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { chromium, type Page } from 'playwright-core';

/**
 * `npm run bench pages`: the longest task of a page, as a clock has it and in its own processor time, while something is typed in
 * a slot, a slider of the signal is dragged, and the stages are gone along twice (the first time their scripts are new to it),
 * for every example lead; and beside each what a clock has on a processor a quarter as fast. `npm run bench pages box` takes those with that in their
 * name. Needs ANTLER_URL of a running app.
 */
const base = process.env['ANTLER_URL'] ?? '';
/** The most that a task may take by the clock on this machine as it is, ms. */
const MOST = 50;
const SLOWER = 4;
/** Until what was begun is done, ms. */
const SETTLED_MS = 350;

async function send(method: string, path: string, body: unknown): Promise<void> {
  const answer = await fetch(base + path, {
    method,
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
}

interface Example {
  readonly id: string;
  readonly file: string;
}

async function put(): Promise<readonly Example[]> {
  const jobId = randomUUID();
  await send('POST', '/api/jobs', { id: jobId, name: 'Every kind of lead', note: '' });
  const made: Example[] = [];
  for (const file of readdirSync('examples/intents').sort()) {
    const { name, intent } = JSON.parse(readFileSync(`examples/intents/${file}`, 'utf8')) as {
      name: string;
      intent: unknown;
    };
    const id = randomUUID();
    await send('POST', '/api/leads', { id, jobId, name, intent });
    made.push({ id, file: file.replace('.json', '') });
  }
  return made;
}

/** Of this machine’s processors how much others took since it was asked last, %: a page that waits for them is not slow. */
function thefts(): () => number {
  const ticks = (): readonly number[] =>
    (/^cpu +(.*)$/m.exec(readFileSync('/proc/stat', 'utf8'))?.[1] ?? '').split(' ').map(Number);
  let before = ticks();
  return () => {
    const now = ticks();
    const took = now.map((each, n) => each - (before[n] ?? 0));
    before = now;
    const all = took.reduce((sum, each) => sum + each, 0);
    return all === 0 ? 0 : (100 * (took[7] ?? 0)) / all;
  };
}

/** Waits until what is on the page can be pressed. */
const taken = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => !document.querySelector('fieldset[data-page]:disabled'));

interface Traced {
  readonly name: string;
  readonly pid: number;
  readonly tid: number;
  /** By the clock, and in that thread's own processor time, µs. */
  readonly dur?: number;
  readonly tdur?: number;
  readonly args?: { readonly name?: string };
}

/** The longest task of the page while something is done, ms: by the clock, which counts what waits for another process, and in its own time. */
interface Longest {
  readonly clock: number;
  readonly own: number;
  /** How much of the processors others took meanwhile, %. */
  readonly stolen: number;
}
async function longest(page: Page, work: () => Promise<unknown>): Promise<Omit<Longest, 'stolen'>> {
  await browser.startTracing(page, { categories: ['toplevel'] });
  await work();
  await page.waitForTimeout(SETTLED_MS);
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as {
    traceEvents: readonly Traced[];
  };
  const own = ({ pid, tid }: Traced): string => `${pid} ${tid}`;
  const pages = new Set(
    traceEvents
      .filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain')
      .map(own),
  );
  const tasks = traceEvents.filter(
    (each) => each.name === 'ThreadControllerImpl::RunTask' && pages.has(own(each)),
  );
  if (tasks.length === 0) throw new Error('No task of the page was traced.');
  const most = (of: (task: Traced) => number): number => Math.round(Math.max(...tasks.map(of)) / 1000);
  return { clock: most(({ dur = 0 }) => dur), own: most(({ tdur = 0 }) => tdur) };
}

async function typing(page: Page): Promise<void> {
  const length = page.getByLabel('length', { exact: true });
  if ((await length.count()) === 0) return;
  const before = await length.inputValue();
  await length.fill('');
  await length.pressSequentially(before, { delay: 60 });
}

async function dragging(page: Page): Promise<void> {
  const slider = page.locator('input[type=range]').first();
  if ((await slider.count()) === 0) return;
  await slider.scrollIntoViewIfNeeded();
  const box = await slider.boundingBox();
  if (!box) return;
  const [left, y] = [box.x + 8, box.y + box.height / 2];
  await page.mouse.move(left, y);
  await page.mouse.down();
  for (let n = 0; n <= 40; n++) await page.mouse.move(left + ((box.width - 16) * n) / 40, y);
  await page.mouse.up();
}

/** Presses a link where it is: what looks for it by its role would be counted as the page’s own work. */
async function press(page: Page, href: string): Promise<void> {
  const at = await page.evaluate((to) => {
    const box = document.querySelector(`a[href="${to}"]`)?.getBoundingClientRect();
    return box && { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  }, href);
  if (!at) throw new Error(`There is no way to ${href}.`);
  await page.mouse.click(at.x, at.y);
}

const STAGES = ['wiring', 'signal', 'kit', 'bench', 'prove', 'log', 'intent'] as const;
async function moving(page: Page): Promise<void> {
  const lead = new URL(page.url()).pathname.replace(/\/[^/]*$/, '');
  for (const stage of [...STAGES, ...STAGES]) {
    await press(page, `${lead}/${stage}`);
    await page.waitForURL(new RegExp(`/${stage}$`));
    // What comes late belongs to it.
    await page.waitForTimeout(SETTLED_MS);
  }
}

const DONE = { typing, dragging, moving } as const;

/** Of so many rounds the first counts in which others took no more than this of the processors, %; else that in which they took least. */
const ROUNDS = 5;
const STOLEN = 1;

/** The longest tasks of one lead, on a processor so many times slower. */
async function measure(page: Page, { id }: Example, slower: number): Promise<Record<string, Longest>> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  const found: Record<string, Longest> = {};
  for (const [name, work] of Object.entries(DONE)) {
    let least = Infinity;
    for (let round = 0; round < (slower > 1 ? 1 : ROUNDS) && least > STOLEN; round++) {
      await page.goto(`${base}/lead/${id}/${name === 'dragging' ? 'signal' : 'intent'}`);
      await taken(page);
      // What comes after the first picture is not what is measured here.
      await page.waitForTimeout(600 * slower);
      const theft = thefts();
      const once = await longest(page, () => work(page));
      const stolen = theft();
      if (stolen < least) [least, found[name]] = [stolen, { ...once, stolen }];
    }
  }
  await session.detach();
  return found;
}

const [only] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: process.env['ANTLER_TEST_CHROMIUM'] ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const over: string[] = [];
for (const example of (await put()).filter(({ file }) => only === undefined || file.includes(only))) {
  const usual = await measure(page, example, 1);
  const slow = await measure(page, example, SLOWER);
  const said = Object.keys(DONE).map(
    (name) =>
      `${name} ${usual[name]?.clock} (${usual[name]?.own} of its own; ${usual[name]?.stolen.toFixed(1)} % stolen; slower ${slow[name]?.clock})`,
  );
  const isOver = Object.values(usual).some(({ clock }) => clock > MOST);
  if (isOver) over.push(example.file);
  console.info(`${isOver ? `over ${MOST} ms` : 'within'}: ${example.file}: ${said.join(', ')} ms`);
}
console.info(over.length === 0 ? `None is over ${MOST} ms.` : `Over ${MOST} ms: ${over.join(', ')}.`);
await browser.close();
