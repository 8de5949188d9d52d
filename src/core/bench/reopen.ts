import { spanOfCut } from './operations/cut';
import type { Operation } from './types';

/**
 * Whether what is done at a later step hangs on an earlier one, and has to be done again with it. Joints are soldered in an order
 * so that none is in the way of the next: one that is made anew leaves the others what they are. What was seen while one end was
 * open stands though a joint at another end is made anew: nobody opens it for that. What is on at one end needs nothing of another
 * that is soldered already, and what is glued shut stays shut though the lead is proven anew.
 */
export const hangsOn = (later: Operation, earlier: Operation): boolean =>
  !(later.kind === 'solder' && earlier.kind === 'solder') &&
  !(later.kind === 'measure' && earlier.end !== undefined && earlier.end !== later.end) &&
  !(earlier.kind === 'thread' && earlier.end !== later.end) &&
  !(later.kind === 'seal' && earlier.kind === 'prove');

/** The ends that are cut off and made anew: glued shut, with something inside that is done again. */
export const cutOff = (again: readonly Operation[]): readonly string[] =>
  again.flatMap(({ kind, end }) =>
    kind === 'seal' && end !== undefined && again.some((op) => op.end === end && op.kind !== 'seal')
      ? [end]
      : [],
  );

/**
 * What is made of new stuff when these steps are done again: the cables that are cut anew, by their spans, and the ends whose plug
 * was glued shut.
 */
export const madeAnew = (
  again: readonly Operation[],
): { readonly spans: readonly string[]; readonly ends: readonly string[] } => ({
  spans: again.flatMap(({ kind, id }) => (kind === 'cut' ? [spanOfCut(id)] : [])),
  ends: cutOff(again),
});

/**
 * What is done again where a step was not right: it and every done step that hangs on it, in the order in which they are taken
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
  const again = new Map(operations.filter(({ id }) => id === step).map((op) => [op.id, op]));
  // Those that wait for one another stand in their order: what waits for a step that is taken back comes after it.
  const grow = (): void => {
    for (const op of operations)
      if (
        done.has(op.id) &&
        [...(before.get(op.id) ?? [])].some((each) => {
          const earlier = again.get(each);
          return earlier !== undefined && hangsOn(op, earlier);
        })
      )
        again.set(op.id, op);
  };
  grow();
  // A plug that was glued shut is cut off: all of its end is made anew, with a new one.
  for (const end of cutOff([...again.values()]))
    for (const op of operations) if (op.end === end && done.has(op.id)) again.set(op.id, op);
  grow();
  return operations.filter(({ id }) => again.has(id)).reverse();
}
