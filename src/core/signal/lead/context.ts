import {
  leadCircuit,
  logarithmic,
  magnitudes,
  sweeps,
  type Conditions,
  type LeadCircuit,
  type Plug,
  type Sweep,
  type Use,
} from '../../circuit';
import type { Assembly } from '../../assembly';
import { dbuToVolts, good, type Result } from '../../quantity';
import { decibels } from '../figures';

/** What every question of a lead works from: the lead in its circuit, and that solved once for each channel and for hum. */
export interface Context {
  readonly use: Use;
  readonly conditions: Conditions;
  readonly made: LeadCircuit;
  readonly frequencies: readonly number[];
  /** Level of a channel that listens against frequency, V r.m.s., for a channel that sends, at its nominal level. */
  readonly heard: (out: number, into: number) => readonly number[];
  /** What the difference of grounds makes in a channel that listens, V r.m.s.; nothing where no two ends are earthed. */
  readonly humIn: (into: number) => readonly number[] | undefined;
  /** Channels that are meant to reach each other. */
  readonly links: readonly SignalLink[];
  readonly nearest: (hertz: number) => number;
}

export interface SignalLink {
  readonly out: number;
  readonly in: number;
  readonly from: Plug;
  readonly to: Plug;
  /** “left to B”, or nothing where it is the only one. */
  readonly name: string;
}

/** Up to where a lead is looked at, Hz. */
export const HIGHEST = 200_000;
/** Hum and its place among the frequencies of the sweep, Hz: mains of 50 and 60. */
export const MAINS = [50, 60] as const;
const fine = (points: number): readonly number[] =>
  [...logarithmic(10, HIGHEST, points), ...MAINS, 1000, 10_000, 20_000].sort((a, b) => a - b);

/** For looking at, and for seeing what moves. */
const GRIDS = { fine: fine(130), coarse: fine(14) } as const;

const short = ({ end, label }: Plug): string => (label === '' ? end : `${end} ${label}`);

/** Solves a lead once for all the questions that are asked of it. Errors: those of the solver. */
export function contextOf(
  assembly: Assembly,
  use: Use,
  given: Conditions,
  grid: keyof typeof GRIDS = 'fine',
): Result<Context> {
  const frequencies = GRIDS[grid];
  const conditions: Conditions = { highestHertz: HIGHEST, imbalanceOhms: 10, ...given };
  const made = leadCircuit(assembly, use, conditions);
  const drives = [
    ...made.driven.map((drive) => drive.source),
    ...(made.groundSource === undefined ? [] : [made.groundSource]),
  ];
  const solved = sweeps(made.circuit, frequencies, drives);
  if (!solved.ok) return solved;
  const links = use.links.flatMap((link): readonly SignalLink[] => {
    const [from, to] = [use.channels[link.out], use.channels[link.in]];
    const known =
      made.driven.some((d) => d.channel === link.out) && made.heard.some((h) => h.channel === link.in);
    return from && to && known
      ? [{ ...link, from, to, name: use.links.length === 1 ? '' : `${short(from)} to ${short(to)}` }]
      : [];
  });
  const listening = (swept: Sweep | undefined, into: number, volts: number): readonly number[] => {
    const between = made.heard.find((each) => each.channel === into)?.between;
    return between && swept
      ? magnitudes(swept.voltage(...between)).map((value) => value * volts)
      : frequencies.map(() => 0);
  };
  return good({
    use,
    conditions,
    made,
    frequencies,
    links,
    heard: (out, into) => {
      const n = made.driven.findIndex((each) => each.channel === out);
      return listening(solved.value[n], into, made.driven[n]?.volts ?? 0);
    },
    humIn: (into) =>
      made.groundSource === undefined
        ? undefined
        : listening(solved.value[made.driven.length], into, conditions.groundVolts ?? 0),
    nearest: (hertz) => {
      let best = 0;
      frequencies.forEach((each, n) => {
        if (Math.abs(each - hertz) < Math.abs((frequencies[best] ?? 0) - hertz)) best = n;
      });
      return best;
    },
  });
}

/** Nominal level of what sends, V r.m.s. */
export const nominal = ({ from }: SignalLink): number => dbuToVolts(from.port.levelDbu);

/** Level of a link against frequency re what is sent, dB. */
export const curveOf = (context: Context, link: SignalLink): readonly number[] =>
  context.heard(link.out, link.in).map((value) => decibels(value / nominal(link)));

/** The frequency at which a curve has fallen by so much from its value at 1 kHz, Hz, between points by their logarithm. */
export function corner(context: Context, curve: readonly number[], drop: number): number {
  const from = context.nearest(1000);
  const limit = (curve[from] ?? 0) - drop;
  for (let n = from + 1; n < curve.length; n++) {
    const [before, now] = [curve[n - 1] ?? 0, curve[n] ?? 0];
    if (now > limit) continue;
    const share = before === now ? 0 : (before - limit) / (before - now);
    const [low, high] = [context.frequencies[n - 1] ?? 1, context.frequencies[n] ?? 1];
    return low * (high / low) ** share;
  }
  return Infinity;
}
