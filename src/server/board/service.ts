import { findings } from '../../core/findings';
import type { Lead } from '../../core/lead';
import type { Database } from '../db';
import * as jobRows from '../jobs/rows';
import * as leadRows from '../leads/rows';
import * as unitRows from '../units/rows';
import { standOf, type Stand } from '../units/stand';

export interface BoardUnit extends Stand {
  readonly id: string;
  readonly number: number;
  readonly builder: string;
}

export interface BoardLead {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** What it is for; none where a lead was described from what is in the hand. */
  readonly intent: Lead['intent'];
  readonly assembly: Lead['assembly'];
  /** Whether it was put away; so is one whose job was. */
  readonly away: boolean;
  readonly stops: number;
  readonly cautions: number;
  readonly units: readonly BoardUnit[];
}

export interface BoardJob {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** Whether it came with the demo, and whether it was put away. */
  readonly demo: boolean;
  readonly away: boolean;
  readonly leads: readonly BoardLead[];
}

/** Every job with its leads: what is against each, and where its units stand. */
export async function board(db: Database): Promise<readonly BoardJob[]> {
  const [jobs, leads, units] = await Promise.all([jobRows.jobs(db), leadRows.leads(db), unitRows.units(db)]);
  const unitsOf = groupBy(units, (unit) => unit.leadId);
  const boardLeads = leads.map(({ id, jobId, revision, lead, away }) => {
    const found = findings(lead);
    return {
      jobId,
      id,
      name: lead.name,
      revision,
      away,
      intent: lead.intent,
      assembly: lead.assembly,
      stops: found.filter((finding) => finding.severity === 'stop').length,
      cautions: found.filter((finding) => finding.severity === 'caution').length,
      units: (unitsOf.get(id) ?? []).map((unit) => ({
        id: unit.id,
        number: unit.number,
        builder: unit.builder,
        ...standOf(unit.plan, unit.state),
      })),
    };
  });
  return jobs.map((job) => ({
    id: job.id,
    name: job.name,
    note: job.note,
    demo: job.demo,
    away: job.away_at !== null,
    leads: boardLeads.filter((lead) => lead.jobId === job.id).map(({ jobId: _, ...lead }) => lead),
  }));
}

function groupBy<T>(items: readonly T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}
