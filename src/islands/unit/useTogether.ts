import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useReducer } from 'react';
import { nextTogether, type NextTogether, type WorkedLead } from '../../core/bench';
import type { UnitAtBench } from '../../server/units/at-bench';
import type { Together } from '../../server/units/together';
import { useGot, usePlace, useStored } from '../app';
import { outboxOf } from './records';
import type { UnitOnPage } from './useUnit';

export const togetherAt = (id: string): string => `/api/units/${id}/together`;

/** What was done in this window last of each: the server may not have it yet when it is asked again. */
const doneHere = new Map<string, Omit<WorkedLead, 'id'>>();

/**
 * What is done of another lead: by the server or by this window, whichever was later, and what this browser kept of it and the
 * server does not have, in whatever window it was done.
 */
function knownOf(client: QueryClient, { id, done, lastAt }: UnitAtBench): WorkedLead {
  const there = { done: new Set(done), lastMs: lastAt === undefined ? 0 : Date.parse(lastAt) };
  const here = doneHere.get(id);
  const known = here && here.lastMs > there.lastMs ? here : there;
  const steps = new Set(known.done);
  let { lastMs } = known;
  for (const record of outboxOf(client, id).snapshot().records) {
    if (record.is !== 'event' || record.operation === undefined) continue;
    if (record.kind === 'undo') steps.delete(record.operation);
    if (record.kind !== 'done') continue;
    steps.add(record.operation);
    lastMs = Math.max(lastMs, Date.parse(record.at));
  }
  return { id, done: steps, lastMs };
}

/** What waited here of another lead stays known when the server has it: what the page knows of that lead is from before. */
function remember(client: QueryClient, at: string, id: string): void {
  if (outboxOf(client, id).snapshot().records.length === 0) return;
  const each = client.getQueryData<Together>([at])?.units.find((unit) => unit.id === id);
  if (each) doneHere.set(id, knownOf(client, each));
}

/** The outboxes of others on the bench: what was left of them here is read, sent, and drawn when it changes. */
function useOutboxes(client: QueryClient, at: string, ids: readonly string[]) {
  const [, draw] = useReducer((n: number) => n + 1, 0);
  const all = ids.join();
  const boxes = useMemo(
    () => (all === '' ? [] : all.split(',').map((id) => ({ id, box: outboxOf(client, id) }))),
    [client, all],
  );
  useEffect(() => {
    const leave = boxes.map(({ id, box }) =>
      box.subscribe(() => {
        remember(client, at, id);
        draw();
      }),
    );
    for (const { box } of boxes) box.start();
    return () => leave.forEach((each) => each());
  }, [client, at, boxes]);
  return boxes;
}

/** What is on the bench beside a unit, and what is next of all of it where they are worked together. */
export interface WorkedTogether {
  /** Nothing until it is known, or where it lies there alone. */
  readonly all: Together | undefined;
  readonly isOn: boolean;
  readonly turn: (on: boolean) => void;
  /** The step of this one that is its turn. */
  readonly here: string | undefined;
  /** What comes after a step of this one, waits left out. */
  readonly then: (step: string) => NextTogether | undefined;
  /** Goes to the lead that is next after a step of this one, where that is another. */
  readonly onward: (step: string) => void;
}

export function useTogether(
  { unit, operations, before, state }: Pick<UnitOnPage, 'unit' | 'operations' | 'before' | 'state'>,
  lastMs: number,
): WorkedTogether {
  const client = useQueryClient();
  const { go } = usePlace();
  const [isOn, keepOn] = useStored(`together.${unit.leadId}`, false);
  const { data } = useGot<Together>(togetherAt(unit.id));
  const all = data?.batch && data;
  const runs = isOn ? all?.batch?.runs : undefined;
  const others = useOutboxes(
    client,
    togetherAt(unit.id),
    (all?.units ?? []).map(({ id }) => id).filter((id) => runs !== undefined && id !== unit.id),
  );
  // A step that was taken back is not done in this window any more either.
  useEffect(() => {
    doneHere.set(unit.id, { done: state.done, lastMs });
  }, [unit.id, state.done, lastMs]);
  const course = { operations, before };
  /** All of them by their numbers, this one with a step more done. */
  const leadsAfter = (step: string | undefined, nowMs: number): readonly WorkedLead[] =>
    (all?.units ?? []).map((each) =>
      each.id === unit.id
        ? {
            id: each.id,
            done: step === undefined ? state.done : new Set([...state.done, step]),
            lastMs: step === undefined ? lastMs : nowMs,
          }
        : knownOf(client, each),
    );
  const mine = { id: unit.id, done: state.done, lastMs };
  const after = (step: string, nowMs: number): NextTogether | undefined =>
    runs && nextTogether(runs, course, leadsAfter(step, nowMs), nowMs);
  return {
    all,
    isOn: isOn && all !== undefined,
    turn: (on) => keepOn(() => on),
    here: runs && nextTogether(runs, course, [mine], Infinity)?.step,
    then: (step) => after(step, Infinity),
    onward: (step) => {
      const nowMs = Date.now();
      doneHere.set(unit.id, { done: new Set([...state.done, step]), lastMs: nowMs });
      // What was left of the others has to be known first: it may have brought them further.
      void Promise.all(others.map(({ box }) => box.known)).then(() => {
        const next = after(step, nowMs);
        if (!all || !next || next.lead === unit.id) return;
        // What was done here is known there too, also before the server has it.
        client.setQueryData<Together>([togetherAt(next.lead)], {
          ...all,
          units: all.units.map((each) =>
            each.id === unit.id
              ? { ...each, done: [...state.done, step], lastAt: new Date(nowMs).toISOString() }
              : each,
          ),
        });
        go(`/unit/${next.lead}/bench`);
      });
    },
  };
}
