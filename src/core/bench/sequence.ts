import { connectorOf, placeOf, type Assembly, type Body, type Joint } from '../assembly';
import { strips } from '../cutting';
import type { Dressed } from '../dressing';
import type { Check } from '../proving';
import type { Schools } from '../wiring';
import { CONSTRAINTS } from './constraints';
import {
  AT_EACH_END,
  braid,
  closeBodies,
  cut,
  drillBoxes,
  finish,
  label,
  leftOver,
  measure,
  part,
  prove,
  pull,
  shrinkSplits,
} from './operations';
import { isMade } from './made';
import { solderOrder } from './solder-order';
import { OPERATION_KINDS, type Constraint, type Operation, type Workplace } from './types';

/** Every operation of a lead that is dressed, and of its proof, in no order that means anything, with the rank of each joint in its end's soldering. */
export function operationsOf(
  assembly: Dressed,
  schools: Schools,
  checks: readonly Check[] = [],
): { readonly operations: readonly Operation[]; readonly rank: (op: Operation) => number } {
  const stripped = grouped(strips(assembly, schools), ({ end }) => end);
  const places = assembly.bodies.flatMap((whole) =>
    whole.ends.flatMap((end): Workplace[] => {
      const connector = connectorOf(assembly, end);
      const body = {
        ...whole,
        joints: whole.joints.filter((joint) => endThatHolds(assembly, whole, joint) === end.id),
      };
      return connector && isMade(assembly, body)
        ? [
            {
              assembly,
              schools,
              body,
              end,
              connector,
              strips: stripped.get(end.id) ?? [],
              order: solderOrder(assembly, body, connector, schools),
              before: jointsBefore(assembly, whole, end),
            },
          ]
        : [];
    }),
  );
  // Parts are joined to cores in the air, then their far legs are made ready, then come the cups, and last what goes over them.
  const ranks = new Map<string, number>(
    places.flatMap(({ order, end, body }) => [
      ...order.map((joint, n) => [`solder-${joint.id}`, n] as const),
      [`twist-${end.id}`, order.filter(({ how }) => how === 'air').length - 0.5] as const,
      ...body.parts.map((each, n) => [`solder-over-${each.id}`, order.length + n] as const),
    ]),
  );
  const operations = [
    ...cut(assembly, schools),
    ...braid(assembly, schools),
    ...part(assembly, schools),
    ...drillBoxes(assembly, schools),
    ...pull(assembly),
    ...places.flatMap((place) =>
      AT_EACH_END.flatMap((make) => make(place)).map((op) =>
        place.end.madeOn === 'site' ? { ...op, site: true } : op,
      ),
    ),
    ...finish(assembly, schools),
    ...measure(assembly, schools, checks),
    ...shrinkSplits(assembly, schools),
    ...closeBodies(assembly, schools),
    prove(assembly, schools),
  ];
  const put = new Set(operations.flatMap(({ dressings = [] }) => dressings));
  return {
    operations: [...operations, label(assembly, schools, leftOver(assembly, put))],
    rank: (op) => ranks.get(op.id) ?? 0,
  };
}

/** The joints that are made at a body’s ends before this one. */
const jointsBefore = (assembly: Assembly, body: Body, { id }: Body['ends'][number]): readonly Joint[] => {
  const earlier = body.ends.slice(
    0,
    body.ends.findIndex((each) => each.id === id),
  );
  return body.joints.filter(
    (joint) => joint.how !== 'link' && earlier.some((end) => end.id === endThatHolds(assembly, body, joint)),
  );
};

/** In a body with several ends a joint is made where its first contact is; in the air, at the first end. */
function endThatHolds(assembly: Assembly, body: Body, joint: Joint): string | undefined {
  for (const terminal of joint.terminals) {
    const place = placeOf(assembly, terminal);
    if (place?.kind === 'contact') return place.end.id;
  }
  return body.ends[0]?.id;
}

