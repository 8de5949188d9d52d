import { program, type Program } from './program';

/** How far an unknown may be from a whole number and be one. */
const WHOLE = 1e-6;

/** So many branches one under the other at the most: a sum that is off by its own rounding would be branched on for ever. */
const MOST_DEEP = 400;

/** A program in whole numbers: the least of c·x where a·x ≤ b for each row, and no x is below 0. */
export interface WholeProgram {
  /** None below 0. */
  readonly costs: readonly number[];
  readonly rows: readonly { readonly a: readonly number[]; readonly b: number }[];
  /** Only what costs no more than this is looked for. */
  readonly upTo: number;
  /** What every answer costs is a multiple of this; 0 where nothing is known of that. */
  readonly step: number;
  /** All unknowns together are no more than this in any answer. */
  readonly many: number;
  /** Sums of unknowns that are whole in every answer: they are branched on before single unknowns. */
  readonly sums?: readonly (readonly number[])[];
  /** So many linear programs are solved at the most. */
  readonly nodes: number;
  readonly mayGoOn: () => boolean;
}

export interface WholeAnswer {
  /** The cheapest that was found. */
  readonly x?: readonly number[];
  readonly value: number;
  /** Whether nothing is cheaper: with no `x`, whether there is none. */
  readonly isProven: boolean;
}

/** The unknown that lacks least to the next whole number; −1 where all are whole. */
function mostBroken(x: readonly number[]): number {
  let at = -1;
  let most = WHOLE;
  for (let n = 0; n < x.length; n++) {
    const value = x[n] as number;
    const over = value - Math.floor(value + WHOLE);
    if (over > most) [at, most] = [n, over];
  }
  return at;
}

/** The sum that is farthest from whole, with its value; the earlier of two that are as far. */
function brokenSum(
  x: readonly number[],
  sums: readonly (readonly number[])[],
): { readonly sum: readonly number[]; readonly value: number } | undefined {
  const support = [...x.keys()].filter((n) => (x[n] as number) > WHOLE);
  let best: { readonly sum: readonly number[]; readonly value: number } | undefined;
  let most = 1e-5;
  for (const sum of sums) {
    let value = 0;
    for (const n of support) value += (sum[n] as number) * (x[n] as number);
    const far = Math.abs(value - Math.round(value));
    if (far > most + 1e-9) [best, most] = [{ sum, value }, far];
  }
  return best;
}

/**
 * The cheapest whole answer of a program, by branch and bound on its linear programs, each mended from the one before (Land
 * and Doig; Dakin’s branching on one unknown). More of an unknown is tried before less.
 */
export function leastWhole({
  costs,
  rows,
  upTo,
  step,
  many,
  sums = [],
  nodes: most,
  mayGoOn,
}: WholeProgram): WholeAnswer {
  // A little on top of each, so that no two ways cost the same: many that do stall a simplex. Of all together less than a fifth of a step.
  const little = step > 0 ? step / Math.max(2000, 10 * many) : 0;
  const root = program(costs.map((cost, n) => cost + little * (0.5 + ((n * 0.6180339887) % 1))));
  for (const { a, b } of rows) root.add(a, b);
  root.add(
    costs.map(() => 1),
    many,
  );
  let best: readonly number[] | undefined;
  let value = Infinity;
  let isWhole = true;
  let nodes = 0;
  // Above this it is no better: values are rounded up to a step, but for what was put on top.
  const above = (): number => {
    const limit = best === undefined ? upTo : Math.min(upTo, value - step);
    return step > 0
      ? (Math.floor(limit / step + 1e-6) + 0.2) * step
      : limit - (best === undefined ? 0 : 1e-6) + 1e-9;
  };
  const unit = (at: number, is: number): number[] => costs.map((_, n) => (n === at ? is : 0));
  const look = (node: Program, deep: number): void => {
    if (nodes++ >= most || deep > MOST_DEEP || !mayGoOn()) isWhole = false;
    if (!isWhole) return;
    const ended = node.solve({ mayGoOn, above: above() });
    if (ended === 'stopped') isWhole = false;
    if (ended !== 'optimal' || node.value() > above()) return;
    const x = node.unknowns();
    const go = (row: readonly number[], limit: number): void => {
      if (!isWhole || node.value() > above()) return;
      const branch = node.copy(above() - node.value());
      branch.add(row, limit);
      look(branch, deep + 1);
    };
    const broken = brokenSum(x, sums);
    if (broken) {
      const { sum, value: is } = broken;
      const down = Math.floor(is);
      const less = (): void => go(sum, down);
      const more = (): void =>
        go(
          sum.map((each) => -each),
          -(down + 1),
        );
      for (const side of is - down > 0.5 ? [more, less] : [less, more]) side();
      return;
    }
    const at = mostBroken(x);
    if (at < 0) {
      best = x.map(Math.round);
      value = best.reduce((sum, many, n) => sum + many * (costs[n] ?? 0), 0);
      return;
    }
    const down = Math.floor((x[at] as number) + WHOLE);
    const more = node.copy(above() - node.value());
    more.raise(at, down + 1);
    look(more, deep + 1);
    go(unit(at, 1), down);
  };
  look(root, 0);
  return { ...(best ? { x: best } : {}), value, isProven: isWhole };
}
