import { randomUUID } from 'node:crypto';
import { proofBy, provenOf } from '../../src/core/bench';
import type { Answer, Check, Reading } from '../../src/core/proving';
import { board } from '../../src/server/board/service';
import type { Database } from '../../src/server/db';
import { appendRecords } from '../../src/server/units/records';
import { startUnit } from '../../src/server/units/service';
import { builtAs } from './proving';

let clock = Date.parse('2026-03-02T10:00:00Z');
const at = (): string => new Date((clock += 10_000)).toISOString();

const readingOf = ({ id: probe }: Check, answer: Answer) => ({
  is: 'reading' as const,
  id: randomUUID(),
  probe,
  answer,
  at: at(),
});

/** A unit of the demo’s lead of this name, built up to its first step of this kind; what is measured on the way is as it should be. */
export async function unitAt(db: Database, name: RegExp, kind: 'measure' | 'prove') {
  const jobs = await board(db);
  const lead = jobs.flatMap(({ leads }) => leads).find((each) => name.test(each.name));
  if (!lead) throw new Error(`no lead ${name}`);
  const unit = await startUnit(db, lead.id, { id: randomUUID(), builder: 'Nell' });
  const proof = proofBy(unit.plan, unit.lead);
  const says = builtAs(provenOf(unit.lead), proof, unit.lead);
  const readings: Reading[] = [];
  for (const op of unit.plan.operations) {
    if (op.kind === kind) break;
    const asked = (op.checks ?? []).flatMap((id) => proof.check(id) ?? []);
    readings.push(...asked.map((check) => ({ probe: check.id, answer: says(check) })));
    await appendRecords(db, unit.id, [
      ...asked.map((check) => readingOf(check, says(check))),
      ...(op.confirm ?? []).map((text) => ({
        is: 'event' as const,
        id: randomUUID(),
        kind: 'confirm' as const,
        operation: op.id,
        text,
        at: at(),
      })),
      { is: 'event', id: randomUUID(), kind: 'done', operation: op.id, at: at() },
    ]);
  }
  return { unit, proof, says, readings };
}

/** Proves a unit that was built so far: every check answered as it should be, and the step done. */
export async function proveUnit(
  db: Database,
  { unit, proof, says, readings }: Awaited<ReturnType<typeof unitAt>>,
): Promise<void> {
  const before = new Set(readings.map(({ probe }) => probe));
  const left = proof.checks.filter(({ id }) => !before.has(id));
  await appendRecords(db, unit.id, [
    ...left.map((check) => readingOf(check, says(check))),
    { is: 'event', id: randomUUID(), kind: 'done', operation: 'prove', at: at() },
  ]);
}
