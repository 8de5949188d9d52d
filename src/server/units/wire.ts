import { toPlain, type PlainAnswer } from '../../core/proving';
import type { Since, UnitSheet } from './service';

/** What happened, as it travels: readings with `"OL"` for open, since JSON has no infinity. */
export interface WireSince extends Omit<Since, 'readings'> {
  readonly readings: readonly (Omit<Since['readings'][number], 'answer'> & {
    readonly answer: PlainAnswer;
  })[];
}

/** A unit as it travels. */
export type WireUnit = Omit<UnitSheet, 'readings'> & WireSince;

/** What happened, as it is sent. */
export const sinceToWire = <Of extends Since>(since: Of): Omit<Of, 'readings'> & WireSince => ({
  ...since,
  readings: since.readings.map((reading) => ({ ...reading, answer: toPlain(reading.answer) })),
});

/** A unit as it is sent. */
export const unitToWire = (unit: UnitSheet): WireUnit => sinceToWire(unit);
