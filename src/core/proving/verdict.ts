import type { Assembly } from '../assembly';
import { formatResistance, OPEN } from '../quantity';
import { faultsOf, type Fault } from './faults';
import { piecesFor, type Pieces } from './pieces';
import {
  everyPair,
  pairOf,
  expectationOf,
  probeList,
  sayExpectation,
  type Expectation,
  type Probe,
  type Specimen,
} from './probe';

/** What the meter said at one probe: ohms (`Infinity` for OL), a beep or none, or a figure that jumps when wiggled. */
export type Answer =
  | { readonly kind: 'ohms'; readonly ohms: number }
  | { readonly kind: 'beep' }
  | { readonly kind: 'silent' }
  | { readonly kind: 'unsteady' };

export interface Reading {
  readonly probe: string;
  readonly answer: Answer;
}

/** Below the first a meter surely beeps, above the second it surely does not, Ω (from memory; meters differ). */
export const BEEPER = { sure: 20, never: 100 } as const;

interface Interval {
  readonly from: number;
  readonly to: number;
}

const heard = (answer: Answer): Interval => {
  switch (answer.kind) {
    case 'ohms':
      return { from: answer.ohms, to: answer.ohms };
    case 'beep':
      return { from: 0, to: BEEPER.never };
    case 'silent':
      return { from: BEEPER.sure, to: OPEN };
    case 'unsteady':
      return { from: 1, to: OPEN };
  }
};

const overlap = (a: Interval, b: Interval): boolean => a.from <= b.to && b.from <= a.to;

/** A state the lead may be in: as designed, or with one fault; with what it makes each probe read. */
interface Hypothesis {
  readonly fault: Fault | undefined;
  /** Whether a probe may read otherwise than as designed. */
  readonly touches: (probe: Probe) => boolean;
  readonly reads: (probe: Probe) => Interval;
}

/** The whole of what proving knows about one lead. */
export interface Proof {
  readonly probes: readonly Probe[];
  readonly expects: (probe: Probe) => Expectation;
  /** A probe by its id, whether on the list or a follow-up; undefined for one that this lead does not have. */
  readonly probe: (id: string) => Probe | undefined;
  readonly hypotheses: readonly Hypothesis[];
  readonly candidates: readonly Probe[];
}

/**
 * Prepares the proof of a lead: its probes, what each should read, and what every modelled fault would make it read. The
 * probes are those of the list that its unit was started with, where it was; else the shortest list of today.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     proofOf(assembly, spanLengths(assembly)).probes.map((probe) => probe.says)[0]; // → 'A.1 to B.1'
 */
export function proofOf(
  assembly: Assembly,
  lengths: ReadonlyMap<string, number>,
  listed?: readonly Probe[],
): Proof {
  const specimen: Specimen = { assembly, lengths };
  const probes = listed ?? probeList(specimen);
  const pairs = everyPair(assembly, MOST_CANDIDATES);
  const candidates = [...probes, ...pairs.filter((pair) => !probes.some((p) => p.id === pair.id))];
  const pieces = piecesFor(assembly, lengths);
  const expects = remember((probe: Probe) => expectationOf(pieces.reads(probe)));
  const hypotheses: Hypothesis[] = [
    { fault: undefined, touches: () => false, reads: expects },
    ...faultsOf(assembly).map((fault): Hypothesis => {
      const touches = pieces.touching(fault);
      let faulty: ReturnType<Pieces['faulty']> | undefined;
      return {
        fault,
        touches,
        reads: remember((probe: Probe): Interval => {
          // A fault changes no reading between pieces that it does not touch.
          if (!touches(probe)) return expects(probe);
          faulty ??= pieces.faulty(fault);
          const each = faulty.map((reads) => expectationOf(reads(probe)));
          return { from: Math.min(...each.map((e) => e.from)), to: Math.max(...each.map((e) => e.to)) };
        }),
      };
    }),
  ];
  return {
    probes,
    expects,
    probe: (id) => candidates.find((probe) => probe.id === id) ?? pairOf(assembly, id),
    hypotheses,
    candidates,
  };
}

/** More pairs than this and follow-up probes are chosen from the list alone. */
const MOST_CANDIDATES = 400;

function remember<T>(compute: (probe: Probe) => T): (probe: Probe) => T {
  const known = new Map<string, T>();
  return (probe) => {
    const before = known.get(probe.id);
    if (before !== undefined) return before;
    const value = compute(probe);
    known.set(probe.id, value);
    return value;
  };
}

export interface Verdict {
  readonly is: 'unfinished' | 'good' | 'fault' | 'unclear';
  /** The probe to take next, if one more would tell more. */
  readonly next?: Probe;
  /** Faults that all readings so far agree with; when the verdict is `fault` they cannot be told apart by a meter. */
  readonly suspects: readonly Fault[];
  readonly says: string;
  /** Where it is, or why that cannot be told. */
  readonly where: string;
  /** With a good verdict: what a meter would not have seen. */
  readonly unseen: readonly Fault[];
  /** Readings that are not what the lead as designed would give. */
  readonly off: readonly { readonly probe: Probe; readonly says: string }[];
}

