/** What happened at the bench: appended, never changed. A correction is another event. */
export const EVENT_KINDS = [
  'open',
  'confirm',
  'done',
  'undo',
  'note',
  'wrong',
  'mended',
  'logged',
  'given-up',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

export interface BenchEvent {
  readonly id: string;
  readonly kind: EventKind;
  /** The operation it is about; none for `open`, `logged` and `given-up`. */
  readonly operation?: string | undefined;
  /** What was confirmed, the text of a note, or why it was given up. */
  readonly text?: string | undefined;
  /** When, by the bench's clock, ISO 8601. */
  readonly at: string;
}
