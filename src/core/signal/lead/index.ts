import { spanLengths, type Assembly } from '../../assembly';
import type { Conditions, Sections, Use } from '../../circuit';
import { good, type Result } from '../../quantity';
import type { Chart, Figure, Table, Weight } from '../types';
import { chartsOf } from './charts';
import { meetingFigures } from './meeting';
import { coilFigures } from './coil';
import { contextOf, GRIDS, type Context } from './context';
import { controlFigures } from './control';
import { humFigures } from './hum';
import { lampsOf } from './lamps';
import { levelFigures } from './level';
import { noiseFigures } from './noise';
import { powerFigures } from './power';
import { withRanges } from './ranges';
import { reachFigures } from './reach';
import { seenFigures } from './seen';
import { separationFigures } from './separation';
import { supplyFigures } from './supply';
import { verdict } from './verdict';

export { compared } from './compare';
export { DARK } from './coil';
export { LOUDSPEAKER_SHARE, usualLoss } from './reach';

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
}

/** Between two chassis on the same mains, V r.m.s. (from memory: 1 to 100 mV). */
export const GROUND_VOLTS = 0.01;

const withPorts = (use: Use, { sourceOhms, loadOhms, sourceHenries }: Look): Use => ({
  ...use,
  channels: use.channels.map((each) => {
    const ohms = each.sends ? sourceOhms : loadOhms;
    return {
      ...each,
      ...(ohms === undefined ? {} : { ohms }),
      ...(each.sends && sourceHenries !== undefined ? { henries: sourceHenries } : {}),
    };
  }),
});

const conditionsOf = (assembly: Assembly, { lengthTimes = 1, ...look }: Look): Conditions => ({
  groundVolts: GROUND_VOLTS,
  ...look,
  lengths: look.lengths ?? new Map([...spanLengths(assembly)].map(([id, mm]) => [id, mm * lengthTimes])),
});

/** A lead's situation with what is turned in it: what its circuit is made from. */
export function lookedAt(
  assembly: Assembly,
  situation: Use,
  look: Look,
): { readonly use: Use; readonly conditions: Conditions } {
  return { use: withPorts(situation, look), conditions: conditionsOf(assembly, look) };
}

/**
 * What a lead does to the signal in its situation: level, response, hum, separation, supplies, power and noise, each a
 * figure with its formula and source, and the charts. Figures that hang on what is known from memory only, or on the
 * tolerance of parts, have a range.
 *
 * Errors: those of the solver.
 */
export function leadSignal(assembly: Assembly, situation: Use, look: Look = {}): Result<LeadSignal> {
  const { use, conditions } = lookedAt(assembly, situation, look);
  const made = contextOf(assembly, use, conditions, GRIDS[look.grid ?? 'fine']);
  if (!made.ok) return made;
  const context = made.value;
  const coarse = look.grid === 'coarse';
  const lamps = lampsOf(assembly, use, context.conditions);
  const solved = [...(lamps?.figures ?? []), ...figuresOf(context)];
  const figures = [
    ...(look.ranges === false
      ? solved
      : withRanges(solved, context, (each) => [
          ...(lampsOf(each.assembly, each.use, each.conditions)?.figures ?? []),
          ...figuresOf(each),
        ])),
    ...(coarse ? [] : reachFigures(context, look.lossDb)),
  ];
  return good({
    ...verdict(context, figures, lamps),
    figures,
    charts: coarse ? [] : chartsOf(context, look.lossDb),
    ...(lamps ? { table: lamps.table } : {}),
    sections: context.made.sections,
  });
}

const figuresOf = (context: Context): readonly Figure[] => {
  const { assembly, links } = context;
  const hasParts = assembly.bodies.some((body) => body.parts.length > 0);
  const seen = seenFigures(context);
  const seenAt = (out: number): number =>
    seen.find((each) => each.id.startsWith(`capacitance ${out}-`))?.value ?? 0;
  return [
    ...links.flatMap((link) => levelFigures(context, link)),
    ...links.flatMap((link) => coilFigures(context, link, seenAt(link.out))),
    ...controlFigures(context),
    ...links.flatMap((link) => powerFigures(context, link)),
    ...links.flatMap((link) => humFigures(context, link)),
    ...separationFigures(context),
    ...meetingFigures(context),
    ...supplyFigures(assembly, context.use, context.conditions),
    ...seen,
    ...links.slice(0, 1).flatMap((link) => noiseFigures(context, link, hasParts)),
  ];
};
