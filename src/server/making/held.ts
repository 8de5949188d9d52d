import { boolean, object } from 'yup';
import type { Lead } from '../../core/lead';
import { shelfOf, takeFor, withoutHeld, type Need, type ShelfPiece } from '../../core/stock';
import { inTransaction, type Database } from '../db';
import * as jobRows from '../jobs/rows';
import { picksOfEach, type Picks } from '../leads/picked';
import { missing } from '../refused';
import { needsOf, readyOf } from '../shelf/for-unit';
import { eventsOf } from '../shelf/service';
import { house } from '../workshop/rows';
import { makingOf } from './asked';

export const heldSchema = object({
  held: boolean().required('Say whether it is held.').strict(),
}).noUnknown();

/** What is held on the shelf for a job of one thing, as much of it as is there: mm, or pieces. */
export interface HeldLine {
  readonly job: string;
  readonly name: string;
  readonly item: string;
  readonly unit: 'mm' | 'pieces';
  readonly much: number;
}

/** Holds on the shelf what a job takes, from now on, or lets it go. Said twice it is the same. Errors: 404. */
export async function holdForJob(
  db: Database,
  id: string,
  held: boolean,
): Promise<{ readonly held: boolean }> {
  await inTransaction(db, async (trx) => {
    const job = await jobRows.lockJob(trx, id);
    if (!job) throw missing('job');
    // Who held first goes first, however often it is said.
    if ((job.held_at !== null) !== held)
      await trx
        .updateTable('job')
        .set({ held_at: held ? new Date() : null })
        .where('id', '=', id)
        .execute();
  });
  return { held };
}

/** What one of a revision of a lead takes, with these picks: it does not change, and is asked at each start of a unit. */
const KNOWN = new Map<string, readonly Need[]>();
const MOST_KNOWN = 500;
function needsKnown(key: string, lead: Lead, picks: Picks): readonly Need[] {
  const whole = `${key} ${JSON.stringify(picks)}`;
  const needs = KNOWN.get(whole) ?? needsOf(lead, picks);
  KNOWN.delete(whole);
  KNOWN.set(whole, needs);
  const [oldest] = KNOWN.keys();
  if (KNOWN.size > MOST_KNOWN && oldest !== undefined) KNOWN.delete(oldest);
  return needs;
}

/** What a job still takes from the shelf: what lies cut for it already is its own. */
async function needsOfJob(db: Database, id: string): Promise<readonly Need[]> {
  const { making } = await makingOf(db, id);
  const leads = making.map(({ lead }) => lead);
  const [picks, ready] = await Promise.all([picksOfEach(db, leads), readyOf(db, leads)]);
  return making.flatMap(({ lead, document, revision, left }) => {
    const lying = [...(ready.get(lead) ?? [])];
    const one = needsKnown(`${lead} ${revision}`, document, picks.get(lead) ?? {});
    return Array.from({ length: left }, () => one)
      .flat()
      .filter(({ span, much }) => {
        const at =
          span === undefined ? -1 : lying.findIndex((each) => each.span === span && each.mm >= much - 0.5);
        if (at >= 0) lying.splice(at, 1);
        return at < 0;
      });
  });
}

/** The jobs that go before this one at the shelf: those that it is held for, before it where it is held as well. */
async function before(
  db: Database,
  job: string | undefined,
): Promise<readonly { id: string; name: string }[]> {
  const held = await db
    .selectFrom('job')
    .select(['id', 'name', 'held_at'])
    .where('held_at', 'is not', null)
    .where('away_at', 'is', null)
    .orderBy('held_at')
    .orderBy('id')
    .execute();
  const own = held.findIndex(({ id }) => id === job);
  return own < 0 ? held : held.slice(0, own);
}

/** What others hold on the shelf before this job, in the order in which they take it. */
export async function heldBefore(db: Database, job?: string): Promise<readonly Need[]> {
  const jobs = await before(db, job);
  return (await Promise.all(jobs.map(({ id }) => needsOfJob(db, id)))).flat();
}

/** What each cut of the house takes, mm. */
const kerfOf = async (db: Database): Promise<number> => (await house(db)).cutting?.kerfMm ?? 0;

/** The shelf as it is for one job: without what is held for those before it. */
export const shelfFor = async (
  db: Database,
  pieces: readonly ShelfPiece[],
  job: string,
): Promise<readonly ShelfPiece[]> => {
  const [held, kerfMm] = await Promise.all([heldBefore(db, job), kerfOf(db)]);
  return withoutHeld(pieces, held, kerfMm);
};

/** What is held for whom, as much of it as is there. */
export async function heldOnShelf(db: Database): Promise<{ readonly held: readonly HeldLine[] }> {
  const [jobs, kerfMm] = await Promise.all([before(db, undefined), kerfOf(db)]);
  let pieces: readonly ShelfPiece[] = jobs.length === 0 ? [] : shelfOf(await eventsOf(db));
  const held: HeldLine[] = [];
  for (const { id, name } of jobs) {
    const needs = await needsOfJob(db, id);
    const { events } = takeFor(needs, pieces, [], { lead: '', unit: '', what: '', kerfMm });
    const of = new Map<string, HeldLine>();
    for (const { piece, amount = 0 } of events) {
      const from = pieces.find((each) => each.id === piece);
      if (!from) continue;
      const so = of.get(from.item)?.much ?? 0;
      of.set(from.item, { job: id, name, item: from.item, unit: from.unit, much: so + amount });
    }
    held.push(...of.values());
    pieces = withoutHeld(pieces, needs, kerfMm);
  }
  return { held };
}
