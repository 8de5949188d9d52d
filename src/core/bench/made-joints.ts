import { jointsOf, type Assembly } from '../assembly';
import type { Operation } from './types';

/**
 * The ids of the joints that are made once these steps are done: each with its own; one that no step is of, such as the crimp of a tail that
 * comes made, with the last step of its body’s ends, or of the lead where those have none; what was there before is made from the beginning.
 */
export function madeJoints(
  { bodies }: Assembly,
  operations: readonly Pick<Operation, 'id' | 'end' | 'joint'>[],
  done: ReadonlySet<string>,
): ReadonlySet<string> {
  const isDone = ({ id }: { readonly id: string }): boolean => done.has(id);
  const ofStep = new Set(operations.flatMap(({ joint }) => joint ?? []));
  const made = operations.filter(isDone).flatMap(({ joint }) => joint ?? []);
  const others = bodies.flatMap((body) => {
    const own = operations.filter(({ end }) => body.ends.some(({ id }) => id === end));
    const isClosed = (own.length > 0 ? own : operations).every(isDone);
    const was = new Set((body.existing ?? []).map(({ id }) => id));
    return jointsOf(body).flatMap(({ id }) => (was.has(id) || (isClosed && !ofStep.has(id)) ? [id] : []));
  });
  return new Set([...made, ...others]);
}
