import { readFileSync } from 'node:fs';
import { planOf, provenOf } from '../src/core/bench';
import { checkList, proofOf } from '../src/core/proving';
const lead = JSON.parse(readFileSync('examples/leads/tell-tale.json', 'utf8'));
for (let i = 0; i < 4; i++) { const l = structuredClone(lead); let t = performance.now(); planOf(l, {} as never); console.log('plan', performance.now() - t); }
for (let i = 0; i < 2; i++) { const l = structuredClone(lead); let t = performance.now(); const c = checkList(provenOf(l)); console.log('checks', performance.now() - t, ); t = performance.now(); proofOf(provenOf(l)); console.log('proof', performance.now() - t); }
