import { derive } from '../src/core/lead';
import { dressed } from '../src/core/dressing';
import { schoolsOf } from '../src/core/lead';
import { operationsOf } from '../src/core/bench';
import { placements, prerequisites, ordered } from '../src/core/bench/sequence';
const loomIntent = (pairs: number) => { const ends = (port: string) => Array.from({ length: pairs }, (_, n) => ({ port, family: 'xlr3', channel: `${n + 1}` })); return { version: 5, from: ends('microphone'), to: ends('microphone-input'), length: { mm: 30000, datum: 'face' }, surroundings: 'stage', cable: `multipair-${pairs}`, schools: {} } as never; };
for (const p of [4, 24, 48]) {
  const d = derive(loomIntent(p)); if (!d.ok) throw 1; const lead = d.value as never;
  const all = operationsOf(dressed(lead) as never, schoolsOf(lead));
  const count: Record<string, number> = {};
  const pl = placements(all); let n = 0; for (const list of pl.values()) for (const x of list) { n++; count[x.by.id] = (count[x.by.id] ?? 0) + 1; }
  console.log(p, all.operations.length, n, Object.entries(count).sort((a, b) => b[1] - a[1]).slice(0, 8));
  const t = (f: () => void) => { for (let i = 0; i < 20; i++) f(); const a = performance.now(); for (let i = 0; i < 20; i++) f(); return (performance.now() - a) / 20; };
  const before = prerequisites(all);
  console.log(t(() => dressed(structuredClone(lead) as never)), t(() => operationsOf(dressed(structuredClone(lead) as never) as never, schoolsOf(lead))), t(() => placements(all)), t(() => prerequisites(all)), t(() => ordered(all, before)));
}
