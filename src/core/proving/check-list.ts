import { operatingPoint, Orders } from '../circuit';
import type { Corner, ResistiveElement } from '../model';
import { attachedTo } from './attached';
import { isProbe, type Check, type Probe } from './check';
import type { Variant } from './faults';
import { ANY_METER, type Instrument } from './instrument';
import { looksFor } from './looks';
import type { Solver } from './meter';
import { piecesFor } from './pieces';
import {
  knownOf,
  overlap,
  proofFrom,
  triedFor,
  type CheckList,
  type Hypothesis,
  type Judging,
  type Known,
  type Proof,
  type Proven,
} from './proof';
import { legProbes } from './staged';
import { testsOf } from './tests';

/** More probes than this are a loom's: each contact against all others. */
const LOOM = 40;

/** The one terminal of a probe that its red lead is on: what a fault is nearest to is looked at first. */
const REDS = new WeakMap<Probe, Probe>();
function redOf(probe: Probe): Probe {
  const red = REDS.get(probe) ?? { ...probe, black: [probe.red] };
  REDS.set(probe, red);
  return red;
}

/** Whether one of some checks would see a fault, whatever its size. */
const sees =
  (ideal: Hypothesis) =>
  (checks: readonly Check[], hypothesis: Hypothesis): boolean => {
    const shows = (check: Check): boolean => !overlap(hypothesis.reads(check), ideal.reads(check));
    const touching = checks.filter(hypothesis.touches);
    const isNear = (check: Check): boolean => !isProbe(check) || hypothesis.touches(redOf(check));
    return (
      touching.some((check) => isNear(check) && shows(check)) ||
      touching.some((check) => !isNear(check) && shows(check))
    );
  };

/**
 * What is asked of a lead to prove it: the probes of the closed lead; before each body is closed, what cannot be reached later, and the legs of a part that
 * no probe from outside would see wrong; the functional tests that its parts and channels call for; and a look where none of these would see a fault and an
 * eye does.
 */
export const checkList = (lead: Proven, instrument: Instrument = ANY_METER): CheckList =>
  listFrom(lead, knownOf(lead, judgingBy(instrument)), instrument);

/** Solves what differs in its values alone by one order of elimination: a meter goes through its ranges on the same touch. */
function solver(): Solver {
  const orders = new Orders();
  return (circuit) => operatingPoint(circuit, orders);
}

const judgingBy = (instrument: Instrument): Judging => ({ instrument, testsOf, solve: solver() });

function listFrom(lead: Proven, known: Known, instrument: Instrument): CheckList {
  const { tests, tried, ideal, hypotheses } = known;
  const { assembly } = lead;
  const isSeen = sees(ideal);
  const all = [...known.outside, ...known.stumps];
  const blind = (checks: readonly Check[], among: readonly Hypothesis[]): readonly Hypothesis[] =>
    among.filter((each) => !isSeen(checks, each));
  const outside = needed(all, () => [...hypotheses, ...known.mistakes()], isSeen);
  const missed = blind(outside, hypotheses);
  const legs = assembly.bodies.flatMap((body) =>
    body.parts
      .filter((part) =>
        missed.some(({ fault }) => fault?.eye && 'part' in fault.eye && fault.eye.part === part.id),
      )
      .flatMap((part) => legProbes(assembly, part, body.id, instrument))
      .filter((probe) => missed.some((each) => isSeen([probe], each))),
  );
  const untested = blind(legs, missed);
  const looks = looksFor(
    assembly,
    blind(
      tests.map(({ trial }) => trial),
      untested,
    ).flatMap(({ fault }) => fault ?? []),
  );
  for (const look of looks) tried.set(look.trial.id, look);
  return {
    probes: [...outside, ...legs],
    trials: [...looks, ...tests].map(({ trial }) => trial),
  };
}

/** What is given up first where several see the same: what takes a turn or an open body, then parts, then the rest. */
const dearness = ({ turn, before, kind }: Probe): number =>
  before !== undefined ? 4 : turn !== undefined ? 3 : kind === 'part' ? 2 : kind === 'path' ? 0 : 1;

