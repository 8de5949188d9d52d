import type { Assembly } from '../../assembly';
import type { Situation } from '../../situation';
import type { Trial } from '../check';
import type { Variant } from '../faults';

/** A test or a look of a lead, with what it would say of the same lead built otherwise. */
export interface Tried {
  readonly trial: Trial;
  /** Whether the answer of a lead that was built so is yes; nothing where it cannot be told. */
  readonly answers: (built: Variant) => boolean | undefined;
}

/** The functional tests of a lead. */
export type TestsOf = (assembly: Assembly, situation: Situation | undefined) => readonly Tried[];

/** One kind of functional test: those of it that a lead asks for. */
export type TestKind = (assembly: Assembly, situation: Situation | undefined) => readonly Tried[];
