import { chromium } from 'playwright-core';
const [,, path, out, w='1280', h='800', click=''] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const p = await b.newPage({ viewport: { width: +w, height: +h } });
p.on('console', (m) => m.type()==='error' && console.log('console', m.text()));
p.on('pageerror', (e) => console.log('error', e.message));
await p.goto('http://127.0.0.1:4391' + path);
await p.waitForTimeout(2500);
if (click) { await p.getByText(click).first().click(); await p.waitForTimeout(1200); }
await p.screenshot({ path: out });
await b.close();
