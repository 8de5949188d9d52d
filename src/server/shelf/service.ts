import { dequal } from 'dequal';
import { array, object } from 'yup';
import {
  after,
  refusal,
  shelfEventSchema,
  shelfOf,
  type ShelfEvent,
  type ShelfPiece,
} from '../../core/stock';
import type { Problem } from '../../core/quantity';
import { inTransaction, type Database } from '../db';
import { idTaken } from '../once';
import { Refused } from '../refused';

/** So many things happen at once at the most. */
const MOST = 500;

export const shelfEventsSchema = object({
  events: array(shelfEventSchema.required())
    .min(1, 'Nothing happened.')
    .max(MOST, `Send ${MOST} at the most at once.`)
    .required('Say what happened.'),
}).noUnknown();

/** All that lies on the shelf, and what is left of what lay there. */
export interface Shelf {
  readonly pieces: readonly ShelfPiece[];
}

/** What happened to these pieces, or to all, in its order. */
export async function eventsOf(db: Database, pieces?: readonly string[]): Promise<readonly ShelfEvent[]> {
  if (pieces?.length === 0) return [];
  const all = db.selectFrom('shelf_event').select('document').orderBy('seq');
  const rows = await (pieces ? all.where('piece_id', 'in', [...pieces]) : all).execute();
  return rows.map(({ document }) => document);
}

/** The shelf as its events have left it. */
export async function shelf(db: Database): Promise<Shelf> {
  return { pieces: shelfOf(await eventsOf(db)) };
}

/** What is parted from a piece comes as one of its own in the same sending, as long as it is: nothing is lost between them. */
const unpaired = (
  { kind, into, amount }: ShelfEvent,
  piece: ShelfPiece | undefined,
  events: readonly ShelfEvent[],
): Problem | undefined =>
  kind !== 'parted' ||
  events.some(
    (other) =>
      other.kind === 'taken-in' &&
      other.piece === into &&
      other.amount === amount &&
      other.item === piece?.item &&
      other.unit === piece?.unit,
  )
    ? undefined
    : {
        code: 'shelf.event',
        says: 'What is parted comes onto the shelf in the same sending, as long as it is, of the same kind.',
        path: 'into',
      };

/**
 * Records what happened to pieces of the shelf, all of it or nothing. A piece is held while it is looked at, so that two
 * people never take the same metre; an event that was recorded before is left as it is. Errors: `shelf.event` at its place,
 * 409 where there is not as much left, or an id stands for something else.
 */
export async function recordShelf(db: Database, events: readonly ShelfEvent[]): Promise<Shelf> {
  await inTransaction(db, async (trx) => {
    // In one order for everybody, so that nobody waits for somebody who waits for him.
    const ids = [...new Set(events.map(({ piece }) => piece))].sort();
    await trx
      .insertInto('shelf_piece')
      .values(ids.map((id) => ({ id })))
      .onConflict((known) => known.column('id').doNothing())
      .execute();
    await trx
      .selectFrom('shelf_piece')
      .select('id')
      .where('id', 'in', ids)
      .orderBy('id')
      .forUpdate()
      .execute();
    const before = await eventsOf(trx, ids);
    const known = new Map(
      (
        await trx
          .selectFrom('shelf_event')
          .select(['id', 'document'])
          .where(
            'id',
            'in',
            events.map(({ id }) => id),
          )
          .execute()
      ).map(({ id, document }) => [id, document]),
    );
    const pieces = new Map(shelfOf(before).map((piece) => [piece.id, piece]));
    const fresh: ShelfEvent[] = [];
    for (const [n, event] of events.entries()) {
      const same = known.get(event.id);
      if (same) {
        // Pressed again later it is the same, whatever the clock says.
        if (!dequal({ ...same, at: '' }, { ...event, at: '' })) throw idTaken(`events[${n}].id`);
        continue;
      }
      const piece = pieces.get(event.piece);
      const problem = refusal(piece, event) ?? unpaired(event, piece, events);
      if (problem)
        throw new Refused(piece ? 409 : 422, [{ ...problem, path: `events[${n}].${problem.path}` }]);
      pieces.set(event.piece, after(piece, event));
      known.set(event.id, event);
      fresh.push(event);
    }
    if (fresh.length > 0)
      await trx
        .insertInto('shelf_event')
        .values(
          fresh.map((event) => ({ id: event.id, piece_id: event.piece, document: JSON.stringify(event) })),
        )
        .execute();
  });
  return shelf(db);
}
