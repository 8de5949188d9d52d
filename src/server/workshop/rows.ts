import { sql } from 'kysely';
import { storedOwnEntry, type OwnEntry } from '../../core/catalogue';
import { NEW_HOUSE, storedHouse, type House } from '../../core/house';
import type { Database } from '../db';

/** The house, brought up to today’s version. */
export async function house(db: Database): Promise<House> {
  const row = await db.selectFrom('house').select('document').executeTakeFirst();
  return row ? storedHouse(row.document) : NEW_HOUSE;
}

/** Changes the house’s document, one at a time: what two settle at once stands both. To be called in a transaction. */
export async function changeHouse(db: Database, change: (now: House) => House): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtext('house'))`.execute(db);
  await putHouse(db, change(await house(db)));
}

/** Puts the house’s document in the place of the last. */
export const putHouse = (db: Database, settled: House): Promise<unknown> =>
  db
    .insertInto('house')
    .values({ document: JSON.stringify(settled) })
    .onConflict((c) =>
      c.column('singleton').doUpdateSet({ document: JSON.stringify(settled), changed_at: new Date() }),
    )
    .execute();

/** The workshop’s own entries, brought up to today’s version. */
export const own = async (db: Database): Promise<readonly OwnEntry[]> =>
  (await db.selectFrom('own_entry').select('document').orderBy('id').execute()).map((row) =>
    storedOwnEntry(row.document),
  );

/** Adds an entry of the workshop’s own, or puts it in the place of what had its id. */
export const putOwn = (db: Database, own: OwnEntry): Promise<unknown> =>
  db
    .insertInto('own_entry')
    .values({ kind: own.kind, id: own.entry.id, document: JSON.stringify(own) })
    .onConflict((c) =>
      c.columns(['kind', 'id']).doUpdateSet({ document: JSON.stringify(own), changed_at: new Date() }),
    )
    .execute();

/** Takes an entry of the workshop’s own out. */
export const removeOwn = (db: Database, kind: OwnEntry['kind'], id: string): Promise<unknown> =>
  db.deleteFrom('own_entry').where('kind', '=', kind).where('id', '=', id).execute();
