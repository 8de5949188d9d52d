import { useQueryClient } from '@tanstack/react-query';
import { nextTogether, type NextTogether, type WorkedLead } from '../../core/bench';
import type { UnitAtBench } from '../../server/units/at-bench';
import type { Together } from '../../server/units/together';
import { useGot, usePlace, useStored } from '../app';
import type { UnitOnPage } from './useUnit';

export const togetherAt = (id: string): string => `/api/units/${id}/together`;

/** What was done in this window last of each: the server may not have it yet when it is asked again. */
const doneHere = new Map<string, Omit<WorkedLead, 'id'>>();

/** What is done of another lead, by the server or by this window, whichever was later. */
function knownOf({ id, done, lastAt }: UnitAtBench): WorkedLead {
  const there = { done: new Set(done), lastMs: lastAt === undefined ? 0 : Date.parse(lastAt) };
  const here = doneHere.get(id);
  return { id, ...(here && here.lastMs > there.lastMs ? here : there) };
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
        : knownOf(each),
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
    },
  };
}
