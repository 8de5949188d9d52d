import type { Database } from '../db';

/** What became of a line of a kit; `open` takes back what was said. */
export const STATES = ['picked', 'have', 'waived'] as const;
export type PickState = (typeof STATES)[number];

/** What was picked of a kit: each line as it was then, with what became of it. */
export type Picks = Readonly<Record<string, PickState>>;

/** What was picked of the kits of several leads. */
export async function picksOfEach(db: Database, ids: readonly string[]): Promise<ReadonlyMap<string, Picks>> {
  if (ids.length === 0) return new Map();
  const found = await db
    .selectFrom('kit_pick')
    .select(['lead_id', 'line', 'state'])
    .where('lead_id', 'in', [...ids])
    .orderBy('lead_id')
    .orderBy('line')
    .execute();
  const picks = new Map<string, Record<string, PickState>>();
  for (const { lead_id, line, state } of found) picks.set(lead_id, { ...picks.get(lead_id), [line]: state });
  return picks;
}

/** What was picked of a lead’s kit. */
export async function picksOf(db: Database, id: string): Promise<Picks> {
  return (await picksOfEach(db, [id])).get(id) ?? {};
}
