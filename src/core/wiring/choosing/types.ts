import type { Assembly } from '../../assembly';
import type { CableEntry } from '../../catalogue';
import type { Offer } from '../offers';
import type { Ask } from '../types';
import type { Reason } from './reason';

/** A cable in this lead, wired as it would be: what a criterion looks at. */
export interface Candidate {
  readonly ask: Ask;
  readonly cable: CableEntry;
  readonly offer: Offer;
  readonly assembly: Assembly;
  /** Jacket of each span, m. */
  readonly metres: ReadonlyMap<string, number>;
}

/** One question that a builder asks of a cable before it is cut. */
export interface Criterion {
  readonly id: string;
  readonly what: string;
  readonly source: string;
  /** What there is to say; nothing where it makes no difference to this lead. */
  readonly judge: (candidate: Candidate) => Omit<Reason, 'id' | 'source'> | undefined;
}
