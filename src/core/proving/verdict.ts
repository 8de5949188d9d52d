import { heard, sayAnswer, type Answer, type Reading } from './answer';
import { isProbe, type Check } from './check';
import { sayExpectation } from './expectation';
import type { Fault } from './faults';
import { standsFor } from './probe';
import { overlap, type Hypothesis, type Proof } from './proof';
import { bestSplit } from './split';

/** Something that may be wrong for all that was measured, and why that would not have shown. */
export interface NotProven {
  readonly what: string;
  readonly why: string;
  readonly fault: string;
}

export interface Verdict {
  readonly is: 'unfinished' | 'good' | 'fault' | 'unclear';
  /** What to ask next, if one more answer would tell more. */
  readonly next?: Check;
  /** Faults that all readings so far agree with; when the verdict is `fault` they cannot be told apart by a meter. */
  readonly suspects: readonly Fault[];
  readonly says: string;
  /** Where it is, or why that cannot be told. */
  readonly where: string;
  /** With a good verdict: what nothing that was asked would have shown. */
  readonly unseen: readonly Fault[];
  /** The same in words, each once: where it is not empty, the verdict says “except”. */
  readonly notProven: readonly NotProven[];
  /** Answers that are not what the lead as designed would give. */
  readonly off: readonly { readonly probe: Check; readonly says: string }[];
}

interface Taken {
  readonly check: Check;
  readonly answer: Answer;
}

/** Later readings of the same probe replace earlier ones: a joint mended is measured again. */
function latest(proof: Proof, readings: readonly Reading[]): readonly Taken[] {
  const last = new Map<string, Taken>();
  for (const { probe: id, answer } of readings) {
    const check = proof.check(id);
    if (check) last.set(id, { check, answer });
  }
  return [...last.values()];
}

/** What is off about one answer, in words. */
const sayOff = (proof: Proof, { check, answer }: Taken): string =>
  isProbe(check)
    ? `${check.says}: ${sayAnswer(answer)}, should be ${sayExpectation(proof.expects(check))}.`
    : `Not so: ${check.says}`;

const COARSE: Partial<Readonly<Record<Answer['kind'], (check: Check) => string>>> = {
  skipped: (check) => `This was not done: ${check.says}`,
  beep: () => 'A beep tells no ohms: only a reading would have shown it.',
  silent: () => 'Silence tells no ohms: only a reading would have shown it.',
};

/** Why a fault may be there for all that was answered: what would have told was answered too coarsely, or nothing tells. */
function whyUnseen(
  { fault, reads, touches }: Hypothesis,
  ideal: Hypothesis,
  taken: readonly Taken[],
): string {
  for (const { check, answer } of taken) {
    const coarse = COARSE[answer.kind];
    if (coarse && touches(check) && !overlap(reads(check), ideal.reads(check))) return coarse(check);
  }
  return fault?.blind ?? 'Nothing that was asked would have shown it.';
}

/** What was asked and not done, then every fault that may be there for all that was answered; each thing once. */
function notProvenBy(
  unseen: readonly Hypothesis[],
  ideal: Hypothesis,
  taken: readonly Taken[],
): readonly NotProven[] {
  const said = new Map<string, NotProven>();
  for (const { check, answer } of taken)
    if (answer.kind === 'skipped')
      said.set(check.says, {
        what: check.says.replace(/\.$/, ''),
        why: 'It was asked, and not done.',
        fault: check.id,
      });
  for (const each of unseen)
    if (each.fault && !said.has(each.fault.says))
      said.set(each.fault.says, {
        what: each.fault.says,
        why: whyUnseen(each, ideal, taken),
        fault: each.fault.id,
      });
  return [...said.values()];
}

/** So many of what is not proven are named in the verdict itself; the list has all. */
const NAMED = 2;

const lower = (text: string): string =>
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;

/** The verdict's own words: what was not proven is in them. */
function sayGood(notProven: readonly NotProven[]): string {
  if (notProven.length === 0) return 'Every path carries, and nothing else does.';
  const named = notProven.slice(0, NAMED).map(({ what }) => lower(what));
  const more = notProven.length - named.length;
  return `Good, except that this was not proven: ${named.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`;
}

/**
 * Judges answers. While they agree with the lead as designed, the next check of the list is asked for. Once one does not, the one that best splits
 * the faults still possible is asked for, until none can split them further. Good is said of nothing beyond what was asked: whatever single
 * fault would have given the same answers stands in `notProven` and in the words.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     const proof = proofOf({ assembly });
 *     const says = answersOf({ assembly }, proof, { assembly });
 *     const readings = proof.checks.map((check) => ({ probe: check.id, answer: answerOf(check, says(check)) }));
 *     judge(proof, readings).is; // → 'good'
 *     judge(proof, readings.slice(1)).is; // → 'unfinished'
 */
