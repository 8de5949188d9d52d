import { boolean, number, object } from 'yup';
import { readShape, type Result, type Shape } from '../quantity';

/** The version of descriptions of a meter written today. */
export const INSTRUMENT_VERSION = 1;

/** No meter has more. */
export const MOST = { volts: 20, leadOhms: 20, beeperOhms: 1e6 } as const;

const volts = () => number().positive().max(MOST.volts).required();

/** The house's meter, described once: a probe asks only what it can do, and expects what it shows. */
export const instrumentSchema = object({
  version: number()
    .oneOf([INSTRUMENT_VERSION] as const)
    .required(),
  /** Between what its resistance ranges put on open leads, V: the same twice where it is known. */
  testVolts: object({ from: volts(), to: volts() })
    .noUnknown()
    .required()
    .test('order', 'must go from the lower to the higher', ({ from, to }) => from <= to),
  /** What its diode test can reach at 1 mA, V; nothing where it has none. */
  diodeVolts: number().positive().max(MOST.volts),
  /** Whether it measures capacitance. */
  capacitance: boolean().required(),
  /** What its own leads add, Ω; 0 where they are nulled. */
  leadOhms: number().min(0).max(MOST.leadOhms).required(),
  /** Below the first it surely beeps, above the second it surely does not, Ω. */
  beeper: object({
    sure: number().min(0).max(MOST.beeperOhms).required(),
    never: number().positive().max(MOST.beeperOhms).required(),
  })
    .noUnknown()
    .required(),
}).noUnknown();
export type Instrument = Shape<typeof instrumentSchema>;

/** A meter that nobody has described: whatever is usual (from memory). */
export const ANY_METER: Instrument = {
  version: INSTRUMENT_VERSION,
  testVolts: { from: 0.4, to: 3.3 },
  capacitance: false,
  leadOhms: 0,
  beeper: { sure: 20, never: 100 },
};

/** Reads the description of a meter. Errors: each at its field. */
export const readInstrument = (document: unknown): Result<Instrument> =>
  readShape(instrumentSchema, document);
