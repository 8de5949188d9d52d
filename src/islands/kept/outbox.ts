import { ApiProblem, ask, stored, storedNames, type Stored } from '../app';
import type { Piece } from './database';
import { fateOf } from './fate';
import { dropPieces, keepPieces, markPieces, onPieces, piecesAbout } from './pieces';
import { windowId } from './window';

/** One thing that was done here, under the id by which it is sent. */
export interface KeptRecord {
  readonly id: string;
}

/** What became of what was sent: the ids that the server has now, and those that it refuses, each with why. */
export interface Acknowledged {
  readonly taken: readonly string[];
  readonly refused: readonly { readonly id: string; readonly problem: { readonly says: string } }[];
}

/** What the server will never take, with why: shown until whoever did it has seen it. */
export interface RefusedRecord<Of> {
  readonly record: Of;
  readonly says: string;
}

/** What was done here and is not on the server, in its order, and what is known of it. */
export interface Waiting<Of> {
  /** Whether what was left here is known: before that, nobody can say where the work stands. */
  readonly loaded: boolean;
  readonly records: readonly Of[];
  /** How many of them are not on this browser's disk yet. */
  readonly unkept: number;
  /** Why this browser cannot keep them; nothing where it can. */
  readonly trouble: string | undefined;
  /** Why they are not sent until someone acts; nothing where they are. */
  readonly held: string | undefined;
  readonly refused: readonly RefusedRecord<Of>[];
}

/** What an outbox is of, and where it sends to. */
export interface OutboxOf<Of> {
  /** What its pieces are about: `unit:<id>`. */
  readonly about: string;
  /** Under which name it is kept at once: `unit.<id>`. */
  readonly name: string;
  readonly address: string;
  /** What is sent beside the records. */
  readonly beside?: () => object;
  /** Whether a record says something only with the one before it: the two are sent together. */
  readonly goesWith?: (record: Of) => boolean;
  /** The server has something new: what is shown is asked for. */
  readonly onTaken: () => Promise<unknown>;
  /** What an earlier version of the page kept under that name, as what is sent today. */
  readonly older?: (left: unknown) => readonly Of[];
}

const MOST_AT_ONCE = 100;
/** So many the server takes at once, where they say something only together. */
const MOST_TOGETHER = 500;
const FIRST_WAIT = 1_000;
const LONGEST_WAIT = 30_000;

/**
 * What was done here and is not yet acknowledged: on this browser's disk before it counts as kept, sent in order, sent again
 * while the server or its database is away. Ids are made here, so that sending twice records once; windows of one
 * browser share what waits. Only what the server names as refused is not sent again, and it is shown.
 */
export class Outbox<Of extends KeptRecord> {
  private readonly about: string;
  /** On the disk, of whatever window. */
  private pieces: readonly Piece[] = [];
  /** Done in this window and not on the disk yet. */
  private unkept: readonly Of[] = [];
  /** The same where it is written at once: closing the window in that moment loses nothing. */
  private readonly shadow: Stored<readonly Of[]>;
  private trouble: string | undefined;
  private loaded = false;
  private waiting: Waiting<Of> = {
    loaded: false,
    records: [],
    unkept: 0,
    trouble: undefined,
    held: undefined,
    refused: [],
  };
  /** What the server has said that it has, in this window's time. */
  private readonly taken = new Set<string>();
  private sending = false;
  private started: (() => void) | undefined;
  private stopped = false;
  private atOnce = MOST_AT_ONCE;
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private line = Promise.resolve();
  private deaf: () => void = () => undefined;
  private readonly listeners = new Set<() => void>();
  private isKnown: (() => void) | undefined;
  /** Resolves when it is known what was left here; not before it is started. */
  readonly known = new Promise<void>((resolve) => (this.isKnown = resolve));

  constructor(private readonly of: OutboxOf<Of>) {
    this.about = of.about;
    this.shadow = stored(`${of.name} ${windowId()}`);
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): Waiting<Of> => this.waiting;

