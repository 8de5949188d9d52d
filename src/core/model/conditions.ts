import type { Taper } from '../circuit';
import type { KnownFacts } from '../situation';

/** Under which a lead is looked at. */
export interface Conditions {
  /** Jacket length of each span, mm. */
  readonly lengths: ReadonlyMap<string, number>;
  readonly celsius?: number;
  /** Up to which frequency the circuit has to hold, Hz. */
  readonly highestHertz?: number;
  /** Whether each pair of a cable is looked at for itself, its neighbours standing still: there is no crosstalk then. */
  readonly eachAlone?: boolean;
  /** Between the chassis of what sends and of what receives, V r.m.s.; as the situation has it where nothing is said. */
  readonly groundVolts?: number;
  /** Phantom and other supplies of the inputs switched on. */
  readonly supplies?: boolean;
  /** Turn of every control, from 0 down to 1 up. */
  readonly turn?: number;
  readonly taper?: Taper;
  /** How far the halves of a control are apart: the share of its value and of its turn between the first and the last. */
  readonly tracking?: number;
  /** What a part is of what it should be, by its id: 1.05 for one that is 5 % over. */
  readonly partTimes?: ReadonlyMap<string, number>;
  /** What is looked at otherwise than it is known, in the units of the table of facts. */
  readonly facts?: KnownFacts;
}
