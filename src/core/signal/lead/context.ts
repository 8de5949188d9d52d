import {
  logarithmic,
  magnitudes,
  Orders,
  sweeps,
  type Asked,
  type NodeName,
  type Sweep,
} from '../../circuit';
import { leadCircuit, type Conditions, type LeadCircuit } from '../../model';
import { channelNamed, sayChannel, type Channel, type Situation } from '../../situation';
import type { Assembly } from '../../assembly';
import { dbuToVolts, good, type Result } from '../../quantity';
import { decibels } from '../figures';
import type { Figure } from '../types';

/** What every question of a lead works from: the lead in its circuit, and that solved once for each channel and for hum. */
export interface Context {
  readonly assembly: Assembly;
  readonly situation: Situation;
  readonly conditions: Conditions;
  readonly made: LeadCircuit;
  readonly frequencies: readonly number[];
  /** Level of a channel that listens against frequency, V r.m.s., for a channel that sends, at its nominal level. */
  readonly heard: (out: string, into: string) => readonly number[];
  /** Level of several channels that send the same together, at the nominal level of each. */
  readonly together: (outs: readonly string[], into: string) => readonly number[];
  /** What the difference of grounds makes in a channel that listens, V r.m.s.; nothing where no two ends are earthed. */
  readonly humIn: (into: string) => readonly number[] | undefined;
  /** Channels that are meant to reach each other. */
  readonly links: readonly SignalLink[];
  readonly nearest: (hertz: number) => number;
  /** Level at the contacts of a channel that sends, V r.m.s., at its nominal level, against frequency. */
  readonly sent: (out: string) => readonly number[];
  /** Current that one channel that sends drives through the source of another, A r.m.s., against frequency. */
  readonly driven: (out: string, other: string) => readonly number[];
  /** Current of the cold leg of a channel that drives it on its own, A r.m.s., against frequency. */
  readonly coldLeg: (out: string) => readonly number[] | undefined;
  /** What may be lost, dB, where that was asked. */
  readonly lossDb?: number | undefined;
  /** Figures that nobody asked for. */
  readonly without: readonly string[];
  /** Orders of elimination that its circuits share. */
  readonly orders: Orders;
  /** The same lead looked at otherwise, at other frequencies; or only what one channel that sends does in it. */
  readonly again: (
    change: { readonly conditions?: Partial<Conditions>; readonly situation?: Situation },
    frequencies: readonly number[],
    how?: Pick<Solving, 'only' | 'made'>,
  ) => Result<Context>;
}

/** One kind of figure, or several that come from one sum. Added by its file and its line in the index. */
export interface FigureKind {
  readonly kind: string;
  /** Takes many solutions: left out where only a few frequencies are looked at, and without ranges. */
  readonly slow?: true;
  readonly compute: (context: Context) => readonly Figure[];
}

export interface SignalLink {
  readonly out: string;
  readonly in: string;
  readonly from: Channel;
  readonly to: Channel;
  /** “left to B”, or nothing where it is the only one. */
  readonly name: string;
}

/** Up to where a lead is looked at, Hz. */
export const HIGHEST = 200_000;
/** Hum and its place among the frequencies of the sweep, Hz: mains of 50 and 60. */
export const MAINS = [50, 60] as const;
/** Where figures are read, Hz. */
export const SPOTS = [...MAINS, 1000, 10_000, 20_000] as const;
const LOWEST = 10;
/** The widest step from one frequency to the next where it is only seen what moves. */
const STRIDE = 2.25;

/** The frequencies that figures are read at, and between them as few as leave no step wider than {@link STRIDE}. */
const strided = (): readonly number[] => {
  const stops = [LOWEST, ...SPOTS, HIGHEST];
  return stops.flatMap((stop, n) => {
    const from = stops[n - 1];
    if (from === undefined) return [stop];
    const steps = Math.ceil(Math.log(stop / from) / Math.log(STRIDE));
    return [...logarithmic(from, stop, 1 + steps).slice(1, -1), stop];
  });
};