/** What one operation has to wait for, and by which constraint. */
export interface Placed {
  /** Which of the operations it is. */
  readonly n: number;
  readonly earlier: Operation;
  readonly by: Constraint;
}

/**
 * What one operation has to wait for, in lists: operations that wait for the same share one list, as the joints of a loom
 * that all wait for everything to be threaded on. So it grows as the loom does, not as its square.
 */
export type Waits = readonly (readonly Placed[])[];

/** For each operation, what must be done before it with the constraint that says so; each list in the order of the operations. */
export function placements(
  { operations, rank }: ReturnType<typeof operationsOf>,
  constraints: readonly Constraint[] = CONSTRAINTS,
): ReadonlyMap<string, Waits> {
  const numbers = operations.map((_, n) => n);
  const ofKind = grouped(numbers, (n) => operations[n]?.kind ?? '');
  const atEnd = grouped(numbers, (n) => `${operations[n]?.kind} ${operations[n]?.end ?? ''}`);
  const forKind = grouped(
    constraints.flatMap((by) => [...new Set(by.later)].map((kind) => ({ kind, by }))),
    ({ kind }) => kind,
  );
  /** For which asking each was found last. */
  const foundFor = operations.map(() => 0);
  let asking = 0;
  const among = (
    later: Operation,
    earlierOf: (kind: Operation['kind']) => readonly number[] | undefined,
    holds: (by: Constraint) => ((earlier: Operation) => boolean) | undefined,
  ): readonly Placed[] => {
    asking++;
    const found: Placed[] = [];
    for (const { by } of forKind.get(later.kind) ?? []) {
      const isHeld = holds(by);
      if (!isHeld) continue;
      for (const kind of by.earlier)
        for (const n of earlierOf(kind) ?? []) {
          const earlier = operations[n];
          if (!earlier || foundFor[n] === asking || !isHeld(earlier)) continue;
          foundFor[n] = asking;
          found.push({ n, earlier, by });
        }
    }
    return found.sort((one, other) => one.n - other.n);
  };
  const shared = new Map<string, readonly Placed[]>();
  const once = (key: string, make: () => readonly Placed[]): readonly Placed[] => {
    const found = shared.get(key) ?? make();
    shared.set(key, found);
    return found;
  };
  return new Map(
    operations.map((later) => {
      const { kind, end, site, waits } = later;
      const whenever =
        ({ when }: Constraint) =>
        (earlier: Operation): boolean =>
          !when || when(earlier, { site, waits, isAtAnEnd: end !== undefined });
      const alike = `${kind} ${end !== undefined} ${site === true} ${waits === true}`;
      const here = (each: Operation['kind']) => atEnd.get(`${each} ${end ?? ''}`);
      const lists = [
        once(alike, () =>
          among(
            later,
            (each) => ofKind.get(each),
            (by) => (by.ranked || by.atOneEnd ? undefined : whenever(by)),
          ),
        ),
        once(`${alike} at ${end ?? ''}`, () =>
          among(later, here, (by) => {
            if (by.ranked) return undefined;
            if (by.orAtOneEnd) return () => true;
            return by.atOneEnd ? whenever(by) : undefined;
          }),
        ),
        among(later, here, (by) => (by.ranked ? (earlier) => rank(earlier) < rank(later) : undefined)),
      ];
      return [later.id, lists.filter(({ length }) => length > 0)];
    }),
  );
}

/** For each operation, the ids of those that must be done before it. */
export const prerequisites = (
  all: ReturnType<typeof operationsOf>,
  constraints: readonly Constraint[] = CONSTRAINTS,
): ReadonlyMap<string, ReadonlySet<string>> => idsOf(placements(all, constraints));

/** The ids of what each waits for. */
export const idsOf = (waits: ReadonlyMap<string, Waits>): ReadonlyMap<string, ReadonlySet<string>> =>
  new Map(
    [...waits].map(([id, lists]) => [
      id,
      new Set(lists.flatMap((placed) => placed.map(({ earlier }) => earlier.id))),
    ]),
  );

