import { leadTerminal, type Assembly, type Part } from '../assembly';
import type { Corner, ResistiveElement } from '../model';
import { OPEN } from '../quantity';
import type { Situation } from '../situation';
import { attachedTo } from './attached';
import { isProbe, type Check, type Probe, type Trial } from './check';
import { expectationOf, type Expectation } from './expectation';
import { faultsOf, type Fault } from './faults';
import { ANY_METER, type Instrument } from './instrument';
import { loopsIn } from './shorting';
import { looksFor } from './looks';
import type { Solver } from './meter';
import { piecesFor, type Pieces } from './pieces';
import { exchanges, touches } from './mistakes';
import { pairOf } from './probe';
import { everyPair, probeList } from './probe-list';
import { stumpProbes } from './staged';
import type { TestsOf, Tried } from './tests';

/** What an answer may be: ohms (or V, or F), or 1 for yes and 0 for no. */
export interface Interval {
  readonly from: number;
  readonly to: number;
}

/** Whether two answers may be the same. */
export const overlap = (a: Interval, b: Interval): boolean => a.from <= b.to && b.from <= a.to;

/** A state the lead may be in: as designed, or with one fault; with what it makes each check say. */
export interface Hypothesis {
  readonly fault: Fault | undefined;
  /** Whether a check may say otherwise than as designed. */
  readonly touches: (check: Check) => boolean;
  readonly reads: (check: Check) => Interval;
}

/** What is proven: a lead as designed, and what it meets; nothing of that where it does not say. */
export interface Proven {
  readonly assembly: Assembly;
  readonly situation?: Situation | undefined;
}

/** What is asked of a lead, in the order that it is asked. */
export interface CheckList {
  readonly probes: readonly Probe[];
  readonly trials: readonly Trial[];
}

/** The whole of what proving knows about one lead. */
export interface Proof extends CheckList {
  /** All that is asked: before each body is closed, then of the closed lead by the meter, then by trying it. */
  readonly checks: readonly Check[];
  readonly expects: (probe: Probe) => Expectation;
  /** A check by its id, whether on the list or a follow-up; undefined for one that this lead does not have. */
  readonly check: (id: string) => Check | undefined;
  readonly hypotheses: readonly Hypothesis[];
  /** Where a follow-up is looked for; and where none of those tells more, what is tried. */
  readonly candidates: readonly Probe[];
  readonly lastly: readonly Trial[];
  readonly instrument: Instrument;
}

/** More pairs than this and follow-up probes are chosen from the list alone. */
const MOST_CANDIDATES = 400;

/** A share that no meter shows. */
const LEAST = 1e-9;

const YES: Interval = { from: 1, to: 1 };

function remember<T>(compute: (check: Check) => T): (check: Check) => T {
  const known = new Map<string, T>();
  return (check) => {
    const before = known.get(check.id);
    if (before !== undefined) return before;
    const value = compute(check);
    known.set(check.id, value);
    return value;
  };
}

/** The least and the most of several answers. */
const hull = (all: readonly Interval[]): Interval => ({
  from: Math.min(...all.map(({ from }) => from)),
  to: Math.max(...all.map(({ to }) => to)),
});

/** What a lead with something wrong answers to anything that is asked of it. */
function answersWith(
  fault: Pick<Fault, 'near' | 'variants'>,
  { pieces, designed, triedBy, instrument, mayDiffer }: Asked,
): Pick<Hypothesis, 'touches' | 'reads'> {
  const onPieces = pieces.touching(fault);
  let faulty: ReturnType<Pieces['faulty']> | undefined;
  let differs: boolean | undefined;
  const touches = (check: Check): boolean => {
    if (isProbe(check)) return onPieces(check);
    if (triedBy(check.id) === undefined) return false;
    return check.kind === 'look' || (differs ??= mayDiffer(onPieces, (probe) => reads(probe)));
  };
  const reads = remember((check: Check): Interval => {
    // A fault changes no reading between pieces that it does not touch.
    if (!touches(check)) return designed(check);
    if (!isProbe(check)) {
      const tried = triedBy(check.id);
      return hull(
        fault.variants().map((variant) => {
          const yes = tried?.answers(variant);
          return yes === undefined ? { from: 0, to: 1 } : { from: Number(yes), to: Number(yes) };
        }),
      );
    }
    faulty ??= pieces.faulty(fault);
    return hull(faulty.map((meter) => expectationOf(meter, check, instrument)));
  });
  return { touches, reads };
}

