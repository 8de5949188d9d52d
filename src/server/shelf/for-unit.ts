import { createHash } from 'node:crypto';
import { sql } from 'kysely';
import { cableCuts } from '../../core/cutting';
import { dressed } from '../../core/dressing';
import { isPriced, kit, sparedOf } from '../../core/kit';
import { schoolsOf, type Lead } from '../../core/lead';
import {
  readyFor,
  shelfOf,
  takeFor,
  withoutHeld,
  type Need,
  type Ready,
  type ShelfEvent,
} from '../../core/stock';
import type { Database } from '../db';
import { picksOf, type Picks } from '../leads/picked';
import { eventsOf, recordShelf } from './service';

/** An id that follows from others: recorded again it is the same. */
function idFrom(...parts: readonly string[]): string {
  const hex = createHash('sha256').update(parts.join(' ')).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/**
 * What one of a lead takes from the shelf: each cut of its cables by itself, and all else by the item. What the builder has, or
 * leaves out, is not taken: a plug from an old lead, a label that nobody wants.
 */
export function needsOf(lead: Lead, picks: Picks = {}): readonly Need[] {
  const schools = schoolsOf(lead);
  const lines = kit(dressed(lead), schools);
  const isSpared = sparedOf(lines, picks);
  const cables = cableCuts(lead.assembly, schools).map(({ cable, mm, span }): Need => ({
    item: cable.id,
    unit: 'mm',
    much: mm,
    span,
  }));
  const isCable = new Set(cables.map(({ item }) => item));
  const rest = lines
    .filter((line) => isPriced(line) && !isCable.has(line.item) && !isSpared.has(line.id))
    .map(({ item, count, mm }): Need => ({
      item,
      unit: mm === undefined ? 'pieces' : 'mm',
      much: mm === undefined ? count : Math.ceil(mm),
    }));
  return [...cables.filter(({ item }) => !isSpared.has(item)), ...rest];
}

/** The cuts that lie ready for each of these leads: made at the cutter, and in no unit yet. */
export async function readyOf(
  db: Database,
  leads: readonly string[],
): Promise<ReadonlyMap<string, readonly Ready[]>> {
  if (leads.length === 0) return new Map();
  const rows = await db
    .selectFrom('shelf_event')
    .select('document')
    .where(sql<string>`document->>'lead'`, 'in', [...leads])
    .orderBy('seq')
    .execute();
  const events = rows.map(({ document }) => document);
  return new Map(leads.map((lead) => [lead, readyFor(events, lead)]));
}

/** What one of a lead takes from the shelf, as the builder has picked it. */
export const pickedNeeds = async (db: Database, leadId: string, lead: Lead): Promise<readonly Need[]> =>
  needsOf(lead, await picksOf(db, leadId));

/** What was taken from the shelf for a unit. */
const takenFor = async (db: Database, unit: string): Promise<readonly ShelfEvent[]> =>
  (
    await db
      .selectFrom('shelf_event')
      .select('document')
      .where(sql<string>`document->>'for'`, '=', unit)
      .orderBy('seq')
      .execute()
  ).map(({ document }) => document);

/** Every piece of these items, held to the end of the transaction in the one order that everybody holds them in. */
async function heldPieces(trx: Database, items: readonly string[]): Promise<readonly string[]> {
  if (items.length === 0) return [];
  const rows = await sql<{ id: string }>`
    select id from shelf_piece
    where id in (select piece_id from shelf_event where document->>'item' in (${sql.join(items)}))
    order by id for update`.execute(trx);
  return rows.rows.map(({ id }) => id);
}

/**
 * Takes from the shelf what a unit needs that is started, or of which something is made anew; what is not there holds nothing up.
 * To be called in the transaction that records it.
 */
export async function takeForUnit(
  trx: Database,
  {
    unit,
    leadId,
    lead,
    needs,
    by,
    heldNow,
    kerfMm,
  }: {
    readonly unit: string;
    readonly leadId: string;
    readonly lead: Pick<Lead, 'name'>;
    readonly needs: readonly Need[];
    /** What it is taken by: the same takes it once. */
    readonly by: string;
    /** What is held for other jobs, and not touched: asked once the shelf is this one’s, since every unit that starts changes it. */
    readonly heldNow: () => Promise<readonly Need[]>;
    /** What each cut takes besides, mm. */
    readonly kerfMm: number;
  },
): Promise<void> {
  const ids = await heldPieces(trx, [...new Set(needs.map(({ item }) => item))]);
  if (ids.length === 0) return;
  const held = await heldNow();
  const before = await eventsOf(trx, ids);
  const { events } = takeFor(needs, withoutHeld(shelfOf(before), held, kerfMm), readyFor(before, leadId), {
    lead: leadId,
    unit,
    what: lead.name.slice(0, 200),
    kerfMm,
  });
  const at = new Date().toISOString();
  if (events.length > 0)
    await recordShelf(
      trx,
      events.map((event, n) => ({ ...event, id: idFrom(by, 'takes', String(n)), at })),
    );
}

/** What a unit took, and what of its kit the shelf did not have. */
export interface UnitTook {
  readonly took: readonly {
    readonly event: string;
    readonly name: string;
    readonly unit: 'mm' | 'pieces';
    readonly much: number;
    readonly place: string;
    /** How many of them the iron was at: they go back as salvaged. */
    readonly worked: number;
    /** Of a cut: whether another was taken in its place. */
    readonly again: boolean;
  }[];
  readonly missing: readonly {
    readonly name: string;
    readonly unit: 'mm' | 'pieces';
    readonly much: number;
  }[];
}

/** Of what was taken of an item, one after the other: how many of it were worked on. */
function sharing(worked: ReadonlyMap<string, number>): (item: string, amount: number) => number {
  const left = new Map(worked);
  return (item, amount) => {
    const many = Math.min(amount, left.get(item) ?? 0);
    left.set(item, (left.get(item) ?? 0) - many);
    return many;
  };
}

/** What a unit took from the shelf, and what it did not find there. */
export async function unitTook(
  db: Database,
  unit: string,
  {
    leadId,
    lead,
    worked,
  }: { readonly leadId: string; readonly lead: Lead; readonly worked: ReadonlyMap<string, number> },
): Promise<UnitTook> {
  const taken = await takenFor(db, unit);
  const pieces = new Map(
    shelfOf(await eventsOf(db, [...new Set(taken.map(({ piece }) => piece))])).map((piece) => [
      piece.id,
      piece,
    ]),
  );
  const names = new Map(
    kit(dressed(lead), schoolsOf(lead)).map((line) => [line.item, line.name ?? line.what]),
  );
  const found = new Map<string, number>();
  const share = sharing(worked);
  // A cut that was wrong was taken once more, later.
  const last = new Map(taken.flatMap(({ id, span }) => (span === undefined ? [] : [[span, id]])));
  const took = taken.flatMap(({ id, piece, amount = 0, span }) => {
    const from = pieces.get(piece);
    if (!from) return [];
    const again = span !== undefined && last.get(span) !== id;
    if (!again) found.set(from.item, (found.get(from.item) ?? 0) + amount);
    const { name, unit: by, place } = from;
    return [{ event: id, name, unit: by, much: amount, place, worked: share(from.item, amount), again }];
  });
  const wanted = new Map<string, { unit: 'mm' | 'pieces'; much: number }>();
  for (const { item, unit: by, much } of await pickedNeeds(db, leadId, lead))
    wanted.set(item, { unit: by, much: (wanted.get(item)?.much ?? 0) + much });
  return {
    took,
    missing: [...wanted].flatMap(([item, { unit: by, much }]) => {
      const lacking = much - (found.get(item) ?? 0);
      return lacking > 0.5 ? [{ name: names.get(item) ?? item, unit: by, much: lacking }] : [];
    }),
  };
}

/**
 * Puts back what a unit took that is given up: pieces into their bag, connectors that were worked on as salvaged ones, what was cut as
 * an offcut of its own. What is not named is thrown away with it: it left the shelf when it was taken.
 */
export async function putBack(
  trx: Database,
  unit: string,
  {
    named,
    what,
    worked,
  }: {
    readonly named: readonly string[];
    readonly what: string;
    readonly worked: ReadonlyMap<string, number>;
  },
): Promise<void> {
  const taken = await takenFor(trx, unit);
  if (taken.length === 0) return;
  const pieces = new Map(
    shelfOf(await eventsOf(trx, [...new Set(taken.map(({ piece }) => piece))])).map((piece) => [
      piece.id,
      piece,
    ]),
  );
  const at = new Date().toISOString();
  const share = sharing(worked);
  await recordShelf(
    trx,
    taken.flatMap(({ id, piece, amount = 0 }): ShelfEvent[] => {
      const from = pieces.get(piece);
      if (!from) return [];
      const used = share(from.item, amount);
      if (!named.includes(id)) return [];
      const { item, name, place } = from;
      const comes = { at, kind: 'taken-in', what, item, name, place } as const;
      if (from.unit === 'mm')
        return [
          {
            ...comes,
            id: idFrom(unit, 'back', id),
            piece: idFrom(unit, 'offcut', id),
            amount,
            unit: 'mm',
            sort: 'offcut',
          },
        ];
      return [
        ...(used > 0
          ? [
              {
                ...comes,
                id: idFrom(unit, 'salvaged back', id),
                piece: idFrom(unit, 'salvaged', id),
                amount: used,
                unit: 'pieces' as const,
                sort: 'salvaged' as const,
                condition: 'worn' as const,
                reused: 1,
              },
            ]
          : []),
        ...(amount > used
          ? [
              {
                id: idFrom(unit, 'back', id),
                piece,
                at,
                kind: 'returned' as const,
                amount: amount - used,
                what,
              },
            ]
          : []),
      ];
    }),
  );
}
