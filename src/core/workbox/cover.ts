import { program, type Program } from '../optimum';

/** What may be taken, what each of it can do, and what has to be done at once on each occasion. */
export interface Cover {
  /** By kind: which needs one of it can serve, one at a time, as positions in an occasion’s counts. */
  readonly serves: readonly (readonly number[])[];
  /** By kind: what one of it costs, more than nothing. */
  readonly costs: readonly number[];
  /** By occasion: how many of each need there are at once. */
  readonly occasions: readonly (readonly number[])[];
}

export interface Covered {
  /** How many of each kind; undefined where a need is served by no kind. */
  readonly counts?: readonly number[];
  /** Whether nothing cheaper can exist: false where it was stopped. */
  readonly optimal: boolean;
}

/** A search of so many programs is stopped: the best so far stands. */
const MOST_STEPS = 4000;
const NOTHING = 1e-7;

/** A way on which more can flow, to a kind that is not used up. */
interface Way {
  readonly end: number;
  readonly amount: number;
  /** By kind the need that it was reached from, and by need the kind whose flow is taken back. */
  readonly by: ReadonlyMap<number, number>;
  readonly back: ReadonlyMap<number, number>;
}

/** What of the needs of an occasion flows to kinds. */
interface Flow {
  readonly flow: readonly number[][];
  readonly used: number[];
  readonly open: number[];
}

/** The shortest way on which more can flow, or every kind that can be reached though all of them are used up. */
function wayOn(
  serves: readonly ReadonlySet<number>[],
  counts: readonly number[],
  { flow, used, open }: Flow,
): Way | ReadonlySet<number> {
  const seen = new Set(open.flatMap((left, need) => (left > NOTHING ? [need] : [])));
  const [by, back] = [new Map<number, number>(), new Map<number, number>()];
  for (const need of seen)
    for (const [kind, able] of serves.entries()) {
      if (!able.has(need) || by.has(kind)) continue;
      by.set(kind, need);
      const left = (counts[kind] ?? 0) - (used[kind] ?? 0);
      if (left > NOTHING)
        return { end: kind, amount: amountOf({ end: kind, amount: left, by, back }, flow, open), by, back };
      for (const [other, row] of flow.entries())
        if ((row[kind] ?? 0) > NOTHING && !seen.has(other)) {
          seen.add(other);
          back.set(other, kind);
        }
    }
  return new Set(by.keys());
}

/** Each need and kind of a way, from its end. */
function stepsOf({
  end,
  by,
  back,
}: Way): readonly { readonly need: number; readonly to: number; readonly from?: number }[] {
  const steps: { need: number; to: number; from?: number }[] = [];
  for (let kind: number | undefined = end; kind !== undefined;) {
    const need: number = by.get(kind) ?? 0;
    const from: number | undefined = back.get(need);
    steps.push({ need, to: kind, ...(from === undefined ? {} : { from }) });
    kind = from;
  }
  return steps;
}

const amountOf = (way: Way, flow: readonly number[][], open: readonly number[]): number =>
  stepsOf(way).reduce(
    (least, { need, from }) =>
      Math.min(least, from === undefined ? (open[need] ?? 0) : (flow[need]?.[from] ?? 0)),
    way.amount,
  );

/**
 * The kinds of which there are too few for the needs of an occasion, and how many of them it takes (Hall’s condition); undefined
 * where all are served. By the shortest ways (Edmonds and Karp).
 */
function lacking(
  serves: readonly ReadonlySet<number>[],
  counts: readonly number[],
  needs: readonly number[],
): { readonly kinds: ReadonlySet<number>; readonly atLeast: number } | undefined {
  const state: Flow = {
    flow: needs.map(() => counts.map(() => 0)),
    used: counts.map(() => 0),
    open: [...needs],
  };
  for (;;) {
    const way = wayOn(serves, counts, state);
    if (!('end' in way)) {
      const left = state.open.reduce((sum, each) => sum + each, 0);
      // What is needed of those kinds and of no other.
      const atLeast = needs.reduce(
        (sum, count, need) =>
          sum + (serves.every((able, kind) => !able.has(need) || way.has(kind)) ? count : 0),
        0,
      );
      return left > NOTHING ? { kinds: way, atLeast } : undefined;
    }
    state.used[way.end] = (state.used[way.end] ?? 0) + way.amount;
    for (const { need, to, from } of stepsOf(way)) {
      const row = state.flow[need] ?? [];
      row[to] = (row[to] ?? 0) + way.amount;
      if (from === undefined) state.open[need] = (state.open[need] ?? 0) - way.amount;
      else row[from] = (row[from] ?? 0) - way.amount;
    }
  }
}

/**
 * The cheapest numbers of each kind so that on every occasion all that is needed at once is served, each by its own: branch
 * and bound on a linear program that is told what it lacks, exact unless it is stopped.
 *
 *     cheapest({ serves: [[0], [1], [0, 1]], costs: [1, 1, 1], occasions: [[1, 0], [0, 1]] }).counts; // [0, 0, 1]
 */
export function cheapest({ serves: able, costs, occasions }: Cover): Covered {
  const serves = able.map((needs) => new Set(needs));
  let best: { readonly counts: readonly number[]; readonly cost: number } | undefined;
  let steps = 0;
  const lacks = (counts: readonly number[]) =>
    occasions.flatMap((needs) => lacking(serves, counts, needs) ?? []);
  const search = (at: Program): void => {
    for (;;) {
      if (++steps > MOST_STEPS || at.solve() !== 'optimal') return;
      if (best && at.value() > best.cost - NOTHING) return;
      const found = at.unknowns();
      const missing = lacks(found);
      if (missing.length === 0) {
        take(found.map((count) => Math.ceil(count - NOTHING)));
        return branch(at, found);
      }
      for (const { kinds, atLeast } of missing)
        at.add(
          serves.map((_, kind) => (kinds.has(kind) ? -1 : 0)),
          -atLeast,
        );
    }
  };
  const take = (counts: readonly number[]): void => {
    const cost = counts.reduce((sum, count, kind) => sum + count * (costs[kind] ?? 0), 0);
    if (!best || cost < best.cost - NOTHING) best = { counts, cost };
  };
  const branch = (at: Program, found: readonly number[]): void => {
    const apart = found.map((count) => Math.abs(count - Math.round(count)));
    const kind = apart.indexOf(Math.max(...apart));
    const count = found[kind] ?? 0;
    if ((apart[kind] ?? 0) < NOTHING) return;
    for (const [sign, limit] of [
      [-1, -Math.ceil(count)],
      [1, Math.floor(count)],
    ] as const) {
      const next = at.copy();
      next.add(
        serves.map((_, n) => (n === kind ? sign : 0)),
        limit,
      );
      search(next);
    }
  };
  search(program(costs));
  return { ...(best ? { counts: best.counts } : {}), optimal: steps <= MOST_STEPS };
}