/** The same of a fault of any size: from just beside what is good up to its worst. */
function grown(
  { touches, reads }: Pick<Hypothesis, 'touches' | 'reads'>,
  designed: (check: Check) => Interval,
): Pick<Hypothesis, 'touches' | 'reads'> {
  return {
    touches,
    reads(check) {
      const [found, good] = [reads(check), designed(check)];
      if (!isProbe(check) || check.mode !== undefined) return found;
      // Told from what is good by the least that there is, and nothing is between.
      if (found.from > good.to) return { ...found, from: good.to * (1 + LEAST) };
      return found.to < good.from ? { ...found, to: good.from * (1 - LEAST) } : found;
    },
  };
}

/** By what a hypothesis answers. */
interface Asked {
  readonly pieces: Pieces;
  readonly designed: (check: Check) => Interval;
  readonly triedBy: (id: string) => Tried | undefined;
  readonly instrument: Instrument;
  /** Whether a signal may tell a fault, by the probes that it touches and what it makes them read. */
  readonly mayDiffer: (touches: (probe: Probe) => boolean, reads: (probe: Probe) => Interval) => boolean;
}

/** Kinds of fault that may come to the very same circuit, such as two channels that go into one sum. */
const MAY_BE_ALIKE: readonly Fault['kind'][] = ['channels', 'crossed', 'reversed'];
/** Two readings of one circuit differ by no more, a share. */
const SAME = 1e-9;

/**
 * A transformer as resistances that are all unlike, Ω, so that whatever is changed at it changes a reading: by its own windings
 * a meter sees no way round, and nothing from one to the other.
 */
const coupling = (part: Part): readonly ResistiveElement[] =>
  part.kind === 'transformer'
    ? (
        [
          ['p1', 's1', 101],
          ['p2', 's2', 233],
          ['p1', 's2', 577],
        ] as const
      ).map(([a, b, ohms]) => ({ a: leadTerminal(part.id, a), b: leadTerminal(part.id, b), ohms }))
    : [];

/**
 * Whether what a fault makes of a lead is the same circuit to whatever is plugged into it: every contact to every other reads the same. Only where
 * there are resistors and transformers, and nothing else has a value or a way round; among copper alone it is no other circuit either, but cores swapped at both ends
 * are in each other's place, which matters when it is mended.
 */
function alikeIn(
  assembly: Assembly,
  piecesOf: (coupled: readonly ResistiveElement[]) => Pieces,
): (fault: Fault) => boolean {
  const parts = assembly.bodies.flatMap((body) => body.parts);
  if (parts.length === 0 || parts.some(({ kind }) => kind !== 'resistor' && kind !== 'transformer'))
    return () => false;
  const pieces = piecesOf(parts.flatMap(coupling));
  const pairs = everyPair(assembly, MOST_CANDIDATES);
  const marked = { corner: 'marked', turn: 0 } as const;
  const isSame = (a: number, b: number): boolean => a === b || Math.abs(a - b) <= SAME * Math.max(a, b);
  return (fault) => {
    if (!MAY_BE_ALIKE.includes(fault.kind) || fault.id.includes('twice')) return false;
    const touched = pairs.filter(pieces.touching(fault));
    return (
      touched.length > 0 &&
      pieces
        .faulty(fault)
        .every((meter) =>
          touched.every((probe) => isSame(meter(marked).ohms(probe), pieces.meter(marked).ohms(probe))),
        )
    );
  };
}

