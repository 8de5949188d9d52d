import { madeAnew, type BenchEvent, type Operation } from '../../core/bench';
import { connectorOf, endById, type Assembly } from '../../core/assembly';
import type { Need } from '../../core/stock';
import type { Database } from '../db';
import * as leadRows from '../leads/rows';
import { heldBefore } from '../making/held';
import { pickedNeeds, takeForUnit } from '../shelf/for-unit';
import { house } from '../workshop/rows';
import * as rows from './rows';

type Anew = ReturnType<typeof madeAnew>;

/**
 * What is made of new stuff because of what is sent: where something was wrong at a step that is taken back with it. Gone back to by the
 * pedal nothing is, though something else was noted just before: what was cut still lies there.
 */
function anewBy(operations: readonly Operation[], events: readonly BenchEvent[]): Anew {
  const of = (wanted: BenchEvent['kind']): ReadonlySet<string | undefined> =>
    new Set(events.flatMap(({ kind, operation }) => (kind === wanted ? [operation] : [])));
  const [undone, wrong] = [of('undo'), of('wrong')];
  const again = operations.filter(({ id }) => undone.has(id));
  return again.some(({ id }) => wrong.has(id)) ? madeAnew(again) : { spans: [], ends: [] };
}

/** Whether what is sent is about something that is made of new stuff: a cable that was cut wrong, or a plug that is glued shut. */
export function mayRenew(operations: readonly Operation[], events: readonly BenchEvent[]): boolean {
  const { spans, ends } = anewBy(operations, events);
  return spans.length + ends.length > 0;
}

/** What of the needs of a lead is taken once more for these cables and plugs. */
function neededAnew(assembly: Assembly, needs: readonly Need[], { spans, ends }: Anew): readonly Need[] {
  const plugs = ends.flatMap((id) => {
    const end = endById(assembly, id);
    return (end && connectorOf(assembly, end)?.id) ?? [];
  });
  return [
    ...needs.filter(({ span }) => span !== undefined && spans.includes(span)),
    ...plugs.flatMap((item): Need[] =>
      needs.some((need) => need.item === item) ? [{ item, unit: 'pieces', much: 1 }] : [],
    ),
  ];
}

/**
 * Takes from the shelf what is needed once more, because of what is done again; what is not there holds nothing up. To be called in
 * the transaction that records it, with what is recorded for the first time.
 */
export async function takeAnew(
  trx: Database,
  unitId: string,
  operations: readonly Operation[],
  events: readonly BenchEvent[],
): Promise<void> {
  const [first] = events;
  const anew = anewBy(operations, events);
  const unit = await rows.unit(trx, unitId);
  const lead = unit && (await leadRows.leadAt(trx, unit.leadId, unit.revision));
  if (!first || !lead) return;
  const needs = neededAnew(lead.assembly, await pickedNeeds(trx, unit.leadId, lead), anew);
  const jobId = (await leadRows.leadById(trx, unit.leadId))?.jobId;
  await takeForUnit(trx, {
    unit: unitId,
    leadId: unit.leadId,
    lead,
    needs,
    by: first.id,
    heldNow: () => heldBefore(trx, jobId),
    kerfMm: (await house(trx)).cutting?.kerfMm ?? 0,
  });
}
