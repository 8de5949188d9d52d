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
  const all = strips(assembly, schools);
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
              strips: all.filter((each) => each.end === end.id),
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
  readonly earlier: Operation;
  readonly by: Constraint;
}

/** For each operation, those that must be done before it with the constraint that says so, in the order of the operations. */
export function placements(
  { operations, rank }: ReturnType<typeof operationsOf>,
  constraints: readonly Constraint[] = CONSTRAINTS,
): ReadonlyMap<string, readonly Placed[]> {
  const place = new Map(operations.map((op, n) => [op, n]));
  const ofKind = grouped(operations, (op) => op.kind);
  const atEnd = grouped(operations, (op) => `${op.kind} ${op.end ?? ''}`);
  return new Map(
    operations.map((later) => {
      const before = new Map<Operation, Constraint>();
      for (const by of constraints) {
        const { earlier, later: of, atOneEnd, when } = by;
        if (!of.includes(later.kind)) continue;
        for (const kind of earlier)
          for (const op of (atOneEnd ? atEnd.get(`${kind} ${later.end ?? ''}`) : ofKind.get(kind)) ?? [])
            if (!before.has(op) && (!when || when(op, later, rank))) before.set(op, by);
      }
      return [
        later.id,
        [...before]
          .sort(([one], [other]) => (place.get(one) ?? 0) - (place.get(other) ?? 0))
          .map(([earlier, by]) => ({ earlier, by })),
      ];
    }),
  );
}

/** For each operation, the ids of those that must be done before it, in the order of the operations. */
export const prerequisites = (
  all: ReturnType<typeof operationsOf>,
  constraints: readonly Constraint[] = CONSTRAINTS,
): ReadonlyMap<string, ReadonlySet<string>> =>
  new Map(
    [...placements(all, constraints)].map(([id, placed]) => [
      id,
      new Set(placed.map(({ earlier }) => earlier.id)),
    ]),
  );

function grouped<T>(items: readonly T[], key: (item: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
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
  before: ReturnType<typeof prerequisites>,
): readonly Operation[] {
  const ends = new Map([...new Set(operations.flatMap((op) => op.end ?? []))].map((end, n) => [end, n]));
  const left = new Map(operations.map((op) => [op.id, before.get(op.id)?.size ?? 0]));
  const after = new Map<string, Operation[]>();
  for (const later of operations)
    for (const earlier of before.get(later.id) ?? [])
      if (!after.get(earlier)?.push(later)) after.set(earlier, [later]);
  // Threading first, then what is at the end at hand, then by end, by the course of the work, and as they were made.
  const kinds = OPERATION_KINDS.length;
  const count = operations.length;
  const elsewhere = (ends.size + 1) * kinds * count;
  const natural = new Map(
    operations.map((op, n) => {
      const end = op.end === undefined ? 0 : 1 + (ends.get(op.end) ?? 0);
      const course = (end * kinds + OPERATION_KINDS.indexOf(op.kind)) * count + n;
      return [op, (EARLY.has(op.kind) ? 0 : 2 * elsewhere) + course];
    }),
  );
  const ready = new Set(operations.filter((op) => left.get(op.id) === 0));
  const order: Operation[] = [];
  while (order.length < operations.length) {
    const last = order.at(-1)?.end;
    let next: { readonly op: Operation; readonly key: number } | undefined;
    for (const op of ready) {
      const key = (natural.get(op) ?? 0) + (op.end === last ? 0 : elsewhere);
      if (!next || key < next.key) next = { op, key };
    }
    if (!next)
      throw new Error(
        `constraints go round in a circle among ${operations
          .filter((op) => !order.includes(op))
          .map((op) => op.id)
          .join(', ')}`,
      );
    ready.delete(next.op);
    order.push(next.op);
    for (const later of after.get(next.op.id) ?? []) {
      const still = (left.get(later.id) ?? 0) - 1;
      left.set(later.id, still);
      if (still === 0) ready.add(later);
    }
  }
  return order;
}

/** The operations of a lead in their order: see {@link ordered}. */
export function sequence(assembly: Dressed, schools: Schools): readonly Operation[] {
  const all = operationsOf(assembly, schools);
  return ordered(all, prerequisites(all));
}
