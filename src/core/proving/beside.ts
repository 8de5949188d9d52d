import { formatResistance } from '../quantity';
import type { Answer } from './answer';

/** Between two leads made alike a good path differs by less, Ω: what a reading may move while it is wiggled (from memory). */
const MAY_DIFFER = 0.1;
/** Or by less than this share, where there are parts of a tolerance inside. */
const SHARE = 0.1;

/**
 * How a reading lies beside that of a lead made alike that is proven, where the two are further apart than two good ones are; nothing where they agree,
 * or where no figure was read. Within the limits it may be all the same: what two leads do alike, right or wrong, does not show.
 */
export function sayBeside(answer: Answer, known: number): string | undefined {
  if (answer.kind !== 'ohms' || !Number.isFinite(answer.ohms)) return undefined;
  const more = answer.ohms - known;
  if (Math.abs(more) <= Math.max(MAY_DIFFER, SHARE * known)) return undefined;
  return `${formatResistance(Math.abs(more))} ${more > 0 ? 'more' : 'less'}`;
}