/** Later readings of the same probe replace earlier ones: a joint mended is measured again. */
function latest(proof: Proof, readings: readonly Reading[]): readonly { probe: Probe; answer: Answer }[] {
  const last = new Map<string, { probe: Probe; answer: Answer }>();
  for (const { probe: id, answer } of readings) {
    const probe = proof.probe(id);
    if (probe) last.set(id, { probe, answer });
  }
  return [...last.values()];
}

/** An answer as the builder would say it. */
export const sayAnswer = (answer: Answer): string =>
  answer.kind === 'ohms'
    ? formatResistance(answer.ohms)
    : { beep: 'beep', silent: 'no beep', unsteady: 'unsteady' }[answer.kind];

/**
 * Judges readings. While they agree with the lead as designed, the next probe of the list is asked for. Once one does
 * not, the probe that best splits the faults still possible is asked for, until no probe can split them further.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     const proof = proofOf(assembly, spanLengths(assembly));
 *     const reads = meter({ assembly, lengths: spanLengths(assembly) });
 *     const readings = proof.probes.map((probe) => ({ probe: probe.id, answer: { kind: 'ohms', ohms: reads(probe) } }));
 *     judge(proof, readings).is; // → 'good'
 *     judge(proof, readings.slice(1)).is; // → 'unfinished'
 */
export function judge(proof: Proof, readings: readonly Reading[]): Verdict {
  const taken = latest(proof, readings);
  const agrees = ({ reads }: Hypothesis): boolean =>
    taken.every(({ probe, answer }) => overlap(reads(probe), heard(answer)));
  const [ideal, ...faulty] = proof.hypotheses;
  const off = taken
    .filter(({ probe, answer }) => !overlap(proof.expects(probe), heard(answer)))
    .map(({ probe, answer }) => ({
      probe,
      says: `${probe.says}: ${sayAnswer(answer)}, should be ${sayExpectation(proof.expects(probe))}.`,
    }));
  const isTaken = (probe: Probe): boolean => taken.some((each) => each.probe.id === probe.id);
  const listed = proof.probes.find((probe) => !isTaken(probe));
  const possible = faulty.filter(agrees);
  const suspects = possible.flatMap((hypothesis) => hypothesis.fault ?? []);
  const unsteady = taken.some(({ answer }) => answer.kind === 'unsteady');

  if (ideal && agrees(ideal) && !unsteady)
    return listed
      ? {
          is: 'unfinished',
          next: listed,
          suspects: [],
          says: 'As it should be so far.',
          where: '',
          unseen: [],
          off,
        }
      : {
          is: 'good',
          suspects: [],
          says: 'Every path carries, and nothing else does.',
          where: '',
          unseen: suspects,
          off,
        };

  if (possible.length === 0)
    return {
      is: listed ? 'unfinished' : 'unclear',
      ...(listed ? { next: listed } : {}),
      suspects: [],
      says: listed
        ? 'More than one thing is off: the rest of the readings will tell.'
        : 'More than one thing is off. Mend what is listed, then measure those again.',
      where: '',
      unseen: [],
      off,
    };

  const split = bestSplit(
    proof.candidates.filter((probe) => !isTaken(probe)),
    possible,
  );
  if (split)
    return {
      is: 'unfinished',
      next: split,
      suspects,
      says: 'Something is off. One more reading narrows it down.',
      where: '',
      unseen: [],
      off,
    };
  return { is: 'fault', suspects, says: sayFault(suspects), where: sayWhere(suspects), unseen: [], off };
}

/** The probe that tells the greatest weight of pairs of hypotheses apart; undefined when none tells any. */
function bestSplit(probes: readonly Probe[], possible: readonly Hypothesis[]): Probe | undefined {
  let best: Probe | undefined;
  let most = 0;
  const weightOf = ({ fault }: Hypothesis): number => fault?.weight ?? 1;
  for (const probe of probes) {
    const touched = possible.filter((each) => each.touches(probe));
    if (touched.length === 0) continue;
    // What does not touch it reads as designed, all alike.
    const untouched = possible.filter((each) => !touched.includes(each));
    const [other] = untouched;
    const rest = untouched.reduce((sum, each) => sum + weightOf(each), 0);
    const apart = touched.reduce((sum, a, n) => {
      const own = a.reads(probe);
      const beside = other && !overlap(own, other.reads(probe)) ? rest : 0;
      const among = touched.slice(n + 1).filter((b) => !overlap(own, b.reads(probe)));
      return sum + weightOf(a) * among.reduce((weight, b) => weight + weightOf(b), beside);
    }, 0);
    if (apart > most * 1.000001) {
      most = apart;
      best = probe;
    }
  }
  return best;
}

const likeliest = (suspects: readonly Fault[]): readonly Fault[] =>
  [...suspects].sort((a, b) => b.weight - a.weight);

/** What is wrong, likeliest first; where several faults read the same, each is named. */
export function sayFault(suspects: readonly Fault[]): string {
  const [first = '', ...others] = new Set(likeliest(suspects).map((fault) => fault.says));
  if (others.length > 2) return `${first}, or ${others.length} other things that read the same.`;
  return `${[first, ...others.map((each) => (/^[A-Z][a-z]/.test(each) ? each.charAt(0).toLowerCase() + each.slice(1) : each))].join(', or ')}.`;
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
