import type { Assembly, Dressing } from '../assembly';
import type { Strip } from '../cutting';
import type { Situation } from '../situation';
import type { Schools } from '../wiring';

/** What a rule of dressing looks at. */
export interface Bare {
  readonly assembly: Assembly;
  readonly use: Situation | undefined;
  readonly schools: Schools;
  readonly strips: readonly Strip[];
}

/** One reason for a dressing: what a lead of this kind gets put on it. One is added by its file and its line. */
export interface DressingRule {
  readonly id: string;
  readonly source: string;
  readonly dress: (bare: Bare) => readonly Dressing[];
}
