import { chromium } from 'playwright-core'; import { gzipSync } from 'node:zlib';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});
for (const path of process.argv.slice(2)) {
 const p = await b.newPage(); const s = new Map();
 p.on('response', r => { if (/javascript/.test(r.headers()['content-type']??'') ) s.set(r.url(), r.body().then(x=>gzipSync(x).byteLength,()=>0)); });
 await p.goto(process.env.BASE+path); await p.waitForTimeout(1500);
 console.log(path); for (const [u,v] of s) console.log('  ', await v, u.split('/').pop()); await p.close(); }
await b.close();
