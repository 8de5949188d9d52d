import fc from 'fast-check';
import type { CutPlan, CutProblem } from '../../src/core/stock';
import { columnOf, type Column, type Sort } from '../../src/core/stock/columns';
import { weightOf, type Model } from '../../src/core/stock/model';
import { mayBeIn, type Level } from '../../src/core/stock/pricing';

/** How good an answer is, from the answer and the problem alone: cuts made, reels, waste, longest rest. */
export function worthOf(
  { kerfMm = 0, leastOffcutMm = 0, stock, cuts }: CutProblem,
  pieces: CutPlan['pieces'],
): readonly number[] {
  let [made, reels, waste, longest] = [0, 0, 0, 0];
  const used = new Map<string, number>();
  const from = new Map<string, Set<string>>();
  for (const { stock: id, cuts: of, restMm } of pieces) {
    const piece = stock.find((each) => each.id === id);
    if (!piece || piece.doNotCut || of.length === 0) throw new Error(`${id} may not be cut`);
    const sum = of.reduce((all, cut) => all + (cuts.find((each) => each.id === cut)?.mm ?? NaN) + kerfMm, 0);
    if (sum - kerfMm > piece.mm + 1e-6) throw new Error(`${id} is too short`);
    const rest = Math.max(0, piece.mm - sum);
    if (Math.abs(restMm - rest) > 1e-5) throw new Error(`${id} says another rest`);
    made += of.length;
    reels += piece.kind === 'reel' ? 1 : 0;
    waste += rest < leastOffcutMm - 1e-6 ? rest : 0;
    longest = Math.max(longest, rest);
    for (const cut of of) {
      used.set(cut, (used.get(cut) ?? 0) + 1);
      from.set(cut, (from.get(cut) ?? new Set()).add(id));
    }
  }
  if (new Set(pieces.map(({ stock: id }) => id)).size !== pieces.length) throw new Error('a piece twice');
  for (const { id, count, together } of cuts) {
    if ((used.get(id) ?? 0) > count) throw new Error(`${id} is cut too often`);
    if (together && (from.get(id)?.size ?? 0) > 1) throw new Error(`${id} is not together`);
  }
  return [made, reels, waste, longest];
}

/** Whether one worth is better than another, level by level. */
export const isBetter = (one: readonly number[], other: readonly number[]): boolean => {
  for (const [n, sign] of [1, -1, -1, 1].entries()) {
    const by = sign * ((one[n] ?? 0) - (other[n] ?? 0));
    if (Math.abs(by) > 1e-5) return by > 0;
  }
  return false;
};

/** Every way of putting each cut onto a piece, or onto none. */
export function byTrying(problem: CutProblem): readonly number[] {
  const { kerfMm = 0, stock, cuts } = problem;
  const all = cuts.flatMap(({ id, mm, count }) => Array.from({ length: count }, () => ({ id, mm })));
  const may = stock.filter(({ doNotCut }) => !doNotCut);
  const put: string[][] = may.map(() => []);
  const room = may.map(({ mm }) => mm + kerfMm);
  let best: readonly number[] = [0, 0, 0, 0];
  const from = (n: number): void => {
    const cut = all[n];
    if (!cut) {
      const pieces = may.flatMap(({ id, mm }, m) => {
        const of = put[m] ?? [];
        const sum = of.reduce(
          (sum, each) => sum + (cuts.find((one) => one.id === each)?.mm ?? 0) + kerfMm,
          0,
        );
        return of.length === 0 ? [] : [{ stock: id, cuts: of, restMm: Math.max(0, mm - sum) }];
      });
      if (
        cuts.some(
          ({ id, together }) => together && pieces.filter(({ cuts: of }) => of.includes(id)).length > 1,
        )
      )
        return;
      const worth = worthOf(problem, pieces);
      if (isBetter(worth, best)) best = worth;
      return;
    }
    for (const [m] of may.entries())
      if ((room[m] ?? 0) >= cut.mm + kerfMm - 1e-9) {
        room[m] = (room[m] ?? 0) - cut.mm - kerfMm;
        put[m]?.push(cut.id);
        from(n + 1);
        put[m]?.pop();
        room[m] = (room[m] ?? 0) + cut.mm + kerfMm;
      }
    from(n + 1);
  };
  from(0);
  return best;
}

/** Everything that may be cut from one piece of each sort, one by one; each also as the piece with the longest rest, where a plan may have it. */
export function allColumns(model: Model, sorts: readonly Sort[], level: Level): readonly Column[] {
  const counts = model.kinds.reduce<readonly (readonly number[])[]>(
    (before, { count, together }) =>
      before.flatMap((so) =>
        (together ? [0, count] : Array.from({ length: count + 1 }, (_, n) => n)).map((n) => [...so, n]),
      ),
    [[]],
  );
  return sorts.flatMap(({ piece }, sort) =>
    counts
      .filter((each) => each.some((count) => count > 0) && weightOf(model, each) <= piece.room + 1e-6)
      .flatMap((each) =>
        [false, true].map((isHolder) => columnOf(model, sorts, { sort, counts: each, isHolder })),
      )
      .filter((column) => (!column.isHolder || level.longerThan !== undefined) && mayBeIn(level, column)),
  );
}

