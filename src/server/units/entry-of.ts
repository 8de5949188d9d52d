import { lastMending, madeJoints, progress, proofBy, readingsInForce, stepsOf } from '../../core/bench';
import { labelLines } from '../../core/kit';
import type { Lead } from '../../core/lead';
import { judge, sayAnswer, type Verdict } from '../../core/proving';
import type { UnitSheet } from './unit-sheet';

/** A unit as the log of its lead tells it, all of it in words. */
export interface LogEntry {
  readonly id: string;
  readonly number: number;
  readonly builder: string;
  readonly revision: number;
  /** When its first step was done, or it was started. */
  readonly startedAt: string;
  readonly logged: boolean;
  /** Why it was given up; left out where it was not. */
  readonly givenUp?: string;
  readonly done: number;
  readonly of: number;
  /** How long it was at the bench, s. */
  readonly seconds: number;
  /** What the meter says of it, and how many readings that is by. */
  readonly verdict: Pick<Verdict, 'is' | 'says'>;
  readonly label: readonly string[];
  /** Its joints that are made. */
  readonly made: readonly string[];
  /** The ends that are glued shut: a repair cuts the plug off. */
  readonly glued: readonly string[];
  readonly remarks: readonly { readonly kind: string; readonly text: string; readonly at: string }[];
  /** The steps of its work, with how long each took, s; nothing of those that were not done. */
  readonly steps: readonly { readonly id: string; readonly title: string; readonly seconds?: number }[];
  readonly readings: readonly {
    readonly id: string;
    readonly says: string;
    readonly read: string;
    readonly at: string;
  }[];
}

/** As its page shows it: with the lead of the revision that it was built to. */
export type EntryOnPage = LogEntry & { readonly lead: Lead };

/** What a log keeps of a unit, without its steps and readings. */
export type EntryLine = Omit<LogEntry, 'label' | 'made' | 'glued' | 'remarks' | 'steps' | 'readings'> & {
  readonly measured: number;
};

/** What a unit comes to, by what happened to it. */
export function entryOf(unit: UnitSheet): LogEntry {
  const { operations } = stepsOf(unit.plan);
  const now = progress(operations, unit.events);
  const readings = readingsInForce(lastMending(unit.events), unit.readings);
  const proof = proofBy(unit.plan, unit.lead);
  const { is, says } = judge(proof, readings);
  return {
    id: unit.id,
    number: unit.number,
    builder: unit.builder,
    revision: unit.revision,
    startedAt: unit.events[0]?.at ?? unit.startedAt,
    logged: now.logged,
    ...(now.givenUp === undefined ? {} : { givenUp: now.givenUp }),
    done: now.done.size,
    of: operations.length,
    seconds: [...now.seconds.values()].reduce((sum, seconds) => sum + seconds, 0),
    verdict: { is, says },
    label: labelLines(unit.lead, unit.number),
    made: [...madeJoints(unit.lead.assembly, operations, now.done)],
    glued: operations.flatMap(({ id, kind, end }) =>
      kind === 'seal' && end !== undefined && now.done.has(id) ? [end] : [],
    ),
    remarks: now.remarks.map(({ kind, text, at }) => ({ kind, text, at })),
    steps: operations.map(({ id, title }) => {
      const seconds = now.seconds.get(id);
      return { id, title, ...(seconds === undefined ? {} : { seconds }) };
    }),
    readings: readings.map(({ id, probe, answer, at }) => ({
      id,
      says: proof.check(probe)?.says ?? probe,
      read: sayAnswer(answer),
      at,
    })),
  };
}
