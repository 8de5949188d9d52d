import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useReducer } from 'react';
import { nextTogether, type NextTogether, type WorkedLead } from '../../core/bench';
import type { UnitAtBench } from '../../server/units/at-bench';
import type { Together } from '../../server/units/together';
import { useGot, usePlace, useStored } from '../app';
import { outboxOf } from './records';
import type { UnitOnPage } from './useUnit';

export const togetherAt = (id: string): string => `/api/units/${id}/together`;

/** A lead that is worked, and how many of its events that comes from. */
interface KnownLead extends WorkedLead {
  readonly events: number;
}

/** What this window knew last of each lead that it worked: the server may not have it yet when it is asked again. */
const knownHere = new Map<string, KnownLead>();

/**
 * What is done of another lead: by the server or by this window, whichever knows more of what happened to it – at another bench
 * a step may have been taken back –, and what this browser kept of it and the server does not have, in whatever window it was done.
 */
function knownOf(client: QueryClient, unit: UnitAtBench): KnownLead {
  const there = { ...unit, lastMs: unit.lastAt === undefined ? 0 : Date.parse(unit.lastAt) };
  const here = knownHere.get(unit.id);
  const known = here && here.events > there.events ? here : there;
  const steps = new Set(known.done);
  let { lastMs } = known;
  const left = outboxOf(client, unit.id)
    .snapshot()
    .records.filter((record) => record.is === 'event');
  for (const { kind, operation, at } of left) {
    if (operation === undefined) continue;
    if (kind === 'undo') steps.delete(operation);
    if (kind !== 'done') continue;
    steps.add(operation);
    lastMs = Math.max(lastMs, Date.parse(at));
  }
  // What waits may be among what was known here already.
  return {
    id: unit.id,
    done: steps,
    lastMs,
    events: Math.max(known.events, there.events + left.length),
  };
}

/** What waited here of another lead stays known when the server has it: what the page knows of that lead is from before. */
function remember(client: QueryClient, at: string, id: string): void {
  const { records, refused } = outboxOf(client, id).snapshot();
  // What the server does not take never was.
  if (refused.length > 0) knownHere.delete(id);
  if (records.length === 0) return;
  const each = client.getQueryData<Together>([at])?.units.find((unit) => unit.id === id);
  if (each) knownHere.set(id, knownOf(client, each));
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
  {
    unit,
    operations,
    before,
    events,
    state,
  }: Pick<UnitOnPage, 'unit' | 'operations' | 'before' | 'events' | 'state'>,
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
    knownHere.set(unit.id, { id: unit.id, done: state.done, lastMs, events: events.length });
  }, [unit.id, state.done, lastMs, events.length]);
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
      const stands = { done: [...state.done, step], events: events.length + 1 };
      knownHere.set(unit.id, { ...stands, id: unit.id, done: new Set(stands.done), lastMs: nowMs });
      // What was left of the others has to be known first: it may have brought them further.
      void Promise.all(others.map(({ box }) => box.known)).then(() => {
        const next = after(step, nowMs);
        if (!all || !next || next.lead === unit.id) return;
        // What was done here is known there too, also before the server has it.
        client.setQueryData<Together>([togetherAt(next.lead)], {
          ...all,
          units: all.units.map((each) =>
            each.id === unit.id ? { ...each, ...stands, lastAt: new Date(nowMs).toISOString() } : each,
          ),
        });
        go(`/unit/${next.lead}/bench`);
      });
    },
  };
}
