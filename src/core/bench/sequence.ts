import { connectorOf, placeOf, type Assembly, type Body, type Joint } from '../assembly';
import { strips } from '../cutting';
import type { Dressed } from '../dressing';
import type { Check } from '../proving';
import type { Schools } from '../wiring';
import { CONSTRAINTS } from './constraints';
import {
  AT_EACH_END,
  cut,
  finish,
  label,
  leftOver,
  measure,
  part,
  prove,
  pull,
  shrinkSplits,
} from './operations';
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
      return connector
        ? [
            {
              assembly,
              schools,
              body,
              end,
              connector,
              strips: all.filter((each) => each.end === end.id),
              order: solderOrder(assembly, body, connector, schools),
            },
          ]
        : [];
    }),
  );
  const ranks = new Map<string, number>(
    places.flatMap((place) => place.order.map((joint, n) => [`solder-${joint.id}`, n] as const)),
  );
  const operations = [
    ...cut(assembly, schools),
    ...part(assembly, schools),
    ...pull(assembly),
    ...places.flatMap((place) =>
      AT_EACH_END.flatMap((make) => make(place)).map((op) =>
        place.end.madeOn === 'site' ? { ...op, site: true } : op,
      ),
    ),
    ...finish(assembly, schools),
    ...measure(assembly, schools, checks),
    ...shrinkSplits(assembly, schools),
    prove(assembly, schools),
  ];
  const put = new Set(operations.flatMap(({ dressings = [] }) => dressings));
  return {
    operations: [...operations, label(assembly, schools, leftOver(assembly, put))],
    rank: (op) => ranks.get(op.id) ?? 0,
  };
}

/** In a body with several ends a joint is made where its first contact is; in the air, at the first end. */
function endThatHolds(assembly: Assembly, body: Body, joint: Joint): string | undefined {
  for (const terminal of joint.terminals) {
    const place = placeOf(assembly, terminal);
    if (place?.kind === 'contact') return place.end.id;
  }
  return body.ends[0]?.id;
}

/** For each operation, the ids of those that must be done before it, in the order of the operations. */
export function prerequisites(
  { operations, rank }: ReturnType<typeof operationsOf>,
  constraints: readonly Constraint[] = CONSTRAINTS,
): ReadonlyMap<string, ReadonlySet<string>> {
  const place = new Map(operations.map((op, n) => [op, n]));
  const ofKind = grouped(operations, (op) => op.kind);
  const atEnd = grouped(operations, (op) => `${op.kind} ${op.end ?? ''}`);
  return new Map(
    operations.map((later) => {
      const before = new Set<Operation>();
      for (const { earlier, later: of, atOneEnd, when } of constraints) {
        if (!of.includes(later.kind)) continue;
        for (const kind of earlier)
          for (const op of (atOneEnd ? atEnd.get(`${kind} ${later.end ?? ''}`) : ofKind.get(kind)) ?? [])
            if (!when || when(op, later, rank)) before.add(op);
      }
      const inOrder = [...before].sort((a, b) => (place.get(a) ?? 0) - (place.get(b) ?? 0));
      return [later.id, new Set(inOrder.map((op) => op.id))];
    }),
  );
}

function grouped<T>(items: readonly T[], key: (item: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return groups;
}

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
      return [op, (op.kind === 'thread' ? 0 : 2 * elsewhere) + course];
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