  /** Reads what waits, of this window and of others, and begins to send it, once; returns how to stop. */
  start = (): (() => void) => (this.started ??= this.begin());

  private begin(): () => void {
    this.stopped = false;
    this.deaf = onPieces((about) => {
      if (about === this.about) void this.load();
    });
    const now = (): void => void this.send();
    addEventListener('online', now);
    void this.bringOver()
      .then(() => this.load())
      .catch(() => undefined)
      .then(() => {
        this.loaded = true;
        this.put();
        this.isKnown?.();
        now();
      });
    return () => {
      this.started = undefined;
      this.stopped = true;
      this.deaf();
      removeEventListener('online', now);
      clearTimeout(this.timer);
    };
  }

  /** Adds what was done, in its order. It counts as kept when it is on the disk; it is sent in any case. */
  add(records: readonly Of[]): void {
    this.unkept = [...this.unkept, ...records];
    this.put();
    this.line = this.line.then(async () => {
      try {
        // What the server took meanwhile needs no keeping.
        const left = records.filter((record) => !this.taken.has(record.id));
        await keepPieces(left.map((record) => this.pieceOf(record)));
        await dropPieces(
          this.about,
          left.filter((record) => this.taken.has(record.id)).map((record) => record.id),
        );
        this.trouble = undefined;
        await this.load();
        this.unkept = this.unkept.filter((each) => !records.includes(each));
      } catch {
        this.trouble = 'This browser cannot keep it: do not close this window before the server has it.';
      }
      this.put();
      await this.send();
    });
  }

  /** Someone acted on what held it up: it is sent again. */
  async release(): Promise<void> {
    const held = this.pieces.filter((piece) => piece.state === 'held').map((piece) => piece.id);
    await markPieces(this.about, held, 'waiting', undefined);
    await this.load();
    await this.send();
  }

  /** The builder has seen what was refused. */
  async dismiss(id: string): Promise<void> {
    await dropPieces(this.about, [id]);
    await this.load();
  }

