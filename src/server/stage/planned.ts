import { dequal } from 'dequal';
import { likelyPlace, sayFaults, standsOf, type LineStand } from '../../core/sweep';
import { patchPages } from '../../core/vice';
import { beside } from '../beside';
import type { Database } from '../db';
import type { Answer } from '../http';
import { paperAnswer, paperAsked } from '../print';
import type { PlannedAnew } from './planned-for';
import { sweepOf, type Sweep } from './service';

/** A line that is to be mended. */
export interface Repair {
  readonly way: number;
  readonly name: string;
  /** What was seen, tonight or the last time. */
  readonly says: string;
  readonly by: string;
  readonly at: string;
  readonly mayBe: string;
  /** Where to look first. */
  readonly place: string;
  readonly notes: readonly string[];
  /** How often it was bad, and how often it was looked at, in all sweeps that are remembered, tonight among them. */
  readonly bad: number;
  readonly looked: number;
}

/** What a sweep comes to: the new list, what moved and why, and what is to be mended. */
export interface SweepPlan extends PlannedAnew {
  readonly repairs: readonly Repair[];
  /** Of how many lines nobody knows tonight. */
  readonly open: number;
}

/** Where every line of a sweep stands. */
const standsIn = ({ venue, looks, truth, trusts, earlier }: Sweep): readonly LineStand[] =>
  standsOf(
    venue.lines.map(({ way }) => way),
    looks,
    { truth, trusts, earlier: new Map(earlier) },
  );

/** The lines that are bad, each with what it may be and where. */
function repairsIn(sweep: Sweep, stands: readonly LineStand[]): readonly Repair[] {
  return stands
    .filter(({ state }) => state === 'bad')
    .map(({ way, look, notes, earlier }) => {
      const [last] = earlier;
      const mayBe = look?.mayBe ?? last?.mayBe ?? [];
      return {
        way,
        name: sweep.venue.lines.find((line) => line.way === way)?.name ?? '',
        says: look?.says ?? last?.says ?? '',
        by: look?.by ?? last?.by ?? '',
        at: look?.at ?? last?.at ?? '',
        mayBe: sayFaults(mayBe.filter(({ id }) => id !== 'off')),
        place: likelyPlace(mayBe),
        notes,
        bad: earlier.filter(({ state }) => state === 'bad').length + (look ? 1 : 0),
        looked: earlier.length + (look ? 1 : 0),
      };
    });
}

/** The last plan of each sweep, with what it is of: the page, the list on paper and another window ask for the same. */
const PLANNED = new Map<string, { readonly of: unknown; readonly plan: Promise<PlannedAnew> }>();
const MOST_PLANNED = 20;

/** What a sweep comes to, as it stands. Errors: 404. */
export async function sweepPlan(db: Database, id: string): Promise<SweepPlan> {
  const sweep = await sweepOf(db, id);
  const stands = standsIn(sweep);
  const of = { lines: sweep.venue.lines, stands, list: sweep.list };
  const known = PLANNED.get(id);
  const plan = known && dequal(known.of, of) ? known.plan : beside('plannedFor', of);
  PLANNED.delete(id);
  PLANNED.set(id, { of, plan });
  // What failed is asked anew.
  plan.catch(() => PLANNED.delete(id));
  const [oldest] = PLANNED.keys();
  if (PLANNED.size > MOST_PLANNED && oldest !== undefined) PLANNED.delete(oldest);
  return {
    ...(await plan),
    repairs: repairsIn(sweep, stands),
    open: stands.filter(({ state }) => state === 'unknown').length,
  };
}

/** The patch list of a sweep as PDF, large, in stage order; then what moved, and what is to be mended. Errors: 400; 404. */
export async function patchPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, ['page']);
  const [sweep, plan] = await Promise.all([sweepOf(db, id), sweepPlan(db, id)]);
  const title = `${sweep.job?.name ?? 'Patch list'}, ${sweep.venue.name}`;
  return paperAnswer(
    patchPages({ title, swept: `${sweep.at.slice(0, 10)}, ${sweep.by}`, ...plan }, page),
    `${title}: patch list`,
  );
}
