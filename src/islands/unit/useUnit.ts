import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import {
  after,
  lastMending,
  progress,
  proofOn,
  refusal,
  seenStill,
  readingsInForce,
  stateOf,
  stepsOf,
  type BenchEvent,
  type EventKind,
} from '../../core/bench';
import { hasJunction } from '../../core/model';
import { fromPlain, judge, toPlain, type Answer, type Judging } from '../../core/proving';
import type { WireSince, WireUnit } from '../../server/units/wire';
import { ask } from '../app';
import { newId } from '../kept';
import { addressOf, outboxOf, type SentRecord, type TakenReading } from './records';

/** The unit with what happened since it was fetched. */
const withMore = (unit: WireUnit, { events, readings, place }: WireSince): WireUnit =>
  place === unit.place
    ? unit
    : { ...unit, events: merge(unit.events, events), readings: merge(unit.readings, readings), place };

/** What takes the whole of the circuit, for a lead that calls for it, once its page is there: its functional tests, and what a meter shows across a junction. */
function useCircuit(unit: WireUnit | undefined, isThere: boolean): Partial<Judging> {
  const [judging, setJudging] = useState<Partial<Judging>>({});
  const isAsked =
    isThere &&
    unit !== undefined &&
    (unit.plan.trials.some(({ kind }) => kind === 'test') || hasJunction(unit.lead.assembly));
  useEffect(() => {
    if (!isAsked) return;
    let isHere = true;
    void import('./of-circuit')
      .then((found) => isHere && setJudging(found.ofCircuit))
      // Away from the server it does without: what hangs on it is then said not to be proven.
      .catch(() => undefined);
    return () => {
      isHere = false;
    };
  }, [isAsked]);
  return judging;
}

/** One unit on the page: what the server has, with what waits here on top of it. Undefined until it is fetched. */
// eslint-disable-next-line max-lines-per-function -- one state: what it holds, and everything that may happen to it.
export function useUnit(id: string) {
  const client = useQueryClient();
  const [refused, setRefused] = useState('');
  const address = addressOf(id);
  const query = useQuery({
    queryKey: [address],
    // What is there is not fetched again: only what came after it.
    queryFn: async () => {
      const known = client.getQueryData<WireUnit>([address]);
      return known
        ? withMore(known, await ask<WireSince>('GET', `${address}/records?after=${known.place}`))
        : ask<WireUnit>('GET', address);
    },
  });
  const outbox = outboxOf(client, id);
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.snapshot, outbox.snapshot);
  useEffect(() => void outbox.start(), [outbox]);

  const unit = query.data;
  const judging = useCircuit(unit, waiting.loaded);
  const fixed = useMemo(() => {
    if (!unit) return undefined;
    const { lead, plan } = unit;
    return {
      assembly: lead.assembly,
      schools: unit.schools,
      ...stepsOf(plan),
      proof: proofOn(plan, lead, judging),
    };
    // A unit is pinned to its revision and its plan: neither ever changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [unit?.id, judging]);

  const events = useMemo(() => merge(unit?.events ?? [], waiting.records.filter(isEvent)), [unit, waiting]);
  const readings = useMemo(
    () =>
      merge(unit?.readings ?? [], waiting.records.filter(isReading)).map((reading): TakenReading => ({
        ...reading,
        answer: fromPlain(reading.answer),
      })),
    [unit, waiting],
  );

  const stands = useMemo(() => readingsInForce(lastMending(events), readings), [events, readings]);

  /** Records things that happened one after the other: all of them, or none where one cannot be. */
  const recordAll = useCallback(
    (list: readonly Pick<BenchEvent, 'kind' | 'operation' | 'text'>[]): boolean => {
      // What was left here has to be known first: it may have brought the work further.
      if (!fixed || !outbox.snapshot().loaded) return false;
      let now = stateOf(events);
      const taken: BenchEvent[] = [];
      for (const each of list) {
        const event: BenchEvent = { ...each, id: newId(), at: new Date().toISOString() };
        const problem = refusal(fixed.operations, fixed.before, now, event);
        setRefused(problem?.says ?? '');
        if (problem) return false;
        now = after(now, event);
        taken.push(event);
      }
      const mending = taken.find(({ kind }) => kind === 'mended');
      // Where it is said what is opened, what was seen of the other ends stands, as of when it was seen.
      const still =
        mending && taken.some(({ kind }) => kind === 'undo')
          ? seenStill(fixed.operations, new Set(now.done), stands, fixed.proof)
          : [];
      outbox.add([
        ...taken.map((event) => ({ is: 'event' as const, ...event })),
        ...still.map(({ probe, answer, at }) => ({
          is: 'reading' as const,
          id: newId(),
          probe,
          answer: toPlain(answer),
          after: mending?.id,
          at,
        })),
      ]);
      return true;
    },
    [events, fixed, outbox, stands],
  );
  const record = useCallback(
    (kind: EventKind, operation?: string, text?: string): boolean => recordAll([{ kind, operation, text }]),
    [recordAll],
  );

  const read = useCallback(
    (probe: string, answer: Answer): void => {
      if (!outbox.snapshot().loaded) return;
      outbox.add([
        {
          is: 'reading',
          id: newId(),
          probe,
          answer: toPlain(answer),
          after: lastMending(events),
          at: new Date().toISOString(),
        },
      ]);
    },
    [events, outbox],
  );

  const verdict = useMemo(() => fixed && judge(fixed.proof, stands), [fixed, stands]);
  if (!unit || !fixed || !verdict) return { ready: false, error: query.error, waiting, outbox } as const;
  return {
    ready: true,
    unit,
    ...fixed,
    events,
    readings: stands,
    state: progress(fixed.operations, events),
    verdict,
    waiting,
    /** The ids of what is not on the server yet. */
    here: new Set(waiting.records.map((each) => each.id)),
    outbox,
    refused,
    record,
    recordAll,
    read,
  } as const;
}

export type UnitOnPage = Extract<ReturnType<typeof useUnit>, { ready: true }>;

const merge = <T extends { readonly id: string }>(
  taken: readonly T[],
  waiting: readonly T[],
): readonly T[] => [...taken, ...waiting.filter((each) => !taken.some((other) => other.id === each.id))];

type Sent<Is extends SentRecord['is']> = Extract<SentRecord, { readonly is: Is }>;
const isEvent = (record: SentRecord): record is Sent<'event'> => record.is === 'event';
const isReading = (record: SentRecord): record is Sent<'reading'> => record.is === 'reading';