function grouped<T>(items: readonly T[], keyOf: (item: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

/** What is done before any end is worked on by itself. */
const EARLY: ReadonlySet<Operation['kind']> = new Set(['open', 'unsolder', 'drill', 'thread', 'feed']);

/**
 * The operations in an order that meets every constraint. Where the constraints leave a choice, stay at the end at
 * hand, so that the lead is turned round as seldom as possible, and go by the natural course of the work.
 * Throws if the constraints contradict each other, which is a mistake in them.
 */
export function ordered(
  { operations }: ReturnType<typeof operationsOf>,
  waits: ReadonlyMap<string, Waits>,
): readonly Operation[] {
  const ends = new Map([...new Set(operations.flatMap((op) => op.end ?? []))].map((end, n) => [end, n + 1]));
  // Who waits for a list waits for it as one: it is done when the last in it is.
  const lists = [...new Set([...waits.values()].flat())];
  const whole = new Map(lists.map((list, n) => [list, n]));
  const undone = lists.map(({ length }) => length);
  const waiting: number[][] = lists.map(() => []);
  const left = operations.map(({ id }, n) => {
    const own = new Set(waits.get(id));
    for (const list of own) waiting[whole.get(list) ?? -1]?.push(n);
    return own.size;
  });
  const within: number[][] = operations.map(() => []);
  for (const [n, list] of lists.entries()) for (const { n: earlier } of list) within[earlier]?.push(n);
  // Threading first, then what is at the end at hand, then by end, by the course of the work, and as they were made.
  const kinds = OPERATION_KINDS.length;
  const count = operations.length;
  const elsewhere = (ends.size + 1) * kinds * count;
  const endOf = operations.map(({ end }) => (end === undefined ? 0 : (ends.get(end) ?? 0)));
  const natural = operations.map(
    ({ kind }, n) =>
      (EARLY.has(kind) ? 0 : 2 * elsewhere) +
      ((endOf[n] ?? 0) * kinds + OPERATION_KINDS.indexOf(kind)) * count +
      n,
  );
  // What is ready, everywhere and by end, the first of its natural course last.
  const all: number[] = [];
  const ready: number[][] = Array.from({ length: ends.size + 1 }, () => []);
  const course = (n: number | undefined): number => natural[n ?? -1] ?? Infinity;
  /** Where in such a list something stands, or would stand. */
  const placeIn = (list: readonly number[], n: number): number => {
    let [low, high] = [0, list.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (course(list[middle]) > course(n)) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const makeReady = (n: number): void => {
    for (const list of [all, ready[endOf[n] ?? 0] ?? []]) list.splice(placeIn(list, n), 0, n);
  };
  for (const [n, waits] of left.entries()) if (waits === 0) makeReady(n);
  const order: Operation[] = [];
  let last = 0;
  while (order.length < count) {
    const [here, any] = [ready[last]?.at(-1), all.at(-1)];
    const next = course(here) <= course(any) + elsewhere ? here : any;
    const op = operations[next ?? -1];
    if (next === undefined || !op)
      throw new Error(
        `constraints go round in a circle among ${operations
          .filter((each) => !order.includes(each))
          .map((each) => each.id)
          .join(', ')}`,
      );
    last = endOf[next] ?? 0;
    ready[last]?.pop();
    all.splice(placeIn(all, next), 1);
    order.push(op);
    for (const list of within[next] ?? []) {
      undone[list] = (undone[list] ?? 0) - 1;
      if (undone[list] === 0)
        for (const later of waiting[list] ?? []) {
          left[later] = (left[later] ?? 0) - 1;
          if (left[later] === 0) makeReady(later);
        }
    }
  }
  return order;
}

/** The operations of a lead in their order: see {@link ordered}. */
export function sequence(assembly: Dressed, schools: Schools): readonly Operation[] {
  const all = operationsOf(assembly, schools);
  return ordered(all, placements(all));
}