  /** Sends what waits, in the order in which it was done: the proof is judged by the readings before it. */
  send = async (): Promise<void> => {
    if (this.sending || this.stopped) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      await this.load().catch(() => undefined);
      for (let batch = this.next(); batch.length > 0 && !this.stopped; batch = this.next())
        await this.sendOne(batch);
      this.failures = 0;
    } catch {
      const wait = Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** this.failures++) * (0.5 + Math.random());
      if (!this.stopped) this.timer = setTimeout(() => void this.send(), wait);
    } finally {
      this.sending = false;
    }
  };

  private next(): readonly Of[] {
    const { held, records } = this.waiting;
    return held === undefined ? records.slice(0, this.cut(records)) : [];
  }

  /** How many are sent now: not so many that what goes together is parted, as long as the server takes it. */
  private cut(records: readonly Of[]): number {
    const isBound = (n: number): boolean => {
      const record = records[n];
      return record !== undefined && (this.of.goesWith?.(record) ?? false);
    };
    if (this.atOnce < MOST_AT_ONCE || !isBound(this.atOnce)) return this.atOnce;
    let from = this.atOnce;
    while (isBound(from)) from--;
    if (from > 0) return from;
    let to = this.atOnce;
    while (to < MOST_TOGETHER && isBound(to)) to++;
    return to;
  }

  /** Sends a list and does with it what became of it; throws where it is to be tried again later. */
  private async sendOne(batch: readonly Of[]): Promise<void> {
    let answer: Acknowledged;
    try {
      answer = await ask<Acknowledged>('POST', this.of.address, {
        ...this.of.beside?.(),
        records: batch,
      });
      this.atOnce = MOST_AT_ONCE;
    } catch (error) {
      return this.failed(error, batch);
    }
    await this.of.onTaken();
    await this.over(answer.taken);
    await this.refuse(answer.refused);
  }

  private async failed(error: unknown, batch: readonly Of[]): Promise<void> {
    const says = error instanceof Error ? error.message : 'It cannot be taken.';
    const fate = fateOf(error);
    const [only] = batch;
    if (fate === 'named')
      return this.refuse((error as ApiProblem).more['refused'] as Acknowledged['refused']);
    if (fate === 'split' && batch.length === 1 && only)
      return this.refuse([
        {
          id: only.id,
          problem: (error as ApiProblem).problems[0] ?? { says },
        },
      ]);
    if (fate === 'held') {
      await this.mark(batch, 'held', says);
      return;
    }
    if (fate === 'split' || fate === 'smaller')
      this.atOnce = Math.max(1, Math.min(MOST_AT_ONCE - 1, Math.floor(batch.length / 2)));
    if (fate !== 'split') throw error;
  }

  private async over(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    for (const id of ids) this.taken.add(id);
    this.unkept = this.unkept.filter((each) => !ids.includes(each.id));
    await dropPieces(this.about, ids).catch(() => undefined);
    await this.load().catch(() => undefined);
    this.put();
  }

  private async refuse(refused: Acknowledged['refused']): Promise<void> {
    for (const { id, problem } of refused) {
      const record = this.waiting.records.find((each) => each.id === id);
      if (record) await this.mark([record], 'refused', problem.says);
    }
  }

  /** Says of records what became of them: also of such that this browser could not keep. */
  private async mark(records: readonly Of[], state: 'held' | 'refused', says: string): Promise<void> {
    const ids = records.map((each) => each.id);
    try {
      await keepPieces(records.map((record) => this.pieceOf(record)));
      await markPieces(this.about, ids, state, says);
      await this.load();
    } catch {
      const known = new Set(this.pieces.map((piece) => piece.id));
      this.pieces = [
        ...this.pieces.map((piece) => (ids.includes(piece.id) ? { ...piece, state, says } : piece)),
        ...records
          .filter((each) => !known.has(each.id))
          .map((each) => ({ ...this.pieceOf(each), n: Infinity, state, says })),
      ];
    }
    this.unkept = this.unkept.filter((each) => !ids.includes(each.id));
    this.put();
  }

  private pieceOf(record: Of): Omit<Piece, 'n'> {
    return { id: record.id, about: this.about, body: record, state: 'waiting' };
  }

  private async load(): Promise<void> {
    this.pieces = await piecesAbout(this.about);
    this.put();
  }

  /**
   * What did not get to the disk before its window was closed, of whatever window; and what an earlier version of the page
   * kept there. An id that is kept already is not kept twice.
   */
  private async bringOver(): Promise<void> {
    for (const name of storedNames(this.of.name)) {
      const left = stored<unknown>(name).read();
      const records = Array.isArray(left)
        ? (left as readonly Of[])
        : left === undefined
          ? []
          : (this.of.older?.(left) ?? []);
      try {
        await keepPieces(records.map((record) => this.pieceOf(record)));
        if (name !== this.shadow.name) stored(name).write(undefined);
      } catch {
        this.unkept = [
          ...records.filter((each) => !this.unkept.some(({ id }) => id === each.id)),
          ...this.unkept,
        ];
      }
    }
    this.put();
  }

  private put(): void {
    const record = (piece: Piece): Of => piece.body as Of;
    const kept = this.pieces.filter((piece) => piece.state !== 'refused').map(record);
    const ids = new Set(this.pieces.map((piece) => piece.id));
    const unkept = this.unkept.filter((each) => !ids.has(each.id));
    this.shadow.write(unkept.length > 0 ? unkept : undefined);
    this.waiting = {
      loaded: this.loaded,
      records: [...kept, ...unkept],
      unkept: unkept.length,
      trouble: unkept.length > 0 ? this.trouble : undefined,
      held: this.pieces.find((piece) => piece.state === 'held')?.says,
      refused: this.pieces
        .filter((piece) => piece.state === 'refused')
        .map((piece) => ({ record: record(piece), says: piece.says ?? '' })),
    };
    for (const listener of this.listeners) listener();
  }
}
