import { cableCuts } from '../../core/cutting';
import { schoolsOf } from '../../core/lead';
import type { Database } from '../db';
import * as jobRows from '../jobs/rows';
import * as leadRows from '../leads/rows';
import { missing } from '../refused';

/** One piece of cable that a lead of a job takes. */
export interface JobCut {
  readonly lead: string;
  readonly name: string;
  readonly span: string;
  /** Of which cable, as it is on the shelf. */
  readonly item: string;
  readonly cable: string;
  readonly mm: number;
}

/** What there is to cut for one of each of a job’s leads. */
export interface JobCuts {
  readonly job: string;
  readonly cuts: readonly JobCut[];
}

/** The cuts of all leads of a job that are not put away. Errors: 404. */
export async function jobCuts(db: Database, id: string): Promise<JobCuts> {
  const job = await jobRows.job(db, id);
  if (!job) throw missing('job');
  const leads = await leadRows.leadsOfJob(db, id);
  return {
    job: job.name,
    cuts: leads
      .filter(({ away }) => !away)
      .flatMap(({ id: lead, lead: document }) =>
        cableCuts(document.assembly, schoolsOf(document)).map(({ span, cable, mm }): JobCut => ({
          lead,
          name: document.name,
          span,
          item: cable.id,
          cable: cable.name,
          mm,
        })),
      ),
  };
}
