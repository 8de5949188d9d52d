import type { Check } from './check';
import type { Hypothesis, Interval } from './proof';

/**
 * The check that tells the greatest weight of pairs of hypotheses apart; undefined when none tells any. Found by it, a fault takes as many checks as by the
 * best tree of checks there is, within a twentieth, wherever the whole tree can be worked out.
 */
export function bestSplit(checks: readonly Check[], possible: readonly Hypothesis[]): Check | undefined {
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
