import type { Strip } from '../../core/drawing';
import type { Database } from '../db';
import * as leadRows from '../leads/rows';
import { summarise } from '../leads/summary';
import * as unitRows from '../units/rows';
import type { Stand } from '../units/stand';
import * as rows from './rows';
import type { BoardAsked } from './rows';

export type { BoardAsked } from './rows';

export interface BoardUnit extends Stand {
  readonly id: string;
  readonly number: number;
  readonly builder: string;
}

export interface BoardLead {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** What it is for, in a line. */
  readonly says: string;
  readonly strip: Strip;
  /** All that is cut for it, mm. */
  readonly cutMm: number;
  /** How many steps its work has. */
  readonly steps: number;
  /** Whether it was put away; so is one whose job was. */
  readonly away: boolean;
  readonly stops: number;
  readonly cautions: number;
  /** Those that are being built, and the newest of the log. */
  readonly units: readonly BoardUnit[];
  /** How many there are. */
  readonly built: number;
}

export interface BoardJob extends rows.JobRow {
  /** Those of its leads that come first; none where it is folded. */
  readonly leads: readonly BoardLead[];
}

/** What is on the board beside its jobs. */
export interface BoardCounts {
  readonly jobs: number;
  readonly demo: number;
  readonly jobsAway: number;
  readonly leadsAway: number;
}

/** The most that is shown at once: jobs, leads of one job, leads in all before the rest of the jobs is folded, units of a lead. */
export const MOST = { jobs: 30, leads: 24, open: 36, units: 5 } as const;
/** All that is at hand. */
export const WHOLE: BoardAsked = { find: '', away: false, job: undefined, after: 0 };

/** Jobs in their order with the leads that come first: what is against each, and where its units stand. One job alone is open. */
export async function board(db: Database, asked: BoardAsked = WHOLE): Promise<readonly BoardJob[]> {
  const jobs = await rows.jobs(db, asked, MOST.jobs);
  let room: number = MOST.open;
  const open = jobs.map(({ count }) => {
    const shown = asked.job !== undefined ? MOST.leads : room > 0 ? Math.min(count, MOST.leads) : 0;
    room -= shown;
    return shown;
  });
  const after = asked.job === undefined ? 0 : asked.after;
  const found = await Promise.all(
    jobs.map(({ id }, n) => {
      const most = open[n] ?? 0;
      return most > 0 ? rows.leads(db, asked, id, { after, most }) : [];
    }),
  );
  const units = await rows.units(
    db,
    found.flat().map(({ id }) => id),
    MOST.units,
  );
  return Promise.all(
    jobs.map(async (job, n) => ({
      ...job,
      leads: await Promise.all((found[n] ?? []).map((lead) => boardLead(db, lead, units))),
    })),
  );
}

/** How much there is, and how much of it is put away. */
export const boardCounts = (db: Database): Promise<BoardCounts> => rows.counts(db);

async function boardLead(
  db: Database,
  { jobId: _, content, ...lead }: rows.LeadRow,
  units: readonly rows.UnitRow[],
): Promise<BoardLead> {
  const own = units.filter(({ leadId }) => leadId === lead.id);
  const stands = await Promise.all(
    own.map(async ({ leadId: _lead, of: _of, stand, ...unit }) => {
      const known = stand ?? (await unitRows.unit(db, unit.id))?.stand;
      return known ? [{ ...unit, ...known }] : [];
    }),
  );
  return { ...lead, ...(await comesTo(db, lead, content)), units: stands.flat(), built: own[0]?.of ?? 0 };
}

type Shown = Pick<BoardLead, 'name' | 'strip' | 'says' | 'cutMm' | 'steps' | 'stops' | 'cautions'>;

/** What a lead comes to: as it is kept, or worked out now. */
async function comesTo(
  db: Database,
  { id, stops, cautions }: Pick<rows.LeadRow, 'id' | 'stops' | 'cautions'>,
  content: rows.LeadRow['content'],
): Promise<Shown> {
  if (content) return { ...content, stops, cautions };
  const stored = await leadRows.leadById(db, id);
  if (!stored) return { name: '', strip: NOTHING, says: '', cutMm: 0, steps: 0, stops, cautions };
  const { name, strip, says, cutMm, steps, found } = await summarise(db, stored);
  const of = (severity: string): number => found.filter((each) => each.severity === severity).length;
  return { name, strip, says, cutMm, steps, stops: of('stop'), cautions: of('caution') };
}

/** What was taken out while it was being looked at. */
const NOTHING: Strip = { starts: [], others: [], more: 0, cable: undefined };