/**
 * Of some probes those without which some fault would go unseen, or a touch of two that must be apart, or an exchange of two in a body with parts, wherever it is; and a wiper all the way up, since that is how a control is tried. Many that are alike
 * are as they are: each contact against all the others is there for that contact.
 */
function needed(
  probes: readonly Probe[],
  among: () => readonly Hypothesis[],
  isSeen: (checks: readonly Check[], hypothesis: Hypothesis) => boolean,
): readonly Probe[] {
  if (probes.length > LOOM) return probes;
  const touchOf = ({ red, black }: Probe): string => `${red} ${black.join(' ')}`;
  const followed = new Set(probes.filter(({ turn }) => turn === 0.5).map(touchOf));
  const seenBy = among().map((each) => new Set(probes.filter((probe) => isSeen([probe], each))));
  const left = new Set(probes);
  const dearest = [...probes].reverse().sort((a, b) => dearness(b) - dearness(a));
  for (const probe of dearest) {
    if (probe.turn !== undefined && followed.has(touchOf(probe))) continue;
    const mine = seenBy.filter((by) => by.has(probe));
    if (mine.every((by) => [...by].some((other) => other !== probe && left.has(other)))) left.delete(probe);
  }
  // Where a stump is probed at all, what it must not touch is beside it.
  const stumps = new Set([...left].flatMap(({ before, red }) => (before === undefined ? [] : [red])));
  return probes.filter((probe) => left.has(probe) || (probe.before !== undefined && stumps.has(probe.red)));
}

/**
 * Prepares the proof of a lead: what is asked of it, what each probe should read, and what every modelled fault would make it say. What is asked is
 * the list that its unit was started with, where it was; else that of today.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     proofOf({ assembly }).probes.map((probe) => probe.says)[0]; // → 'A.1 to B.1'
 */
export function proofOf(
  lead: Proven,
  {
    listed,
    instrument = ANY_METER,
    plugs,
  }: { readonly listed?: CheckList } & Pick<Judging, 'instrument' | 'plugs'> = {},
): Proof {
  const judging = { ...judgingBy(instrument), plugs };
  const known = knownOf(lead, judging);
  return proofFrom(lead, known, listed ?? listFrom(lead, known, instrument), judging);
}

/** By whom and with what a lead is measured. */
export interface Measuring {
  /** Where a control really stands that is asked to be turned so far; there where nothing is said. */
  readonly hand?: (turn: number) => number;
  /** The meter; the one that the proof was made for where nothing is said. */
  readonly instrument?: Instrument;
}

/**
 * What a lead that was built so answers to a check of another, as the meter would show it: Ω, V or F; 1 for yes and 0 for no; nothing where that cannot
 * be told. `lead` is the sheet that it is measured by.
 */
export function answersOf(
  lead: Proven,
  proof: Proof,
  built: Variant,
  { hand = (turn) => turn, instrument = proof.instrument }: Measuring = {},
): (check: Check) => number | undefined {
  const { assembly, situation } = lead;
  const attached = (corner: Corner): readonly ResistiveElement[] => [
    ...attachedTo(assembly, situation, corner),
    ...(built.extra ?? []),
  ];
  const { meter } = piecesFor({
    assembly: built.assembly,
    proven: assembly,
    attached,
    instrument,
    solve: solver(),
  });
  const tried = triedFor(lead, proof.trials, testsOf);
  return (check) => {
    if (!isProbe(check)) {
      const yes = tried.get(check.id)?.answers(built);
      return yes === undefined ? undefined : Number(yes);
    }
    const { turn = 0, shorting, series } = check;
    const at = meter({
      corner: 'marked',
      turn: hand(turn),
      ...(shorting === undefined ? {} : { shorting }),
      ...(series === undefined ? {} : { series }),
    });
    return check.mode === 'diode'
      ? at.volts(check)
      : check.mode === 'capacitance'
        ? at.farads(check)
        : at.ohms(check);
  };
}
