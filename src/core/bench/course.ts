import { dressed } from '../dressing';
import { schoolsOf, type Lead } from '../lead';
import { ANY_METER, checkList } from '../proving';
import type { Schools } from '../wiring';
import { batchOf, type Batch } from './batch';
import { provenOf } from './plan';
import { idsOf, operationsOf, ordered, placements, type Placed, type Waits } from './sequence';
import type { SetUps } from './tool';
import type { Operation } from './types';

/** The version of courses written today. */
export const COURSE_VERSION = 1;

/** One step of a course: what is done, and what of the steps before it had to be done first. */
export interface CourseStep extends Omit<Operation, 'confirm'> {
  /** What is confirmed, each by itself, before it counts as done. */
  readonly gate?: readonly string[] | undefined;
  /** The steps that it directly waits for, with the constraint that says so and its reason; what follows from these is left out. */
  readonly after: readonly { readonly step: string; readonly constraint: string; readonly because: string }[];
}

/** The course of work on one lead, step by step in its order. */
export interface Course {
  readonly version: typeof COURSE_VERSION;
  readonly lead: string;
  readonly steps: readonly CourseStep[];
  /** How several are made together; nothing of one alone. */
  readonly batch?: Batch | undefined;
}

/** What is waited for through something else that is waited for is left out. */
function direct(id: string, waits: ReadonlyMap<string, Waits>): readonly Placed[] {
  const placed = waits.get(id)?.flat() ?? [];
  const through = new Set<string>();
  // Who waits for a list waits for all of it: a list is gone through once.
  const seen = new Set<readonly Placed[]>();
  const walk = (from: string): void => {
    for (const list of waits.get(from) ?? []) {
      if (seen.has(list)) continue;
      seen.add(list);
      for (const { earlier } of list)
        if (!through.has(earlier.id)) {
          through.add(earlier.id);
          walk(earlier.id);
        }
    }
  };
  for (const { earlier } of placed) walk(earlier.id);
  return placed.filter(({ earlier }) => !through.has(earlier.id));
}

/**
 * The course of a lead by the builder’s schools: each step with what has to precede it, and why.
 *
 *     courseOf(lead).steps[1]?.after; // of a microphone lead → [{ step: 'cut-W1', constraint: 'cut-first', because: 'There is nothing to thread onto until the cable is cut.' }]
 */
export function courseOf(
  lead: Pick<Lead, 'name' | 'assembly' | 'schools' | 'situations'>,
  {
    schools = schoolsOf(lead),
    count = 1,
    setUps = {},
  }: {
    readonly schools?: Schools;
    /** So many are made together. */
    readonly count?: number;
    /** How long it takes to lay hands on each tool, s. */
    readonly setUps?: SetUps;
  } = {},
): Course {
  const { probes, trials } = checkList(provenOf(lead), ANY_METER);
  const all = operationsOf(dressed({ ...lead, schools }), schools, [...probes, ...trials]);
  const waits = placements(all);
  const before = idsOf(waits);
  const order = ordered(all, waits);
  return {
    version: COURSE_VERSION,
    lead: lead.name,
    ...(count > 1 ? { batch: batchOf(lead.assembly, order, before, count, { setUps }) } : {}),
    steps: order.map(({ confirm, ...step }) => ({
      ...step,
      ...(confirm && confirm.length > 0 ? { gate: confirm } : {}),
      after: direct(step.id, waits).map(({ earlier, by }) => ({
        step: earlier.id,
        constraint: by.id,
        because: by.says,
      })),
    })),
  };
}
