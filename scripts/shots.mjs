// `npm run shots [folder] [name…]`: a picture of each main view of the running demo at 1280 × 800.
import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright-core';

const base = `http://127.0.0.1:${process.env.PORT ?? 4321}`;
const [folder = 'docs/screenshots', ...wanted] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });

const board = await (await fetch(`${base}/api/board`)).json();
const lead = (name) => board.flatMap((job) => job.leads).find((each) => each.name === name);
const unit = (name, stage) => lead(name).units.find((each) => each.stage === stage);
const page = (name, stage) => `/lead/${lead(name).id}/${stage}`;
const sweep = (await (await fetch(`${base}/api/stage/${board[0].id}`)).json()).sweeps[0].id;

const VIEWS = {
  board: '/',
  intent: page('Old ribbon, music room 2', 'intent'),
  wiring: page('Narrator, left capsule', 'wiring'),
  'fan-out': page('Narrator’s stereo pair', 'wiring'),
  eight: page('Stage box, ways 1 to 8', 'wiring'),
  sum: page('Tablet to the desk, mono', 'wiring'),
  box: page('Listening post volume box', 'wiring'),
  shelf: `/shelf?job=${board[0].id}`,
  job: `/job/${board[0].id}`,
  signal: page('Choir desk to recorder', 'signal'),
  sums: '/sums?q=pickup',
  workshop: '/workshop',
  kit: page('Marionette bridge microphone', 'kit'),
  bench: `/unit/${unit('Narrator, right capsule', 'bench').id}/bench`,
  prove: `/unit/${unit('Thunder sheet pickup', 'prove').id}/prove`,
  fault: `/unit/${unit('Tablet to loudspeaker, left', 'prove').id}/prove`,
  log: page('Narrator, left capsule', 'log'),
  stage: `/stage/${board[0].id}`,
  sweep: `/sweep/${sweep}/walk`,
  plan: `/sweep/${sweep}/plan`,
};

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-quic', '--disable-background-networking'],
});
for (const theme of ['bench', 'stage']) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    colorScheme: theme === 'stage' ? 'dark' : 'light',
  });
  for (const [name, path] of Object.entries(VIEWS)) {
    const file = theme === 'stage' ? `${name}-stage` : name;
    const usual = theme === 'bench' ? name !== 'sweep' && name !== 'stage' : name === 'sweep';
    if (wanted.length > 0 ? !wanted.includes(file) : !usual) continue;
    const tab = await context.newPage();
    await tab.addInitScript(() => localStorage.setItem('antler.builder', JSON.stringify('Nell')));
    const problems = [];
    tab.on('pageerror', (error) => problems.push(error.message));
    tab.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
    await tab.goto(base + path);
    // Taken over by its script, and nothing of it fetched any more.
    await tab.waitForFunction(() => document.querySelector('fieldset[data-page]:disabled') === null);
    await tab.evaluate(() => document.fonts.ready);
    await tab.waitForFunction(
      () => !/Following the signal|waiting to be sent|Working out how/.test(document.body.innerText),
    );
    if (name === 'bench') await tab.getByText('hold about').waitFor();
    if (/\/signal$|\/sums/.test(path)) await tab.locator('.recharts-line').first().waitFor();
    if (name === 'shelf') {
      await tab.getByRole('button', { name: /^Plan/ }).first().click();
      await tab.getByText('Proven:').first().waitFor();
    }
    await tab.waitForTimeout(300);
    await tab.screenshot({ path: `${folder}/${file}.png` });
    if (problems.length > 0) console.error(file, problems);
    await tab.close();
  }
}
await browser.close();
