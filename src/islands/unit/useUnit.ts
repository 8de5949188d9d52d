import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import {
  lastMending,
  progress,
  proofBy,
  refusal,
  readingsInForce,
  stateOf,
  stepsOf,
  type BenchEvent,
  type EventKind,
} from '../../core/bench';
import { fromPlain, judge, toPlain, type Answer } from '../../core/proving';
import { schoolsOf } from '../../core/lead';
import type { WireUnit } from '../../server/units/wire';
import { ask } from '../app';
import { Outbox, type TakenReading } from './outbox';

/** One unit on the page: what the server has, with what waits here on top of it. Undefined until it is fetched. */
// eslint-disable-next-line max-lines-per-function -- one state: what it holds, and everything that may happen to it.
export function useUnit(id: string) {
  const client = useQueryClient();
  const [refused, setRefused] = useState('');
  const query = useQuery({ queryKey: ['unit', id], queryFn: () => ask<WireUnit>('GET', `/api/units/${id}`) });
  const [outbox] = useState(
    () =>
      new Outbox(
        id,
        () => client.refetchQueries({ queryKey: ['unit', id] }),
        (problem) => setRefused(problem.says),
      ),
  );
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.snapshot);
  useEffect(() => {
    void outbox.send();
    return outbox.stop;
  }, [outbox]);

  const unit = query.data;
  const fixed = useMemo(() => {
    if (!unit) return undefined;
    const { lead, plan } = unit;
    return {
      assembly: lead.assembly,
      schools: schoolsOf(lead),
      ...stepsOf(plan),
      proof: proofBy(plan, lead),
    };
    // A unit is pinned to its revision and its plan: neither ever changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [unit?.id]);

  const events = useMemo(() => merge(unit?.events ?? [], waiting.events), [unit, waiting]);
  const readings = useMemo(
    () =>
      merge(unit?.readings ?? [], waiting.readings).map((reading): TakenReading => ({
        ...reading,
        answer: fromPlain(reading.answer),
      })),
    [unit, waiting],
  );

  const record = useCallback(
    (kind: EventKind, operation?: string, text?: string): boolean => {
      if (!fixed) return false;
      const event: BenchEvent = {
        id: crypto.randomUUID(),
        kind,
        operation,
        text,
        at: new Date().toISOString(),
      };
      const problem = refusal(fixed.operations, fixed.before, stateOf(events), event);
      setRefused(problem?.says ?? '');
      if (!problem) outbox.add({ events: [event] });
      return !problem;
    },
    [events, fixed, outbox],
  );

  const read = useCallback(
    (probe: string, answer: Answer): void =>
      outbox.add({
        readings: [
          {
            id: crypto.randomUUID(),
            probe,
            answer: toPlain(answer),
            after: lastMending(events),
            at: new Date().toISOString(),
          },
        ],
      }),
    [events, outbox],
  );

  if (!unit || !fixed) return { ready: false, error: query.error } as const;
  const stands = readingsInForce(lastMending(events), readings);
  return {
    ready: true,
    unit,
    ...fixed,
    events,
    readings: stands,
    state: progress(fixed.operations, events),
    verdict: judge(fixed.proof, stands),
    waiting: waiting.events.length + waiting.readings.length,
    refused,
    record,
    read,
  } as const;
}

export type UnitOnPage = Extract<ReturnType<typeof useUnit>, { ready: true }>;

const merge = <T extends { readonly id: string }>(
  taken: readonly T[],
  waiting: readonly T[],
): readonly T[] => [...taken, ...waiting.filter((each) => !taken.some((other) => other.id === each.id))];
