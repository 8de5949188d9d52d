import type { CableEntry, ConnectorEntry } from '../../core/catalogue';
import type { Schools } from '../../core/wiring';
import type { Database } from '../db';

export async function schools(db: Database): Promise<Schools> {
  const row = await db.selectFrom('workshop').select('schools').executeTakeFirst();
  return row?.schools ?? {};
}

export const putSchools = (db: Database, chosen: Schools): Promise<unknown> =>
  db
    .insertInto('workshop')
    .values({ schools: JSON.stringify(chosen) })
    .onConflict((c) =>
      c.column('singleton').doUpdateSet({ schools: JSON.stringify(chosen), changed_at: new Date() }),
    )
    .execute();

type Kind = 'connector' | 'cable';

export async function own(
  db: Database,
): Promise<{ readonly connectors: ConnectorEntry[]; readonly cables: CableEntry[] }> {
  const rows = await db.selectFrom('own_entry').select(['kind', 'entry']).orderBy('id').execute();
  const of = (kind: Kind) => rows.filter((row) => row.kind === kind).map((row) => row.entry);
  return { connectors: of('connector') as ConnectorEntry[], cables: of('cable') as CableEntry[] };
}

export const putOwn = (db: Database, kind: Kind, entry: ConnectorEntry | CableEntry): Promise<unknown> =>
  db
    .insertInto('own_entry')
    .values({ kind, id: entry.id, entry: JSON.stringify(entry) })
    .onConflict((c) =>
      c.columns(['kind', 'id']).doUpdateSet({ entry: JSON.stringify(entry), changed_at: new Date() }),
    )
    .execute();

export const removeOwn = (db: Database, kind: Kind, id: string): Promise<unknown> =>
  db.deleteFrom('own_entry').where('kind', '=', kind).where('id', '=', id).execute();
