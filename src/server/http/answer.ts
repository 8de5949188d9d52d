import type { Readable } from 'node:stream';

/** What is answered to a request. */
export interface Answer {
  readonly status: number;
  /** By their names in small letters. */
  readonly headers: Readonly<Record<string, string>>;
  /** All of it, or what gives it bit by bit. */
  readonly body: string | Readable;
}

/** A value as JSON. It is of this moment, and never kept on the way. */
export const jsonAnswer = (status: number, value: unknown): Answer => ({
  status,
  headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
  body: JSON.stringify(value),
});

/** Marks what is a whole answer of its own among the values that routes give. */
export const isAnswer = (value: unknown): value is Answer =>
  typeof value === 'object' && value !== null && 'status' in value && 'headers' in value && 'body' in value;
