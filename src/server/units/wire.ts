import { toPlain, type PlainAnswer } from '../../core/proving';
import type { UnitSheet } from './service';

/** A unit as it travels: readings with `"OL"` for open, since JSON has no infinity. */
export interface WireUnit extends Omit<UnitSheet, 'readings'> {
  readonly readings: readonly (Omit<UnitSheet['readings'][number], 'answer'> & {
    readonly answer: PlainAnswer;
  })[];
}

/** A unit as it is sent. */
export const unitToWire = (unit: UnitSheet): WireUnit => ({
  ...unit,
  readings: unit.readings.map((reading) => ({ ...reading, answer: toPlain(reading.answer) })),
});
