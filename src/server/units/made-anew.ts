import { madeAnew, type BenchEvent, type Operation } from '../../core/bench';
import { connectorOf, endById, type Assembly } from '../../core/assembly';
import type { Need } from '../../core/stock';
import type { Database } from '../db';
import * as leadRows from '../leads/rows';
import { heldBefore } from '../making/held';
import { pickedNeeds, takeForUnit } from '../shelf/for-unit';
import { house } from '../workshop/rows';
import * as rows from './rows';

/**
 * Whether what is sent may be about something that is made of new stuff: a cable that was cut wrong, or a plug that is glued shut.
 * Gone back to by the pedal nothing is: what was cut still lies there.
 */
export const mayRenew = (operations: readonly Operation[], events: readonly BenchEvent[]): boolean =>
  Object.values(anewBy(operations, events)).some((list) => list.length > 0);

function anewBy(
  operations: readonly Operation[],
  events: readonly BenchEvent[],
): ReturnType<typeof madeAnew> {
  const undone = new Set(events.flatMap(({ kind, operation }) => (kind === 'undo' ? [operation] : [])));
  const { spans, ends } = madeAnew(operations.filter(({ id }) => undone.has(id)));
  return { spans: events.some(({ kind }) => kind === 'wrong') ? spans : [], ends };
}

/** What of the needs of a lead is taken once more for these cables and plugs. */
function neededAnew(
  assembly: Assembly,
  needs: readonly Need[],
  { spans, ends }: ReturnType<typeof madeAnew>,
): readonly Need[] {
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
