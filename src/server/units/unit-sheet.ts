import type { BenchEvent } from '../../core/bench';
import type { Lead } from '../../core/lead';
import type { Schools } from '../../core/wiring';
import type { StoredReading, StoredUnit } from './rows';

export interface UnitSheet extends StoredUnit, Since {
  /** The revision that it is pinned to. */
  readonly lead: Lead;
  /** How it is built: the answer to every school. */
  readonly schools: Schools;
}

/** What happened to a unit after a place among all that happened, and the place that it comes to. */
export interface Since {
  readonly events: readonly BenchEvent[];
  readonly readings: readonly StoredReading[];
  /** The last place: what comes later is asked for after it. */
  readonly place: number;
}
