import { placeOf } from '../../core/assembly';
import { provenOf } from '../../core/bench';
import type { Lead } from '../../core/lead';
import { ANY_METER, answersOf, proofOf, type Instrument, type Probe, type Variant } from '../../core/proving';

/** What the meter can be set to. */
export type Setting = 'RES' | 'CONT' | 'DIOD' | 'CAP';

/** Where the leads of the meter are, and how far a control is turned up. */
export interface Touched {
  readonly red: string;
  readonly black: readonly string[];
  readonly turn: number;
}

/** What the stand-in shows: a meter of 3 V with a diode test and a capacitance range, its leads nulled. */
export const STAND_IN: Instrument = {
  ...ANY_METER,
  testVolts: { from: 3, to: 3 },
  diodeVolts: 2.6,
  capacitance: true,
};

/** A lead on the bench, as it was really made. */
export interface UnderTest {
  /** Whether there is anything to put a lead on by this name. */
  readonly has: (terminal: string) => boolean;
  /** Ω, V or F; `Infinity` for overload. */
  readonly reads: (set: Setting, touched: Touched) => number;
}

/** A beeper shows no more than this, Ω. */
const CONTINUITY_OHMS = 1200;

/** Puts a lead that was built so, good or with a fault, where the meter's leads can reach it. */
export function underTest(lead: Pick<Lead, 'assembly' | 'situations'>, built: Variant): UnderTest {
  const proven = provenOf(lead);
  const says = answersOf(proven, proofOf(proven, { instrument: STAND_IN }), built);
  return {
    has: (terminal) => placeOf(built.assembly, terminal) !== undefined,
    reads(set, { red, black, turn }) {
      const mode = set === 'DIOD' ? 'diode' : set === 'CAP' ? 'capacitance' : undefined;
      const probe: Probe = {
        id: 'touch',
        red,
        black: [...black],
        kind: 'path',
        says: 'touch',
        turn,
        ...(mode ? { mode } : {}),
      };
      const value = says(probe) ?? Number.POSITIVE_INFINITY;
      return set === 'CONT' && value > CONTINUITY_OHMS ? Number.POSITIVE_INFINITY : value;
    },
  };
}
