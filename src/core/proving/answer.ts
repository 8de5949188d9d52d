import { formatCapacitance, formatResistance, OPEN } from '../quantity';
import { ANY_METER, type Instrument } from './instrument';
import type { Interval } from './proof';

/**
 * What was said to one check: ohms (`Infinity` for OL), volts or farads by what the meter is set to, a beep or none, a figure that jumps when wiggled; to
 * a test or a look yes or no, or that it was not done.
 */
export type Answer =
  | { readonly kind: 'ohms'; readonly ohms: number }
  | { readonly kind: 'volts'; readonly volts: number }
  | { readonly kind: 'farads'; readonly farads: number }
  | { readonly kind: 'beep' }
  | { readonly kind: 'silent' }
  | { readonly kind: 'unsteady' }
  | { readonly kind: 'yes' }
  | { readonly kind: 'no' }
  | { readonly kind: 'skipped' };

/** An answer to the check with this id. */
export interface Reading {
  readonly probe: string;
  readonly answer: Answer;
}

/** Below the first a meter surely beeps, above the second it surely does not, Ω: of one that is not described. */
export const BEEPER = ANY_METER.beeper;

const just = (value: number): Interval => ({ from: value, to: value });

/** What an answer says of the figure: between what it lies, by this meter. */
export function heard(answer: Answer, { beeper }: Pick<Instrument, 'beeper'>): Interval {
  switch (answer.kind) {
    case 'ohms':
      return just(answer.ohms);
    case 'volts':
      return just(answer.volts);
    case 'farads':
      return just(answer.farads);
    case 'beep':
      return { from: 0, to: beeper.never };
    case 'silent':
      return { from: beeper.sure, to: OPEN };
    case 'unsteady':
      return { from: 1, to: OPEN };
    case 'yes':
      return just(1);
    case 'no':
      return just(0);
    case 'skipped':
      return { from: 0, to: OPEN };
  }
}

const volts = (value: number): string => (value === OPEN ? 'OL' : `${value.toFixed(2)} V`);
/** An answer as the builder would say it. */
export function sayAnswer(answer: Answer): string {
  switch (answer.kind) {
    case 'ohms':
      return formatResistance(answer.ohms);
    case 'volts':
      return volts(answer.volts);
    case 'farads':
      return formatCapacitance(answer.farads);
    case 'beep':
      return 'beep';
    case 'silent':
      return 'no beep';
    case 'unsteady':
      return 'unsteady';
    case 'yes':
      return 'as it should';
    case 'no':
      return 'not so';
    case 'skipped':
      return 'not done';
  }
}
