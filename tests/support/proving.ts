import {
  answerOf,
  answersOf,
  judge,
  type Answer,
  type Check,
  type Proof,
  type Proven,
  type Reading,
  type Variant,
  type Verdict,
} from '../../src/core/proving';

/** More answers than this and something goes round in a circle. */
const MOST = 1000;

/** Answers as a builder would, whatever is asked for, until there is a verdict. */
export function work(
  proof: Proof,
  answer: (check: Check) => Answer,
): { readonly verdict: Verdict; readonly readings: readonly Reading[] } {
  const readings: Reading[] = [];
  for (let step = 0; step < MOST; step++) {
    const verdict = judge(proof, readings);
    if (!verdict.next) return { verdict, readings };
    readings.push({ probe: verdict.next.id, answer: answer(verdict.next) });
  }
  throw new Error('no end to the probes');
}

/** What a lead that was built so answers to the checks of another, as the meter would show it. */
export const builtAs = (lead: Proven, proof: Proof, built: Variant): ((check: Check) => Answer) => {
  const says = answersOf(lead, proof, built);
  return (check) => answerOf(check, says(check));
};
