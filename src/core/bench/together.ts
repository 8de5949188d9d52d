import type { BatchRun } from './batch';
import type { Operation } from './types';

/** One of several alike leads that are worked together. */
export interface WorkedLead {
  readonly id: string;
  readonly done: ReadonlySet<string>;
  /** When its last step was done, ms since 1970; 0 where none was. */
  readonly lastMs: number;
}

/** The step that is next, on which of the leads, and how long it has to wait before, ms. */
export interface NextTogether {
  readonly lead: string;
  readonly step: string;
  readonly waitMs: number;
}

/** How long a step still has to wait, ms: it counts from the step before it on the same lead. */
const leftOf = ({ seconds = 0 }: Operation, { lastMs }: WorkedLead, nowMs: number): number =>
  Math.max(0, lastMs + seconds * 1000 - nowMs);

/**
 * What is next of leads that are worked together, each run through all of them before its tool is laid down. Every lead keeps
 * its own order: no step before what it waits for. What has to cool is come back to: meanwhile the others go on. Undefined
 * where all is done.
 *
 *     nextTogether([{ tool: 'tape', steps: ['cut'] }], course, [a, b], 0); // a has been cut → { lead: 'b', step: 'cut', waitMs: 0 }
 */
export function nextTogether(
  runs: readonly BatchRun[],
  {
    operations,
    before,
  }: {
    readonly operations: readonly Operation[];
    readonly before: ReadonlyMap<string, ReadonlySet<string>>;
  },
  leads: readonly WorkedLead[],
  nowMs: number,
): NextTogether | undefined {
  const byId = new Map(operations.map((op) => [op.id, op]));
  let least: NextTogether | undefined;
  for (const { steps } of runs)
    for (const lead of leads)
      for (const step of steps) {
        const operation = byId.get(step);
        if (!operation || lead.done.has(step)) continue;
        if ([...(before.get(step) ?? [])].some((each) => !lead.done.has(each))) continue;
        const waitMs = leftOf(operation, lead, nowMs);
        if (waitMs === 0) return { lead: lead.id, step, waitMs };
        if (!least || waitMs < least.waitMs) least = { lead: lead.id, step, waitMs };
      }
  return least;
}
