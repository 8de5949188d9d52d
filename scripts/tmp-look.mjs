import { chromium } from 'playwright-core';
const base='http://127.0.0.1:4391';
const browser=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});
export const page=await (await browser.newContext({viewport:{width:+(process.env.W??1280),height:+(process.env.H??800)}})).newPage();
const errors=[]; page.on('pageerror',e=>errors.push(String(e))); page.on('console',m=>m.type()==='error'&&errors.push(m.text()));
const steps=(await import(process.argv[2])).default;
await steps({page,base,shot:(n,o={})=>page.screenshot({path:`/tmp/m/s/${n}.png`,...o})});
console.log(errors);
await browser.close();
