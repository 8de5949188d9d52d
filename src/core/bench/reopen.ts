import type { Operation } from './types';

/**
 * What is done again where a step was not right: it and every done step that waits for it, in the order in which they are taken
 * back, the last first. Nothing where the step is not done.
 *
 *     reopened(course, new Set(['strip A', 'solder A', 'inspect A']), 'solder A'); // → inspect A, solder A
 */
export function reopened(
  {
    operations,
    before,
  }: {
    readonly operations: readonly Operation[];
    readonly before: ReadonlyMap<string, ReadonlySet<string>>;
  },
  done: ReadonlySet<string>,
  step: string,
): readonly Operation[] {
  if (!done.has(step)) return [];
  const again = new Set([step]);
  // Those that wait for one another stand in their order: what waits for a step that is taken back comes after it.
  for (const { id } of operations)
    if (done.has(id) && [...(before.get(id) ?? [])].some((each) => again.has(each))) again.add(id);
  return operations.filter(({ id }) => again.has(id)).reverse();
}
