import type { Assembly } from '../assembly';
import type { Fault } from '../proving';
import { reopened } from './reopen';
import type { Operation } from './types';

/**
 * The steps that mend a fault: the joints at the place where it is, of the metal that it has to do with, and every done step that
 * waits for one of them, in the order in which they are taken back, the last first. Nothing where no joint mends it: a core
 * that is broken along the cable.
 *
 *     mendingOf(assembly, course, done, fault).at(-1)?.title; // → “Solder white to contact 2 at end A”
 */
export function mendingOf(
  assembly: Assembly,
  course: Parameters<typeof reopened>[0],
  done: ReadonlySet<string>,
  { place, near }: Pick<Fault, 'place' | 'near'>,
): readonly Operation[] {
  const joints = new Set(
    assembly.bodies
      .filter(({ id }) => id === place)
      .flatMap((body) => body.joints)
      .filter(({ terminals }) => terminals.some((each) => near.includes(each)))
      .map(({ id }) => id),
  );
  const again = new Set(
    course.operations
      .filter(({ joint }) => joint !== undefined && joints.has(joint))
      .flatMap(({ id }) => reopened(course, done, id).map((step) => step.id)),
  );
  return course.operations.filter(({ id }) => again.has(id)).reverse();
}
