import { findings } from '../../core/findings';
import { derive } from '../../core/wiring';
import type { Database } from '../db';
import * as leadRows from '../repositories/leads';
import * as unitRows from '../repositories/units';
import { courseOf, standingOf, type Standing } from './work';

export interface BoardUnit extends Standing {
  readonly id: string;
  readonly number: number;
  readonly builder: string;
}

export interface BoardLead {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly intent: leadRows.StoredLead['intent'];
  readonly stops: number;
  readonly cautions: number;
  readonly units: readonly BoardUnit[];
}

export interface BoardJob {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly leads: readonly BoardLead[];
}

/** Every job with its leads: what is against each, and where its units stand. */
export async function board(db: Database): Promise<readonly BoardJob[]> {
  const [jobs, leads, units, events] = await Promise.all([
    leadRows.jobs(db),
    leadRows.leads(db),
    unitRows.units(db),
    unitRows.events(db),
  ]);
  const eventsOf = groupBy(events, (event) => event.unitId);
  const unitsOf = groupBy(units, (unit) => unit.leadId);
  const boardLeads = await Promise.all(
    leads.map(async (lead) => {
      const derived = derive(lead.intent);
      const found = derived.ok ? findings(lead.assembly, derived.value.situation) : [];
      const own = await Promise.all(
        (unitsOf.get(lead.id) ?? []).map(async (unit): Promise<BoardUnit> => {
          const at =
            unit.revision === lead.revision ? lead : await leadRows.leadAt(db, lead.id, unit.revision);
          const course = courseOf(at?.assembly ?? lead.assembly, at?.intent ?? lead.intent);
          return {
            id: unit.id,
            number: unit.number,
            builder: unit.builder,
            ...standingOf(course, eventsOf.get(unit.id) ?? []),
          };
        }),
      );
      return {
        jobId: lead.jobId,
        id: lead.id,
        name: lead.name,
        revision: lead.revision,
        intent: lead.intent,
        stops: found.filter((finding) => finding.severity === 'stop').length,
        cautions: found.filter((finding) => finding.severity === 'caution').length,
        units: own,
      };
    }),
  );
  return jobs.map((job) => ({
    id: job.id,
    name: job.name,
    note: job.note,
    leads: boardLeads.filter((lead) => lead.jobId === job.id).map(({ jobId: _, ...lead }) => lead),
  }));
}

function groupBy<T>(items: readonly T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}
