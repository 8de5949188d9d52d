import type { Problem } from '../quantity';
import type { BenchEvent } from './events';
import { hangsOn } from './reopen';
import { stateOf, type BenchState } from './state';
import type { Operation } from './types';

/** Where the work stands: a pure function of the operations and the events so far. */
export interface Progress {
  readonly done: ReadonlySet<string>;
  /** The first operation not done; undefined when all are. */
  readonly current: Operation | undefined;
  /** For the current and every other operation, which things have been confirmed. */
  readonly confirmed: ReadonlyMap<string, ReadonlySet<string>>;
  /** Seconds spent on each operation, time away from the bench left out. */
  readonly seconds: ReadonlyMap<string, number>;
  readonly remarks: readonly {
    readonly id: string;
    readonly kind: 'note' | 'wrong';
    readonly operation: string | undefined;
    readonly text: string;
    readonly at: string;
  }[];
  readonly logged: boolean;
  /** Why it was given up; nothing where it was not. */
  readonly givenUp?: string | undefined;
}

/** What is done, what comes next, and what is left, from the events. */
export function progress(operations: readonly Operation[], events: readonly BenchEvent[]): Progress {
  const state = stateOf(events);
  const done = new Set(state.done);
  const seconds = new Map<string, number>();
  const remarks: Progress['remarks'][number][] = [];
  let since: number | undefined;
  for (const { id, kind, operation, text, at: moment } of events) {
    const at = Date.parse(moment);
    if (kind === 'done' && operation !== undefined && since !== undefined)
      seconds.set(operation, (seconds.get(operation) ?? 0) + Math.max(0, (at - since) / 1000));
    if (kind === 'open' || kind === 'undo' || (kind === 'done' && operation !== undefined)) since = at;
    if (kind === 'note' || kind === 'wrong')
      remarks.push({ id, kind, operation, text: text ?? '', at: moment });
  }
  return {
    done,
    current: operations.find((op) => !done.has(op.id)),
    confirmed: new Map(Object.entries(state.confirmed).map(([id, what]) => [id, new Set(what)])),
    seconds,
    remarks,
    logged: state.logged,
    ...(state.givenUp ? { givenUp: events.find(({ kind }) => kind === 'given-up')?.text ?? '' } : {}),
  };
}

/** What was mended last, by the order of the events; undefined where nothing was. */
export const lastMending = (events: readonly BenchEvent[]): string | undefined =>
  events.findLast((event) => event.kind === 'mended')?.id;

/** The readings that still stand: those that name the last mending, by its event's id, as the one they follow. No clock decides. */
export function readingsInForce<T extends { readonly after?: string | undefined }>(
  mended: string | undefined,
  readings: readonly T[],
): readonly T[] {
  return readings.filter((reading) => reading.after === mended);
}

/**
 * Why an event cannot be taken now, or undefined where it can: an operation is done once, after everything that must
 * precede it, and after all that it asks to be confirmed; only what is done can be undone, and not under later work.
 */
export function refusal(
  operations: readonly Operation[],
  before: ReadonlyMap<string, ReadonlySet<string>>,
  state: BenchState,
  event: BenchEvent,
): Problem | undefined {
  const say = (code: string, says: string, path = 'operation'): Problem => ({ code, says, path });
  const done = new Set(state.done);
  if (state.givenUp)
    return say('bench.given-up', 'This lead was given up: nothing more is done to it.', 'kind');
  if (state.logged) return say('bench.logged', 'This lead is in the log: its bench work is closed.', 'kind');
  if (event.kind === 'given-up') return undefined;
  if (event.kind === 'open' || event.kind === 'note' || event.kind === 'wrong' || event.kind === 'mended')
    return undefined;
  if (event.kind === 'logged') {
    const left = operations.filter((op) => !done.has(op.id));
    return left.length > 0
      ? say(
          'bench.unfinished',
          `Not done yet: ${left
            .map((op) => op.title)
            .slice(0, 3)
            .join('; ')}.`,
          'kind',
        )
      : undefined;
  }
  const operation = operations.find((op) => op.id === event.operation);
  if (!operation)
    return say(
      'bench.unknown',
      'This lead has no such step: it may have been built to another revision. Reload the page.',
    );
  if (event.kind === 'confirm')
    return operation.confirm?.includes(event.text ?? '')
      ? undefined
      : say('bench.confirm', `There is no “${event.text ?? ''}” to confirm at this step.`, 'text');
  if (event.kind === 'undo') {
    if (!done.has(operation.id))
      return say('bench.not-done', 'That step is not done, so it cannot be undone.');
    const later = operations.find(
      (op) => done.has(op.id) && before.get(op.id)?.has(operation.id) && hangsOn(op, operation),
    );
    return later ? say('bench.under', `“${later.title}” was done after it: undo that first.`) : undefined;
  }
  if (done.has(operation.id)) return say('bench.twice', 'That step is done already.');
  const unmet = operations.find((op) => before.get(operation.id)?.has(op.id) && !done.has(op.id));
  if (unmet) return say('bench.gate', `Not yet: “${unmet.title}” comes first.`);
  const unconfirmed =
    operation.confirm?.filter((each) => !state.confirmed[operation.id]?.includes(each)) ?? [];
  return unconfirmed.length > 0
    ? say('bench.confirm', `Confirm first: ${unconfirmed.join(', ')}.`)
    : undefined;
}
