import { chromium } from 'playwright-core';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
const base = 'http://127.0.0.1:4391';
const send = (m, p, b) => fetch(base + p, { method: m, headers: { 'content-type': 'application/json', origin: base }, body: JSON.stringify(b) });
const jobId = randomUUID();
await send('POST', '/api/jobs', { id: jobId, name: 'Looks', note: '' });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const want = JSON.parse(process.argv[2]); // [[example, regex, width, theme]]
for (const [name, re, width = 1280] of want) {
  const { intent } = JSON.parse(readFileSync(`examples/intents/${name}.json`));
  const [lead, unit] = [randomUUID(), randomUUID()];
  const made = await send('POST', '/api/leads', { id: lead, jobId, name, intent });
  if (made.status !== 201) { console.log(name, await made.text()); continue; }
  await send('POST', `/api/leads/${lead}/units`, { id: unit, builder: 'Nell' });
  const page = await browser.newPage({ viewport: { width, height: 800 } });
  await page.goto(`${base}/unit/${unit}/bench`);
  await page.locator('fieldset[data-page]:enabled').first().waitFor().catch(() => {});
  await page.waitForTimeout(700);
  for (let n = 0; n < 60; n++) {
    const words = await page.locator('main h2').first().innerText();
    if (new RegExp(re).test(words)) break;
    const cool = page.getByRole('button', { name: 'It is cool already' });
    const gate = page.locator('main button[aria-pressed=false]').first();
    if (/is closed: /.test(words)) { console.log(name, 'measure in the way:', words); break; }
    if (await cool.isVisible()) await cool.click();
    else if (await gate.isVisible()) await gate.click();
    else { await page.waitForTimeout(130); await page.keyboard.press('Space'); }
    await page.waitForTimeout(120);
  }
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `/tmp/m/s/${name}-${width}.png` });
  await page.close();
}
await browser.close();