export function judge(proof: Proof, readings: readonly Reading[]): Verdict {
  const taken = latest(proof, readings);
  const agrees = ({ reads }: Hypothesis): boolean =>
    taken.every(({ check, answer }) => overlap(reads(check), heard(answer, proof.instrument)));
  const [ideal, ...faulty] = proof.hypotheses;
  const off = taken
    .filter(({ check, answer }) => ideal && !overlap(ideal.reads(check), heard(answer, proof.instrument)))
    .map((each) => ({ probe: each.check, says: sayOff(proof, each) }));
  const done = new Set(taken.flatMap(({ check }) => [check.id, standsFor(check.id)]));
  const listed = proof.checks.find((check) => !done.has(check.id));
  const nothing = { suspects: [], where: '', unseen: [], notProven: [], off } as const;
  const unsteady = taken.some(({ answer }) => answer.kind === 'unsteady');

  if (ideal && agrees(ideal) && !unsteady) {
    if (listed) return { ...nothing, is: 'unfinished', next: listed, says: 'As it should be so far.' };
    const left = faulty.filter(agrees);
    const notProven = notProvenBy(left, ideal, taken);
    return {
      ...nothing,
      is: 'good',
      says: sayGood(notProven),
      unseen: left.flatMap(({ fault }) => fault ?? []),
      notProven,
    };
  }
  const possible = faulty.filter(agrees);
  const suspects = possible.flatMap((hypothesis) => hypothesis.fault ?? []);
  if (possible.length === 0)
    return listed
      ? {
          ...nothing,
          is: 'unfinished',
          next: listed,
          says: 'More than one thing is off: the rest of the readings will tell.',
        }
      : {
          ...nothing,
          is: 'unclear',
          says: 'More than one thing is off. Mend what is listed, then measure those again.',
        };
  // Once the closed lead was measured nobody opens it for one more reading.
  const isClosed = taken.some(
    ({ check }) => check.before === undefined && proof.probes.some(({ before }) => before),
  );
  const isOpen = (check: Check): boolean => !done.has(check.id) && !(isClosed && check.before !== undefined);
  const split =
    bestSplit(proof.candidates.filter(isOpen), possible) ?? bestSplit(proof.lastly.filter(isOpen), possible);
  return split
    ? {
        ...nothing,
        is: 'unfinished',
        next: split,
        suspects,
        says: 'Something is off. One more reading narrows it down.',
      }
    : { ...nothing, is: 'fault', suspects, says: sayFault(suspects), where: sayWhere(suspects) };
}

/** Of some checks of a proof: those that are not answered yet, and those whose answer is not as it should be. */
export function standingOf(
  proof: Proof,
  readings: readonly Reading[],
  ids: readonly string[],
): { readonly left: readonly Check[]; readonly off: readonly Check[] } {
  const taken = new Map(latest(proof, readings).map((each) => [each.check.id, each]));
  const [ideal] = proof.hypotheses;
  const checks = ids.flatMap((id) => proof.check(id) ?? []);
  return {
    left: checks.filter(({ id }) => !taken.has(id)),
    off: checks.filter((check) => {
      const answer = taken.get(check.id)?.answer;
      return (
        answer !== undefined &&
        (answer.kind === 'unsteady' ||
          (ideal !== undefined && !overlap(ideal.reads(check), heard(answer, proof.instrument))))
      );
    }),
  };
}

const likeliest = (suspects: readonly Fault[]): readonly Fault[] =>
  [...suspects].sort((a, b) => b.weight - a.weight);

/** What is wrong, likeliest first; where several faults read the same, each is named. */
export function sayFault(suspects: readonly Fault[]): string {
  const [first = '', ...others] = new Set(likeliest(suspects).map((fault) => fault.says));
  if (others.length > 2) return `${first}, or ${others.length} other things that read the same.`;
  return `${[first, ...others.map(lower)].join(', or ')}.`;
}

/** Where a fault is, or why a meter cannot tell, with where to look. */
export function sayWhere(suspects: readonly Fault[]): string {
  const places = [...new Set(suspects.map((fault) => fault.place))];
  const looks = [...new Set(likeliest(suspects).map((fault) => fault.look))].slice(0, 3).join(' ');
  if (places.length <= 1) return looks;
  const crossing = suspects.every((fault) => fault.kind === 'reversed' || fault.kind === 'crossed');
  return `${crossing ? 'It is at one end: a crossing reads the same from either, so the place needs an eye.' : 'It reads the same wherever along the way it is, so the place needs an eye.'} ${looks}`;
}

/** Groups of faults that no probe of this lead tells apart, the first group those that read as a good lead does. */
export function lookAlikes(proof: Proof): {
  readonly unseen: readonly Fault[];
  readonly groups: readonly (readonly Fault[])[];
} {
  const same = (a: Hypothesis, b: Hypothesis): boolean =>
    proof.candidates.every((probe) => overlap(a.reads(probe), b.reads(probe)));
  const [ideal, ...faulty] = proof.hypotheses;
  const unseen = faulty.filter((each) => ideal && same(ideal, each));
  const groups: Hypothesis[][] = [];
  for (const each of faulty.filter((h) => !unseen.includes(h))) {
    const group = groups.find((members) => members.every((member) => same(member, each)));
    if (group) group.push(each);
    else groups.push([each]);
  }
  return {
    unseen: unseen.flatMap((h) => h.fault ?? []),
    groups: groups.map((members) => members.flatMap((h) => h.fault ?? [])),
  };
}