/** For looking at, and for seeing what moves. */
export const GRIDS = {
  fine: [...logarithmic(LOWEST, HIGHEST, 130), ...SPOTS].sort((a, b) => a - b),
  coarse: strided(),
} as const;

/** What is asked of each channel that sends, and of the difference of grounds: what it makes in the inputs. */
function askedOf(made: LeadCircuit, { links }: Situation, crosstalk: boolean): readonly Asked[] {
  const inputs = (names: (channel: string) => boolean): Asked['voltages'] =>
    made.heard.filter(({ channel }) => names(channel)).map(({ between }) => between);
  const all = inputs(() => true);
  return [
    ...made.driven.map(({ channel, between, coldSource }): Asked => {
      const own = new Set(links.filter((link) => link.out === channel).map((link) => link.in));
      // Outputs that meet it in an input of its own.
      const met = new Set(links.filter((link) => own.has(link.in)).map((link) => link.out));
      return {
        voltages: [between, ...(crosstalk ? all : inputs((name) => own.has(name)))],
        currents: [
          ...made.driven.filter((each) => met.has(each.channel)).map(({ source }) => source),
          ...(coldSource === undefined ? [] : [coldSource]),
        ],
      };
    }),
    ...(made.groundSource === undefined ? [] : [{ voltages: all, currents: [] }]),
  ];
}

/** A circuit of which only one channel that sends is driven. */
function soloed({ groundSource: _, ...made }: LeadCircuit, only: string): LeadCircuit {
  return { ...made, driven: made.driven.filter(({ channel }) => channel === only) };
}

/** How a lead is solved, beside what it is. */
export interface Solving {
  readonly frequencies?: readonly number[];
  readonly lossDb?: number | undefined;
  readonly without?: readonly string[];
  readonly orders?: Orders;
  /** The one channel that sends whose doing is asked for: nothing else is heard then. */
  readonly only?: string | undefined;
  /** Its circuit, where it is made already. */
  readonly made?: LeadCircuit;
}

