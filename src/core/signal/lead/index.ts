import { spanLengths, type Assembly } from '../../assembly';
import { withImpedance, type Conditions, type Sections } from '../../model';
import type { Situation } from '../../situation';
import { atOnce, good, type InSteps, type Result } from '../../quantity';
import type { Chart, Figure, Table, Weight } from '../types';
import { chartsOf } from './charts';
import { meeting } from './meeting';
import { coil } from './coil';
import { contextOf, GRIDS, type Context, type FigureKind } from './context';
import { control } from './control';
import { hum } from './hum';
import { lamps, lampsOf, REVERSE_VOLTS, solveLamps, type LampsSolved } from './lamps';
import { level } from './level';
import { noiseAdded } from './noise';
import { power } from './power';
import { withRanges } from './ranges';
import { longestRun } from './longest-run';
import { inputImpedance } from './input-impedance';
import { separation } from './separation';
import { supply } from './supply';
import { verdict } from './verdict';

export { compared } from './compare';
export { DARK } from './coil';
export { REVERSE_VOLTS, solveLamps, type LampsSolved };
export { stressOf, type Stress } from './stress';
export { LOUDSPEAKER_SHARE, usualLoss } from './longest-run';

/** What a lead does to what goes through it. */
export interface LeadSignal {
  readonly says: string;
  readonly weight: Weight;
  readonly figures: readonly Figure[];
  /** The one that matters most first. */
  readonly charts: readonly Chart[];
  /** What its lamps show on a line with every fault, where it has lamps. */
  readonly table?: Table;
  readonly sections: readonly (Sections & { readonly span: string })[];
}

/** What may be turned while looking: everything else is as the lead and its ports have it. */
export interface Look extends Partial<Conditions> {
  /** Scales every span, as if the lead were so many times as long. */
  readonly lengthTimes?: number;
  /** In the place of the impedance of every output (of a coil its winding’s), and of every input, Ω. */
  readonly sourceOhms?: number;
  readonly loadOhms?: number;
  /** In the place of the inductance of every coil, H. */
  readonly sourceHenries?: number;
  /** What may be lost: at 20 kHz, or of a loudspeaker’s level, dB. */
  readonly lossDb?: number;
  /** Whether figures get the range that what is only known from memory gives them: left out while something is being turned. */
  readonly ranges?: boolean;
  /** Few frequencies where only figures are wanted, and at once: without charts, and without how long it might be. */
  readonly grid?: keyof typeof GRIDS;
  /** Kinds of figure that nobody asks for. Without the separation of channels it is far quicker where they are many. */
  readonly without?: readonly string[];
}

/** Between two chassis on the same mains, V r.m.s. (from memory: 1 to 100 mV). */
export const GROUND_VOLTS = 0.01;

const withPorts = (situation: Situation, { sourceOhms, loadOhms, sourceHenries }: Look): Situation => ({
  ...situation,
  channels: situation.channels.map((each) =>
    each.direction === 'sends'
      ? withImpedance(each, { ohms: sourceOhms, henries: sourceHenries })
      : withImpedance(each, { ohms: loadOhms }),
  ),
});

const conditionsOf = (assembly: Assembly, { lengthTimes = 1, ...look }: Look): Conditions => ({
  groundVolts: GROUND_VOLTS,
  // Where nobody asks what one channel does in another, pairs need not be solved together.
  ...(look.without?.includes('separation') ? { eachAlone: true } : {}),
  ...look,
  lengths: look.lengths ?? new Map([...spanLengths(assembly)].map(([id, mm]) => [id, mm * lengthTimes])),
});

/** A lead's situation with what is turned in it: what its circuit is made from. */
export function lookedAt(
  assembly: Assembly,
  situation: Situation,
  look: Look,
): { readonly situation: Situation; readonly conditions: Conditions } {
  return { situation: withPorts(situation, look), conditions: conditionsOf(assembly, look) };
}

/** In the order they are told. One is added by its file and its line. */
const FIGURES: readonly FigureKind[] = [
  lamps,
  level,
  coil,
  control,
  power,
  hum,
  separation,
  meeting,
  supply,
  inputImpedance,
  noiseAdded,
  longestRun,
];

/**
 * What a lead does to the signal in its situation: level, response, hum, separation, supplies, power and noise, each a
 * figure with its formula and source, and the charts. Figures that hang on what is known from memory only, or on the
 * tolerance of parts, have a range.
 *
 * Errors: those of the solver.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     const made = leadSignal(assembly, document.situations[0]);
 *     made.value.figures.find((each) => each.kind === 'gain').says; // → '−0.83 dB'
 */
export function leadSignal(assembly: Assembly, given: Situation, look: Look = {}): Result<LeadSignal> {
  return atOnce(leadSignalInSteps(assembly, given, look));
}

/** The same where it may be interrupted: of many channels it takes long. */
export function* leadSignalInSteps(
  assembly: Assembly,
  given: Situation,
  look: Look = {},
): InSteps<Result<LeadSignal>> {
  const { situation, conditions } = lookedAt(assembly, given, look);
  const made = contextOf(assembly, situation, conditions, {
    frequencies: GRIDS[look.grid ?? 'fine'],
    lossDb: look.lossDb,
    without: look.without ?? [],
  });
  if (!made.ok) return made;
  yield;
  const context = made.value;
  const coarse = look.grid === 'coarse';
  const lampsSeen = lampsOf(assembly, situation, context.conditions);
  const quick = (each: Context): readonly Figure[] =>
    FIGURES.filter(({ slow, kind }) => !slow && !each.without.includes(kind)).flatMap((kind) =>
      kind.compute(each),
    );
  const solved = quick(context);
  yield;
  const figures = [...(look.ranges === false ? solved : yield* withRanges(solved, context, quick))];
  for (const kind of coarse ? [] : FIGURES.filter(({ slow }) => slow)) {
    figures.push(...kind.compute(context));
    yield;
  }
  return good({
    ...verdict(context, figures, lampsSeen),
    figures,
    charts: coarse ? [] : chartsOf(context, look.lossDb),
    ...(lampsSeen ? { table: lampsSeen.table } : {}),
    sections: context.made.sections,
  });
}
