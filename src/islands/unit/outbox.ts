import type { BenchEvent } from '../../core/bench';
import type { Problem } from '../../core/quantity';
import { toPlain, type Reading } from '../../core/proving';
import type { Acknowledged } from '../../server/units/records';
import { ApiProblem, ask, stored } from '../app';

export interface TakenReading extends Reading {
  readonly id: string;
  /** The mending that it follows, by the event's id. */
  readonly after?: string | undefined;
  readonly at: string;
}

interface Waiting {
  readonly events: readonly BenchEvent[];
  readonly readings: readonly (Omit<TakenReading, 'answer'> & {
    readonly answer: ReturnType<typeof toPlain>;
  })[];
}

const EMPTY: Waiting = { events: [], readings: [] };
const TRY_AGAIN_AFTER = 2_000;

/**
 * What was done here and is not yet acknowledged: kept in this browser before anything else happens, sent in order,
 * sent again while the server or its database is away. Ids are made here, so that sending twice records once.
 */
export class Outbox {
  private readonly kept;
  private waiting: Waiting;
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly unit: string,
    private readonly onTaken: () => Promise<void>,
    private readonly onRefused: (problem: Problem) => void,
  ) {
    this.kept = stored<Waiting>(`unit.${unit}`);
    this.waiting = this.kept.read() ?? EMPTY;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): Waiting => this.waiting;

  add(more: Partial<Waiting>): void {
    this.put({
      events: [...this.waiting.events, ...(more.events ?? [])],
      readings: [...this.waiting.readings, ...(more.readings ?? [])],
    });
    void this.send();
  }

  stop = (): void => clearTimeout(this.timer);

  /** Sends what waits: readings first, since the proof is judged by them when its event arrives. */
  send = async (): Promise<void> => {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      while (this.waiting.readings.length > 0 || this.waiting.events.length > 0) {
        const { readings, events } = this.waiting;
        const { taken, refused } =
          readings.length > 0
            ? await ask<Acknowledged>('POST', `/api/units/${this.unit}/readings`, {
                readings: readings.slice(0, 100),
              })
            : await ask<Acknowledged>('POST', `/api/units/${this.unit}/events`, {
                events: events.slice(0, 100),
              });
        await this.onTaken();
        const over = new Set([...taken, ...refused.map((each) => each.id)]);
        this.put({
          events: this.waiting.events.filter((each) => !over.has(each.id)),
          readings: this.waiting.readings.filter((each) => !over.has(each.id)),
        });
        for (const { problem } of refused) this.onRefused(problem);
      }
    } catch (error) {
      if (error instanceof ApiProblem && !error.passing) {
        // The server will never take these as they are: say why, and do not send them for ever.
        for (const problem of error.problems) this.onRefused(problem);
        this.put(EMPTY);
        await this.onTaken();
      } else this.timer = setTimeout(() => void this.send(), TRY_AGAIN_AFTER);
    } finally {
      this.sending = false;
    }
  };

  private put(next: Waiting): void {
    this.waiting = next;
    this.kept.write(next.events.length + next.readings.length > 0 ? next : undefined);
    for (const listener of this.listeners) listener();
  }
}
