import type { BenchEvent } from '../../core/bench';
import type { PlainAnswer, Reading } from '../../core/proving';
import { Outbox, type RefusedRecord, type Waiting } from '../kept/outbox';
import { outboxes } from '../kept/outboxes';

export interface TakenReading extends Reading {
  readonly id: string;
  /** The mending that it follows, by the event's id. */
  readonly after?: string | undefined;
  readonly at: string;
}

/** One thing that was done here, as it is sent. */
export type SentRecord =
  | ({ readonly is: 'event' } & BenchEvent)
  | ({ readonly is: 'reading'; readonly answer: PlainAnswer } & Omit<TakenReading, 'answer'>);

export type UnitWaiting = Waiting<SentRecord>;
export type RefusedUnitRecord = RefusedRecord<SentRecord>;

/** What an earlier version of the page kept. */
interface Before {
  readonly events: readonly BenchEvent[];
  readonly readings: readonly Omit<Extract<SentRecord, { is: 'reading' }>, 'is'>[];
}
const recordsOf = ({ events, readings }: Before): readonly SentRecord[] => [
  ...readings.map((reading) => ({ ...reading, is: 'reading' as const })),
  ...events.map((event) => ({ ...event, is: 'event' as const })),
];

/** The outbox of a unit: what was done at it here and is not on the server. */
export const unitOutbox = (unit: string, onTaken: () => Promise<unknown>): Outbox<SentRecord> =>
  new Outbox<SentRecord>({
    about: `unit:${unit}`,
    name: `unit.${unit}`,
    address: `/api/units/${unit}/records`,
    onTaken,
    // What is taken back because of what was wrong: by both together it is known what is cut anew.
    goesWith: (record) => record.is === 'event' && (record.kind === 'undo' || record.kind === 'mended'),
    older: (left) => recordsOf(left as Before),
  });

/** Where a unit is asked for. */
export const addressOf = (id: string): string => `/api/units/${id}`;

/** The outbox of each unit. */
export const outboxOf = outboxes((client, id) =>
  unitOutbox(id, () => client.refetchQueries({ queryKey: [addressOf(id)] })),
);