/** Shelves and jobs so small that everything can be tried: two to four pieces, up to four lengths. */
export const smallShelves = ({
  kerfs = [0, 3],
  pieces = [1503, 2000, 2600, 3009],
  lengths = [300, 500, 700, 900, 1300],
  most = 3,
}: {
  readonly kerfs?: readonly number[];
  readonly pieces?: readonly number[];
  readonly lengths?: readonly number[];
  /** So many lengths at the most, and so many of each. */
  readonly most?: number;
} = {}) =>
  fc
    .record({
      kerfMm: fc.constantFrom(...kerfs),
      leastOffcutMm: fc.constantFrom(0, 300, 600),
      stock: fc.array(
        fc.record({
          mm: fc.constantFrom(...pieces),
          kind: fc.constantFrom('reel', 'reel', 'opened', 'offcut'),
        }),
        { minLength: 2, maxLength: 4 },
      ),
      cuts: fc.array(
        fc.record({
          mm: fc.constantFrom(...lengths),
          count: fc.integer({ min: 1, max: most }),
          together: fc.constantFrom(true, false, false),
        }),
        { minLength: 1, maxLength: most },
      ),
    })
    .map(named);

/** Of shelves of sixty pieces what a program proved that went through them piece by piece: reels, waste and longest rest, mm. The hard ones the linear program does not settle from nothing. */
export const PROVEN_SHELVES: readonly {
  readonly seed: number;
  readonly reel: number;
  readonly worth: readonly [reels: number, waste: number, longest: number];
  readonly hard?: true;
}[] = [
  { seed: 1, reel: 20_000, worth: [28, 0, 6622] },
  { seed: 2, reel: 20_000, worth: [22, 233, 2208] },
  { seed: 6, reel: 20_000, worth: [24, 39, 7943] },
  { seed: 1, reel: 50_000, worth: [13, 0, 12_497] },
  { seed: 4, reel: 50_000, worth: [9, 4, 2339] },
  { seed: 6, reel: 50_000, worth: [9, 0, 2035], hard: true },
  { seed: 8, reel: 50_000, worth: [11, 271, 6430] },
  { seed: 17, reel: 100_000, worth: [4, 10, 1329], hard: true },
];

/** A problem of generated stock and cuts, each with a name. */
export const named = ({
  stock,
  cuts,
  ...rest
}: Omit<CutProblem, 'version' | 'stock' | 'cuts'> & {
  readonly stock: readonly Omit<CutProblem['stock'][number], 'id'>[];
  readonly cuts: readonly Omit<CutProblem['cuts'][number], 'id'>[];
}): CutProblem => ({
  version: 1,
  ...rest,
  stock: stock.map((each, n) => ({ ...each, id: `s${n}` })),
  cuts: cuts.map((each, n) => ({ ...each, id: `c${n}` })),
});

/** A job of a day: reels of 100 m, some opened, some offcuts, so much of each length. */
export function dayOf(seed: number, kinds: number, each: number): CutProblem {
  let state = seed;
  const int = (from: number, to: number): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return from + Math.floor((state / 2 ** 32) * (to - from + 1));
  };
  const cuts = Array.from({ length: kinds }, (_, n) => ({
    id: `cut ${n}`,
    mm: int(800, 20_000),
    count: each,
  }));
  const piece = (kind: 'reel' | 'opened' | 'offcut', mm: number, n: number) => ({
    id: `${kind} ${n}`,
    mm,
    kind,
  });
  const stock = [0, 1, 2].map((n) => piece('opened', int(15_000, 90_000), n));
  stock.push(...[0, 1, 2, 3].map((n) => piece('offcut', int(1000, 15_000), n)));
  const need = cuts.reduce((sum, { mm, count }) => sum + mm * count, 0);
  const reels = Math.ceil(need / 85_000);
  stock.push(...Array.from({ length: reels }, (_, n) => piece('reel', 100_000, n)));
  return { version: 1, kerfMm: 0, leastOffcutMm: 600, stock, cuts } as CutProblem;
}

/** Sixty pieces of eight lengths from 0.5 to 15 m, and more reels than they take; opened ones and offcuts beside them. */
export function shelfOf(seed: number, reel: number): CutProblem {
  let state = (seed * 7919 + reel) >>> 0;
  const next = (): number => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  for (let n = 0; n < 5; n++) next();
  const int = (from: number, to: number): number => Math.round(from + next() * (to - from));
  const counts = Array.from({ length: 8 }, () => 1);
  for (let n = 0; n < 52; n++) {
    const at = Math.floor(next() * 8);
    counts[at] = (counts[at] ?? 0) + 1;
  }
  const cuts = counts.map((count, n) => ({ id: `cut ${n}`, mm: int(500, 15_000), count }));
  const need = cuts.reduce((sum, { mm, count }) => sum + mm * count, 0);
  const stock = [
    ...Array.from({ length: Math.ceil((need * 1.6) / reel) + 1 }, (_, n) => ({
      id: `reel ${n}`,
      mm: reel,
      kind: 'reel' as const,
    })),
    ...[0, 1].map((n) => ({ id: `opened ${n}`, mm: int(0.1 * reel, 0.8 * reel), kind: 'opened' as const })),
    ...[0, 1, 2, 3, 4].map((n) => ({ id: `offcut ${n}`, mm: int(700, 9000), kind: 'offcut' as const })),
  ];
  return { version: 1, kerfMm: 0, leastOffcutMm: 600, stock, cuts };
}