/** Everything that can be asked of a lead, and what it would say with each fault. */
export function knownOf(
  { assembly, situation }: Proven,
  { instrument = ANY_METER, testsOf, solve }: Judging,
) {
  const attached = (corner: Corner): readonly ResistiveElement[] => attachedTo(assembly, situation, corner);
  const piecesOf = (coupled: readonly ResistiveElement[]): Pieces =>
    piecesFor({
      assembly,
      attached: (corner) => [...attached(corner), ...coupled],
      instrument,
      solve,
    });
  const pieces = piecesOf([]);
  const expects = remember((check: Check) => expectationOf(pieces.meter, check as Probe, instrument)) as (
    probe: Probe,
  ) => Expectation;
  const designed = (check: Check): Interval => (isProbe(check) ? expects(check) : YES);
  const tests = testsOf(assembly, situation);
  const alike = alikeIn(assembly, piecesOf);
  const faults = faultsOf(assembly, situation).filter((fault) => !alike(fault));
  const tried = new Map(tests.map((each) => [each.trial.id, each]));
  // Where there is only copper, a signal goes as the meter's current does: it tells nothing that the closed lead's probes do not.
  const hasParts = assembly.bodies.some(({ parts }) => parts.length > 0);
  const outside = probeList(assembly, pieces.meter, {
    capacitance: instrument.capacitance,
    situation,
  });
  const stumps = stumpProbes(
    assembly,
    (touch) => pieces.meter({ corner: 'marked', turn: 0 }).ohms(touch) === OPEN,
  );
  const mayDiffer: Asked['mayDiffer'] = (touches, reads) =>
    hasParts || outside.some((probe) => touches(probe) && !overlap(reads(probe), expects(probe)));
  const ideal: Hypothesis = { fault: undefined, touches: () => false, reads: designed };
  const asked = { pieces, designed, triedBy: (id: string) => tried.get(id), instrument, mayDiffer };
  const hypotheses = faults.map((fault): Hypothesis => ({
    fault,
    ...(fault.fromNothing ? grown(answersWith(fault, asked), designed) : answersWith(fault, asked)),
  }));
  /** Whatever two hands may do beyond the places where a fault is likely: no probe is given up that alone would see it. */
  const mistakes = (): readonly Hypothesis[] =>
    [...touches(assembly), ...exchanges(assembly)].map((wrong) => ({
      fault: undefined,
      ...answersWith(wrong, asked),
    }));
  return { outside, stumps, expects, tests, tried, ideal, hypotheses, mistakes, hasParts };
}

/** What {@link knownOf} tells. */
export type Known = ReturnType<typeof knownOf>;

/** The looks and tests of a list by their ids, with what a lead that was built otherwise would answer. */
export function triedFor(
  { assembly, situation }: Proven,
  trials: readonly Trial[],
  testsOf: TestsOf,
): ReadonlyMap<string, Tried> {
  const all = [
    ...(trials.some(({ kind }) => kind === 'test') ? testsOf(assembly, situation) : []),
    ...(trials.some(({ kind }) => kind === 'look') ? looksFor(assembly, faultsOf(assembly, situation)) : []),
  ];
  const asked = new Set(trials.map(({ id }) => id));
  return new Map(all.flatMap((each) => (asked.has(each.trial.id) ? [[each.trial.id, each] as const] : [])));
}

/** By what a list is judged: the meter, and what the functional tests of a lead answer. */
export interface Judging {
  readonly instrument?: Instrument;
  /** The shorting plugs at hand, each by what it goes on: `xlr3 socket`. */
  readonly plugs?: readonly string[] | undefined;
  /** None while they are not at hand: what hangs on a test is then not told by it. */
  readonly testsOf: TestsOf;
  /** What works out junctions; while it is not at hand nothing is told by a reading across one. */
  readonly solve?: Solver | undefined;
}

/** The proof of a lead by a list that is there already: what each probe should read, and what every modelled fault would make it say. */
export const proofBySheet = (lead: Proven, list: CheckList, judging: Judging): Proof =>
  proofFrom(lead, knownOf(lead, judging), list, judging);

/** The same of what is known of the lead already. */
export function proofFrom(
  lead: Proven,
  { expects, ideal, hypotheses, tried, hasParts }: Known,
  { probes, trials }: CheckList,
  { instrument = ANY_METER, testsOf, plugs = [] }: Judging,
): Proof {
  const { assembly } = lead;
  const unknown = trials.filter(({ id }) => !tried.has(id));
  if (unknown.length > 0) for (const [id, each] of triedFor(lead, unknown, testsOf)) tried.set(id, each);
  const pairs = everyPair(assembly, MOST_CANDIDATES);
  const staged = (check: Check): boolean => check.before !== undefined;
  const checks = [
    ...[...probes, ...trials].filter(staged),
    ...[...probes, ...trials].filter((check) => !staged(check)),
  ];
  const more = pairs.filter((pair) => !probes.some((p) => p.id === pair.id));
  const byId = new Map([...checks, ...more].map((check) => [check.id, check]));
  return {
    probes,
    trials,
    checks,
    expects,
    check: (id) => byId.get(id) ?? pairOf(assembly, id),
    hypotheses: [ideal, ...hypotheses],
    candidates: [...checks.filter(isProbe), ...more, ...loopsIn(assembly, plugs)],
    lastly: hasParts ? trials.filter(({ kind }) => kind === 'test') : [],
    instrument,
  };
}
