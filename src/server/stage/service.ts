import { dequal } from 'dequal';
import type { Shape } from '../../core/quantity';
import {
  cautionsAfter,
  cautionsBefore,
  checkLines,
  judged,
  lookThatCounts,
  NO_INPUTS,
  readInputs,
  standsOf,
  truthOf,
  USUAL_PLUG,
  wantsOf,
  type Caution,
  type Earlier,
  type InputList,
  type Look,
  type Plug,
  type Truth,
  type VenueLine,
  type Wants,
} from '../../core/sweep';
import { inTransaction, type Database } from '../db';
import * as jobRows from '../jobs/rows';
import { once } from '../once';
import { missing, Refused } from '../refused';
import type { inputsSchema, setUpSchema, sweepSchema, venueSchema } from './bodies';
import * as rows from './rows';

/** So many sweeps are remembered of a venue, and shown of a job. */
const MOST_EARLIER = 20;

/** A venue as it is chosen from. */
export interface Venue {
  readonly id: string;
  readonly name: string;
  readonly lines: readonly VenueLine[];
  readonly revision: number;
}
const venueOf = ({ id, name, lines, revision }: rows.VenueRow): Venue => ({ id, name, lines, revision });

/** A sweep in a line. */
export interface SweepLine {
  readonly id: string;
  readonly venue: string;
  readonly at: string;
  readonly by: string;
  readonly good: number;
  readonly bad: number;
  readonly open: number;
}

/** The stage of a job: its inputs, the venues that are known, and what was swept for it. */
export interface Stage {
  readonly job: { readonly id: string; readonly name: string };
  readonly list: InputList;
  /** 0 where nothing was ever kept. */
  readonly revision: number;
  readonly venues: readonly Venue[];
  readonly sweeps: readonly SweepLine[];
}

const TRUTHS = new Map<string, Truth>();
/** What the looks of a plug may mean: worked out once. */
function truthFor(plug: Plug): Truth {
  const key = JSON.stringify([plug.supply, plug.ohms, plug.forward, plug.guard]);
  const known = TRUTHS.get(key) ?? truthOf(plug);
  if (TRUTHS.size > 100) TRUTHS.clear();
  TRUTHS.set(key, known);
  return known;
}

/** Everything of the stage of a job. Errors: 404. */
export async function stageOf(db: Database, jobId: string): Promise<Stage> {
  const job = await jobRows.job(db, jobId);
  if (!job) throw missing('job');
  const [kept, all, sweeps] = await Promise.all([
    rows.inputList(db, jobId),
    rows.venues(db),
    rows.sweepsOfJob(db, jobId, MOST_EARLIER),
  ]);
  const looks = await rows.looksOf(
    db,
    sweeps.map(({ id }) => id),
  );
  const byId = new Map(all.map((each) => [each.id, each]));
  return {
    job: { id: job.id, name: job.name },
    list: kept?.document ?? NO_INPUTS,
    revision: kept?.revision ?? 0,
    venues: all.map(venueOf),
    sweeps: sweeps.map((each) => {
      const place = byId.get(each.venue_id);
      const stands = standsOf(
        (place?.lines ?? []).map(({ way }) => way),
        looks.get(each.id) ?? [],
        {
          truth: truthFor(each.plug),
          earlier: new Map(),
          trusts: false,
        },
      );
      const count = (state: string): number => stands.filter((stand) => stand.state === state).length;
      return {
        id: each.id,
        venue: place?.name ?? '',
        at: each.at.toISOString(),
        by: each.started_by,
        good: count('good'),
        bad: count('bad'),
        open: count('unknown'),
      };
    }),
  };
}

/** Somebody else changed it since: what stands now is beside it. */
const changed = (what: string, now: unknown): Refused =>
  new Refused(
    409,
    [
      {
        code: 'stage.changed',
        says: `${what} was changed in another window since you opened it. Yours is still here: load theirs, or keep yours on top.`,
        path: 'base',
      },
    ],
    { now },
  );

/** Keeps the input list of a job. Errors: 404; 422 by its place; 409 where it was changed elsewhere since `base`. */
export async function keepInputs(
  db: Database,
  jobId: string,
  { base, list }: Shape<typeof inputsSchema>,
): Promise<{ readonly revision: number }> {
  const read = readInputs(list);
  if (!read.ok)
    throw new Refused(
      422,
      read.problems.map((each) => ({ ...each, path: `list.${each.path ?? ''}` })),
    );
  return inTransaction(db, async (trx) => {
    if (!(await jobRows.lockJob(trx, jobId))) throw missing('job');
    const now = await rows.inputList(trx, jobId);
    // Sent again after its answer was lost it is there already.
    if (now && dequal(now.document, read.value)) return { revision: now.revision };
    if ((now?.revision ?? 0) !== base)
      throw changed('The list', { list: now?.document ?? NO_INPUTS, revision: now?.revision ?? 0 });
    const revision = base + 1;
    const document = JSON.stringify(read.value);
    await trx
      .insertInto('input_list')
      .values({ job_id: jobId, document, revision })
      .onConflict((row) => row.column('job_id').doUpdateSet({ document, revision, at: new Date() }))
      .execute();
    return { revision };
  });
}

