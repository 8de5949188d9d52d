import { cableCuts } from '../../core/cutting';
import { schoolsOf, type Lead } from '../../core/lead';
import { lyingFor, type ShelfPiece } from '../../core/stock';
import { dressed } from '../../core/dressing';
import { kit, sparedOf } from '../../core/kit';
import type { Database } from '../db';
import { picksOfEach, type Picks } from '../leads/picked';
import { readyOf } from '../shelf/for-unit';
import { shelf } from '../shelf/service';
import { makingOf, type Making } from './asked';
import { plansOf, type PlanOfCable } from './plans';
import { shelfFor } from './held';

/** One length of cable that a lead of a job takes. */
export interface JobCut {
  /** As plans call it: another length is another cut. */
  readonly id: string;
  readonly lead: string;
  readonly name: string;
  readonly span: string;
  /** Of which cable, as it is on the shelf. */
  readonly item: string;
  readonly cable: string;
  readonly mm: number;
  /** How many of it are still to be cut: what the job asks for, less what was started and what lies cut already. */
  readonly toCut: number;
}

/** What there is to cut for a job. */
export interface JobCuts {
  readonly job: string;
  readonly leads: readonly Making[];
  readonly cuts: readonly JobCut[];
  /** The pieces of their cables, without what is held for jobs before it. */
  readonly pieces: readonly ShelfPiece[];
  readonly plans: readonly PlanOfCable[];
}

/** The cables of a lead that nothing is cut of: the builder has the piece, or leaves it out. */
const sparedCables = (document: Lead, picks: Picks): ReadonlySet<string> => {
  const lines = Object.keys(picks).length === 0 ? [] : kit(dressed(document), schoolsOf(document));
  return sparedOf(lines, picks);
};

/** The cuts of all leads of a job that are not put away, what there is to cut them from, and their plans. Errors: 404. */
export async function jobCuts(db: Database, id: string): Promise<JobCuts> {
  const { job, making } = await makingOf(db, id);
  const leads = making.map(({ lead }) => lead);
  const [ready, picks, { pieces }, plans] = await Promise.all([
    readyOf(db, leads),
    picksOfEach(db, leads),
    shelf(db),
    plansOf(db, id),
  ]);
  const cuts = making.flatMap(({ lead, document, left }) => {
    const spared = sparedCables(document, picks.get(lead) ?? {});
    return cableCuts(document.assembly, schoolsOf(document)).flatMap(({ span, cable, mm }): JobCut[] =>
      spared.has(cable.id)
        ? []
        : [
            {
              id: `${lead} ${span} ${mm}`,
              lead,
              name: document.name,
              span,
              item: cable.id,
              cable: cable.name,
              mm,
              toCut: Math.max(0, left - lyingFor(ready.get(lead) ?? [], { span, mm })),
            },
          ],
    );
  });
  const items = new Set(cuts.map(({ item }) => item));
  return {
    job,
    leads: making.map(({ document: _, revision: __, ...of }) => of),
    cuts,
    pieces: (await shelfFor(db, pieces, id)).filter(({ item }) => items.has(item)),
    plans,
  };
}
