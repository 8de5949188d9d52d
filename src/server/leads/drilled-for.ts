import type { Assembly } from '../../core/assembly';
import { drillingOf, type BoxInside, type Drilling } from '../../core/drilling';
import type { Result } from '../../core/quantity';

/** Where a box is drilled; of one that is too small how large it would have to be, which takes seconds. */
export const drilledFor = ({
  assembly,
  box,
}: {
  readonly assembly: Assembly;
  readonly box: BoxInside;
}): Result<Drilling> => drillingOf(assembly, box);
