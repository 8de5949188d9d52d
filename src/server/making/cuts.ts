import { cableCuts } from '../../core/cutting';
import { schoolsOf } from '../../core/lead';
import { lyingFor } from '../../core/stock';
import type { Database } from '../db';
import { readyOf } from '../shelf/for-unit';
import { makingOf, type Making } from './service';

/** One length of cable that a lead of a job takes. */
export interface JobCut {
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
}

/** The cuts of all leads of a job that are not put away. Errors: 404. */
export async function jobCuts(db: Database, id: string): Promise<JobCuts> {
  const { job, making } = await makingOf(db, id);
  const ready = await readyOf(
    db,
    making.map(({ lead }) => lead),
  );
  return {
    job,
    leads: making.map(({ document: _, revision: __, ...of }) => of),
    cuts: making.flatMap(({ lead, document, left }) =>
      cableCuts(document.assembly, schoolsOf(document)).map(({ span, cable, mm }): JobCut => ({
        lead,
        name: document.name,
        span,
        item: cable.id,
        cable: cable.name,
        mm,
        toCut: Math.max(0, left - lyingFor(ready.get(lead) ?? [], { span, mm })),
      })),
    ),
  };
}