/** Keeps a venue with its lines: a new one, or what one is now. Errors: 404 of none to change; 422; 409 as of a list. */
export async function keepVenue(
  db: Database,
  { id, base, name, lines }: Shape<typeof venueSchema>,
): Promise<Venue> {
  const read = checkLines(lines);
  if (!read.ok) throw new Refused(422, read.problems);
  return inTransaction(db, async (trx) => {
    const now = await rows.lockVenue(trx, id);
    if (now && now.name === name && dequal(now.lines, lines)) return venueOf(now);
    if (!now && base !== 0) throw missing('venue');
    if ((now?.revision ?? 0) !== base) throw changed('The venue', now && venueOf(now));
    const revision = base + 1;
    await trx
      .insertInto('venue')
      .values({ id, name, lines: JSON.stringify(lines), revision })
      .onConflict((row) => row.column('id').doUpdateSet({ name, lines: JSON.stringify(lines), revision }))
      .execute();
    return { id, name, lines, revision };
  });
}

/** Begins a sweep of a venue for a job; asked again it is the same. Errors: 404; 409. */
export async function beginSweep(
  db: Database,
  asked: Shape<typeof sweepSchema>,
): Promise<{ readonly id: string }> {
  const { id, jobId, venueId, by, at } = asked;
  await inTransaction(db, async (trx) => {
    if (!(await jobRows.holdJob(trx, jobId))) throw missing('job');
    if (!(await rows.venue(trx, venueId))) throw missing('venue');
    await once(trx, id, { sweep: asked }, async () => {
      // With what it was done the last time.
      const [last] = await rows.sweepsOfVenue(trx, venueId, { most: 1 });
      await trx
        .insertInto('sweep')
        .values({
          id,
          venue_id: venueId,
          job_id: jobId,
          started_by: by,
          plug: JSON.stringify(last?.plug ?? USUAL_PLUG),
          trusts: false,
          at,
        })
        .execute();
    });
  });
  return { id };
}

/** A sweep with all that its page shows. */
export interface Sweep {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly job: { readonly id: string; readonly name: string } | undefined;
  readonly venue: Venue;
  readonly list: InputList;
  readonly truth: Truth;
  readonly trusts: boolean;
  readonly looks: readonly Look[];
  /** How each input stands to phantom, by its id. */
  readonly wants: Readonly<Record<string, Wants>>;
  /** What comes before the first line, and after the last. */
  readonly before: readonly Caution[];
  readonly after: readonly Caution[];
  /** How each way was found before, the newest first. */
  readonly earlier: readonly (readonly [way: number, found: readonly Earlier[]])[];
}

/** How every way of a venue was found before a sweep, the newest first. */
async function earlierOf(db: Database, venueId: string, before: string): Promise<Sweep['earlier']> {
  const sweeps = await rows.sweepsOfVenue(db, venueId, { before, most: MOST_EARLIER });
  const looks = await rows.looksOf(
    db,
    sweeps.map(({ id }) => id),
  );
  const byWay = new Map<number, Earlier[]>();
  for (const each of sweeps) {
    const own = looks.get(each.id) ?? [];
    const truth = truthFor(each.plug);
    for (const way of new Set(own.map((look) => look.way))) {
      const look = lookThatCounts(own.filter((one) => one.way === way));
      const found = look && judged(look, truth);
      if (look && found)
        byWay.set(way, [
          ...(byWay.get(way) ?? []),
          {
            sweep: each.id,
            at: look.at,
            state: found.state,
            says: found.says,
            mayBe: found.state === 'bad' ? found.mayBe : [],
            by: look.by,
          },
        ]);
    }
  }
  return [...byWay].sort(([a], [b]) => a - b);
}

/** A sweep, as it stands. Errors: 404. */
export async function sweepOf(db: Database, id: string): Promise<Sweep> {
  const row = await rows.sweep(db, id);
  const place = row && (await rows.venue(db, row.venue_id));
  if (!row || !place) throw missing('sweep');
  const [job, kept, looks, earlier] = await Promise.all([
    row.job_id === null ? undefined : jobRows.job(db, row.job_id),
    row.job_id === null ? undefined : rows.inputList(db, row.job_id),
    rows.looksOf(db, [id]),
    earlierOf(db, row.venue_id, row.seq),
  ]);
  const list = kept?.document ?? NO_INPUTS;
  return {
    id,
    at: row.at.toISOString(),
    by: row.started_by,
    job: job && { id: job.id, name: job.name },
    venue: venueOf(place),
    list,
    truth: truthFor(row.plug),
    trusts: row.trusts,
    looks: looks.get(id) ?? [],
    wants: Object.fromEntries(list.inputs.map((input) => [input.id, wantsOf(input)])),
    before: cautionsBefore(list, place.lines),
    after: cautionsAfter(list),
    earlier,
  };
}

/** Settles with what a sweep is done. Errors: 404. */
export async function setUpSweep(
  db: Database,
  id: string,
  { plug, trusts }: Shape<typeof setUpSchema>,
): Promise<{ readonly id: string }> {
  const found = await db
    .updateTable('sweep')
    .set({ plug: JSON.stringify(plug), trusts })
    .where('id', '=', id)
    .returning('id')
    .executeTakeFirst();
  if (!found) throw missing('sweep');
  return found;
}
