import type { Check } from './check';
import type { Hypothesis, Interval } from './proof';

/** Of so many that are left the whole of what follows is looked at; of more only the next step. */
const FEW = 24;
/** So many checks are followed to the end, those that tell most apart first. */
const FOLLOWED = 8;

/** What a check says of each that is left, by number: what cannot be told apart, one by one, has the same. */
function numbered(answers: readonly Interval[]): readonly number[] {
  const order = answers.map((each, n) => ({ ...each, n })).sort((a, b) => a.from - b.from);
  const numbers = answers.map(() => 0);
  let [number, reach] = [0, Number.NEGATIVE_INFINITY];
  for (const { from, to, n } of order) {
    if (from > reach) number++;
    reach = Math.max(reach, to);
    numbers[n] = number;
  }
  return numbers;
}

/** What is left after each answer. */
function parted(left: readonly number[], says: readonly number[]): readonly (readonly number[])[] {
  const parts = new Map<number, number[]>();
  for (const n of left) {
    const part = parts.get(says[n] ?? 0);
    if (part) part.push(n);
    else parts.set(says[n] ?? 0, [n]);
  }
  return [...parts.values()];
}

/**
 * The check that tells most apart, by all that follows from it where few are left; undefined when none tells any. Found by it, a fault takes as many
 * checks as by the best tree of checks there is, within a twentieth, wherever the whole tree can be worked out.
 */
export function bestSplit(checks: readonly Check[], possible: readonly Hypothesis[]): Check | undefined {
  if (possible.length < 2) return undefined;
  const widest = widestApart(checks, possible);
  if (!widest || possible.length > FEW) return widest;
  const weights = possible.map(weightOf);
  const sum = (left: readonly number[]): number => left.reduce((all, n) => all + (weights[n] ?? 0), 0);
  const columns = new Map<string, { readonly check: Check; readonly says: readonly number[] }>();
  for (const check of checks) {
    const says = numbered(possible.map((each) => each.reads(check)));
    const key = says.join();
    if (says.some((each) => each !== says[0]) && !columns.has(key)) columns.set(key, { check, says });
  }
  const all = [...columns.values()];
  /** The less, the more is told apart at the next step. */
  const alike = (parts: readonly (readonly number[])[]): number =>
    parts.reduce((squares, part) => squares + sum(part) ** 2, 0);
  /** How many checks follow, going for what tells most apart at each step, times how often. */
  const follows = (left: readonly number[]): number => {
    if (left.length < 2) return 0;
    let [best, least]: [readonly (readonly number[])[], number] = [[], Number.POSITIVE_INFINITY];
    for (const { says } of all) {
      const parts = parted(left, says);
      if (parts.length < 2) continue;
      const squares = alike(parts);
      if (squares < least) [best, least] = [parts, squares];
    }
    return best.length < 2 ? 0 : best.reduce((more, part) => more + follows(part), sum(left));
  };
  const everyone = possible.map((_, n) => n);
  const tried = all
    .map(({ check, says }) => ({ check, parts: parted(everyone, says) }))
    .map((each) => ({ ...each, squares: alike(each.parts) }))
    .sort((a, b) => a.squares - b.squares)
    .slice(0, FOLLOWED)
    .map(({ check, parts }) => ({ check, more: parts.reduce((more, part) => more + follows(part), 0) }))
    .sort((a, b) => a.more - b.more);
  return tried[0]?.check ?? widest;
}

/** The check that tells the greatest weight of pairs of hypotheses apart; undefined when none tells any. */
function widestApart(checks: readonly Check[], possible: readonly Hypothesis[]): Check | undefined {
  let best: Check | undefined;
  let most = 0;
  for (const check of checks) {
    const touched = possible.filter((each) => each.touches(check));
    if (touched.length === 0) continue;
    // What does not touch it reads as designed, all alike.
    const isTouched = new Set(touched);
    const untouched = possible.filter((each) => !isTouched.has(each));
    const [other] = untouched;
    const apart = weightApart([
      ...touched.map((each) => ({ ...each.reads(check), weight: weightOf(each) })),
      ...(other
        ? [
            {
              ...other.reads(check),
              weight: untouched.reduce((sum, each) => sum + weightOf(each), 0),
            },
          ]
        : []),
    ]);
    if (apart > most * 1.000001) {
      most = apart;
      best = check;
    }
  }
  return best;
}

const weightOf = ({ fault }: Hypothesis): number => fault?.weight ?? 1;

/** The weight of all pairs of answers that cannot be the same: of each, what lies wholly above it. */
function weightApart(answers: readonly (Interval & { readonly weight: number })[]): number {
  const byFrom = [...answers].sort((a, b) => b.from - a.from);
  const byTo = [...answers].sort((a, b) => b.to - a.to);
  let above = 0;
  let next = 0;
  let apart = 0;
  for (const each of byTo) {
    for (let higher = byFrom[next]; higher && higher.from > each.to; higher = byFrom[++next])
      above += higher.weight;
    apart += each.weight * above;
  }
  return apart;
}
