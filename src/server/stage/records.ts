import { dequal } from 'dequal';
import type { Look } from '../../core/sweep';
import { inTransaction, type Database } from '../db';
import { idTaken } from '../once';
import { missing } from '../refused';
import * as rows from './rows';

/** What became of what was sent: the ids that are recorded now, and those refused, each with why. */
export interface LooksTaken {
  readonly taken: readonly string[];
  readonly refused: readonly {
    readonly id: string;
    readonly problem: { code: string; says: string; path: string };
  }[];
}

/** Whether a look says what its kind is about. */
function problemWith(
  look: Look,
  ways: ReadonlySet<number>,
): LooksTaken['refused'][number]['problem'] | undefined {
  if (!ways.has(look.way))
    return { code: 'sweep.way', says: `There is no way ${look.way} in this venue.`, path: 'way' };
  if (look.kind === 'lamps' && look.lamps === undefined)
    return { code: 'sweep.look', says: 'Say what the lamps show.', path: 'lamps' };
  if (look.kind === 'volts' && look.volts === undefined)
    return {
      code: 'sweep.look',
      says: 'Say what the meter reads across 2 and 1, 3 and 1, 2 and 3.',
      path: 'volts',
    };
  if (look.kind === 'note' && (look.text ?? '').trim() === '')
    return { code: 'sweep.look', says: 'A note says something.', path: 'text' };
  return undefined;
}

/**
 * Appends what was seen, each at its time by this clock: `now` is what the clock of whoever looked shows as it is sent, and one that goes
 * wrong is set right by it. Nothing was seen later than now; what is recorded already counts as taken, also where two send it at once. What cannot be
 * is refused by its id, and the rest goes on. Errors: 404; 409 where an id stands for something else, with nothing recorded.
 */
export async function recordLooks(
  db: Database,
  sweepId: string,
  looks: readonly Look[],
  now?: string,
): Promise<LooksTaken> {
  const here = Date.now();
  const wrong = now === undefined ? 0 : here - Date.parse(now);
  const seenAt = ({ at }: Look): Date => new Date(Math.min(here, Date.parse(at) + wrong));
  return inTransaction(db, async (trx) => {
    const row = await rows.sweep(trx, sweepId);
    const place = row && (await rows.venue(trx, row.venue_id));
    if (!place) throw missing('sweep');
    const ways = new Set(place.lines.map(({ way }) => way));
    const refused = looks.flatMap((look) => {
      const problem = problemWith(look, ways);
      return problem ? [{ id: look.id, problem }] : [];
    });
    const whole = looks.filter(({ id }) => !refused.some((each) => each.id === id));
    if (whole.length > 0)
      await trx
        .insertInto('look')
        .values(
          whole.map((look) => ({
            id: look.id,
            sweep_id: sweepId,
            document: JSON.stringify(look),
            seen_at: seenAt(look),
          })),
        )
        .onConflict((known) => known.column('id').doNothing())
        .execute();
    const there = new Map(
      whole.length === 0
        ? []
        : (
            await trx
              .selectFrom('look')
              .select(['id', 'sweep_id', 'document'])
              .where(
                'id',
                'in',
                whole.map(({ id }) => id),
              )
              .execute()
          ).map((each) => [each.id, each]),
    );
    const foreign = looks.flatMap((look, n) => {
      const kept = there.get(look.id.toLowerCase());
      const isOther =
        kept && (kept.sweep_id !== sweepId || !dequal(kept.document, JSON.parse(JSON.stringify(look))));
      return isOther ? idTaken(`records[${n}].id`).problems.map((problem) => ({ id: look.id, problem })) : [];
    });
    // Named, so that whoever sent them sends the rest again without them.
    if (foreign[0]) throw idTaken(foreign[0].problem.path ?? 'records', { refused: foreign });
    return { taken: whole.map(({ id }) => id), refused };
  });
}