/** Solves a lead once for all the questions that are asked of it. Errors: those of the solver. */
// eslint-disable-next-line max-lines-per-function -- what every figure is given, gathered once.
export function contextOf(
  assembly: Assembly,
  situation: Situation,
  given: Conditions,
  { frequencies = GRIDS.fine, lossDb, without = [], orders = new Orders(), only, made: ready }: Solving = {},
): Result<Context> {
  const conditions: Conditions = { highestHertz: HIGHEST, ...given };
  const whole = ready ?? leadCircuit(assembly, situation, conditions);
  const made = only === undefined ? whole : soloed(whole, only);
  const drives = [
    ...made.driven.map((drive) => drive.source),
    ...(made.groundSource === undefined ? [] : [made.groundSource]),
  ];
  const asked = askedOf(made, situation, !without.includes('separation'));
  const solved = sweeps(made.circuit, frequencies, drives, { asked, orders });
  if (!solved.ok) return solved;
  const links = situation.links.flatMap((link): readonly SignalLink[] => {
    const [from, to] = [channelNamed(situation, link.out), channelNamed(situation, link.in)];
    const known =
      made.driven.some((d) => d.channel === link.out) && made.heard.some((h) => h.channel === link.in);
    return from && to && known
      ? [
          {
            ...link,
            from,
            to,
            name: situation.links.length === 1 ? '' : `${sayChannel(from)} to ${sayChannel(to)}`,
          },
        ]
      : [];
  });
  const sizes = (
    swept: Sweep | undefined,
    between: readonly [NodeName, NodeName] | undefined,
    volts: number,
  ): readonly number[] =>
    between && swept
      ? magnitudes(swept.voltage(...between)).map((value) => value * volts)
      : frequencies.map(() => 0);
  const listening = (into: string) => made.heard.find((each) => each.channel === into)?.between;
  const sending = (out: string) => {
    const n = made.driven.findIndex((each) => each.channel === out);
    return { swept: solved.value[n], ...made.driven[n] };
  };
  const context: Context = {
    assembly,
    situation,
    conditions,
    made,
    frequencies,
    links,
    heard: (out, into) => {
      const { swept, volts = 0 } = sending(out);
      return sizes(swept, listening(into), volts);
    },
    together(outs, into) {
      const between = listening(into);
      const all = outs.flatMap((out) => {
        const { swept, volts = 0 } = sending(out);
        return swept && between ? [{ trace: swept.voltage(...between), volts }] : [];
      });
      return frequencies.map((_, n) =>
        Math.hypot(
          all.reduce((sum, { trace, volts }) => sum + volts * (trace.re[n] ?? 0), 0),
          all.reduce((sum, { trace, volts }) => sum + volts * (trace.im[n] ?? 0), 0),
        ),
      );
    },
    humIn: (into) =>
      made.groundSource === undefined
        ? undefined
        : sizes(solved.value[made.driven.length], listening(into), conditions.groundVolts ?? 0),
    sent: (out) => {
      const { swept, between, volts = 0 } = sending(out);
      return sizes(swept, between, volts);
    },
    driven: (out, other) => {
      const { swept, volts = 0 } = sending(out);
      const { source } = sending(other);
      return swept && source !== undefined
        ? magnitudes(swept.current(source)).map((value) => value * volts)
        : frequencies.map(() => 0);
    },
    coldLeg(out) {
      const { swept, coldSource, volts = 0 } = sending(out);
      return swept && coldSource !== undefined
        ? magnitudes(swept.current(coldSource)).map((value) => value * volts)
        : undefined;
    },
    again: (change, hertz, how) =>
      contextOf(
        assembly,
        change.situation ?? situation,
        { ...given, ...change.conditions },
        { frequencies: hertz, without, orders, ...how },
      ),
    nearest: (hertz) => {
      let best = 0;
      frequencies.forEach((each, n) => {
        if (Math.abs(each - hertz) < Math.abs((frequencies[best] ?? 0) - hertz)) best = n;
      });
      return best;
    },
    lossDb,
    without,
    orders,
  };
  return good(context);
}

/** Nominal level of what sends, V r.m.s. */
export const nominal = ({ from }: SignalLink): number => dbuToVolts(from.port.levelDbu);

/** Level of a link against frequency re what is sent, dB. */
export const curveOf = (context: Context, link: SignalLink): readonly number[] =>
  context.heard(link.out, link.in).map((value) => decibels(value / nominal(link)));

/**
 * The frequency at which a curve has fallen by so much from its value at 1 kHz, Hz. Between points it falls as a low-pass of
 * the first order does, by (f² − f₁²) ÷ (f₀² + f₁²) more in power than at f₁; straight by its logarithm where it had not begun
 * to fall at the first of them.
 */
export function corner(context: Context, curve: readonly number[], drop: number): number {
  const from = context.nearest(1000);
  const [start, first] = [curve[from] ?? 0, context.frequencies[from] ?? 1000];
  const power = (lostDb: number): number => 10 ** (lostDb / 10) - 1;
  const above = (hertz: number): number => hertz ** 2 - first ** 2;
  for (let n = from + 1; n < curve.length; n++) {
    const [before, now] = [start - (curve[n - 1] ?? 0), start - (curve[n] ?? 0)];
    if (now < drop) continue;
    const [low, high] = [context.frequencies[n - 1] ?? 1, context.frequencies[n] ?? 1];
    // From the first point on it goes in proportion.
    const share = power(drop) / power(now);
    if (n === from + 1) return Math.sqrt(first ** 2 + above(high) * share);
    if (before <= 0) return low * (high / low) ** ((drop - before) / (now - before));
    const slope = Math.log(above(high) / above(low)) / Math.log(power(now) / power(before));
    return Math.sqrt(first ** 2 + above(high) * share ** slope);
  }
  return Infinity;
}
