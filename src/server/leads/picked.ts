import type { Database } from '../db';

/** What became of a line of a kit; `open` takes back what was said. */
export const STATES = ['picked', 'have', 'waived'] as const;
export type PickState = (typeof STATES)[number];

/** What was picked of a kit: each line as it was then, with what became of it. */
export type Picks = Readonly<Record<string, PickState>>;

/** What was picked of a lead’s kit. */
export async function picksOf(db: Database, id: string): Promise<Picks> {
  const found = await db.selectFrom('kit_pick').select(['line', 'state']).where('lead_id', '=', id).execute();
  return Object.fromEntries(found.map(({ line, state }) => [line, state]));
}
