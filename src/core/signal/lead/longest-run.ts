import { spanLengths } from '../../assembly';
import { loadOhms } from '../../model';
import type { Channel } from '../../situation';
import { mm2, ohmsPerKilometre } from '../../quantity';
import { decibels, figure, sayDb, sayMetres, sayOhms } from '../figures';
import { GAUGES } from '../gauges';
import type { Figure } from '../types';
import { curveOf, type Context, type SignalLink, type FigureKind } from './context';

/** What may be lost at 20 kHz where nothing else is asked, dB: the least that is heard (common practice). */
const LOSS = 1;
/** What the loop of a loudspeaker lead may be of its load: −0.42 dB (common practice). */
export const LOUDSPEAKER_SHARE = 0.05;
/** Nothing longer is looked for, m. */
const LONGEST = 2000;

/** The length that was asked for, m, as it is looked at now; 0 where there is no cable. */
export function lengthNow({ assembly, conditions }: Context): number {
  const [now, own] = [conditions.lengths, spanLengths(assembly)].map((all) => Math.max(0, ...all.values()));
  return own ? ((assembly.lengths[0]?.mm ?? 0) * (now ?? 0)) / own / 1000 : 0;
}

/** What may be lost in a lead from this source where nothing else is asked, dB. */
export const usualLoss = ({ port }: Channel): number =>
  port.signal === 'loudspeaker' ? decibels(1 + LOUDSPEAKER_SHARE) : LOSS;
/** What may be lost in a lead, dB: what is asked, or what is usual for its kind. */
export const allowed = (link: SignalLink, asked: number | undefined): number => asked ?? usualLoss(link.from);

/** What the lead of a loudspeaker makes of resistance, Ω: as the voltages at both its ends have it, at the lowest frequency. */
export function loopOf(context: Context, link: SignalLink): number {
  const [sent, heard] = [context.sent(link.out)[0] ?? 0, context.heard(link.out, link.in)[0] ?? 0];
  return heard > 0 ? (loadOhms(link.to) * (sent - heard)) / heard : Infinity;
}

/** What its length costs a link, dB: a loudspeaker its level, all else its treble. */
function lossOf(context: Context, link: SignalLink): number {
  if (link.from.port.signal === 'loudspeaker')
    return decibels((loadOhms(link.to) + loopOf(context, link)) / loadOhms(link.to));
  const curve = curveOf(context, link);
  return (curve[context.nearest(1000)] ?? 0) - (curve[context.nearest(20_000)] ?? 0);
}

/** Cut for less than the 20 kHz that are looked at: a section is then a quarter of a radian long, and half a per cent off. */
const CUT_HERTZ = 8000;

/** The same lead so many times as long, at no more frequencies than it takes. */
function stretched(context: Context, link: SignalLink, times: number): Context | undefined {
  const lengths = new Map([...context.conditions.lengths].map(([id, mm]) => [id, mm * times]));
  const made = context.again(
    { conditions: { lengths, highestHertz: CUT_HERTZ } },
    link.from.port.signal === 'loudspeaker' ? [10] : [1000, 20_000],
    { only: link.out },
  );
  return made.ok ? made.value : undefined;
}

/** What is near enough to the limit, as a share of it. */
const NEAR = 0.005;
const MOST_TRIES = 20;

/**
 * How long a lead of this kind may be for what may be lost, m; `Infinity` where {@link LONGEST} still keeps it, 0 where no
 * length does. Loss goes as a power of the length, so the next try is where a straight line through the logarithms of the two
 * nearest tries meets the limit.
 */
function longest(context: Context, link: SignalLink, metres: number, limit: number): number {
  interface Try {
    readonly times: number;
    readonly loss: number;
  }
  const most = LONGEST / metres;
  let [inside, outside]: (Try | undefined)[] = [undefined, undefined];
  let times = Math.min(1, most);
  for (let n = 0; n < MOST_TRIES; n++) {
    // As long as it is it was looked at before.
    const made = times === 1 ? context : stretched(context, link, times);
    if (!made) return Number.NaN;
    // What is lost when nothing is lost is rounding, and may have either sign.
    const loss = Math.max(lossOf(made, link), limit * 1e-6);
    if (Math.abs(loss / limit - 1) <= NEAR) return times * metres;
    if (loss < limit) inside = { times, loss };
    else outside = { times, loss };
    if (loss < limit && times >= most) return Infinity;
    if (loss > limit && times < 1e-3) return 0;
    const power =
      inside && outside
        ? Math.log(outside.loss / inside.loss) / Math.log(outside.times / inside.times)
        : link.from.port.signal === 'loudspeaker'
          ? 1
          : 2;
    // Never to an end of the interval, and never further than thirty times at once.
    const guess = times * Math.min(30, Math.max(1 / 30, (limit / loss) ** (1 / power)));
    const [low, high] = [(inside?.times ?? 0) * 1.001, (outside?.times ?? Infinity) / 1.001];
    times = Math.min(most, guess > low && guess < high ? guess : Math.sqrt(low * high));
  }
  return (inside?.times ?? 0) * metres;
}

/** How long the lead may be, and how thin where it feeds a loudspeaker: for the link that loses most. */
function reachFigures(context: Context, lossDb: number | undefined): readonly Figure[] {
  const metres = lengthNow(context);
  // A coil rings with its lead: its treble is no matter of a limit. A curve that is not flat without the lead neither.
  const links = context.links.filter((link) => !link.from.port.coil);
  if (metres <= 0 || links.length === 0) return [];
  const [worst] = [...links].sort((a, b) => lossOf(context, b) - lossOf(context, a));
  if (!worst || !(lossOf(context, worst) < 200)) return [];
  const limit = allowed(worst, lossDb);
  const most = longest(context, worst, metres, limit);
  const loudspeaker = worst.from.port.signal === 'loudspeaker';
  const inputs = [
    ['allowed', sayDb(-limit, '', 2)],
    ['now', `${sayDb(-lossOf(context, worst), '', 2)} at ${sayMetres(metres)}`],
    ...(worst.name === '' ? [] : [['worst', worst.name] as const]),
  ] as const;
  return [
    figure(
      'longest',
      `longest for ${sayDb(-limit, '', loudspeaker ? 2 : 1)}${loudspeaker ? '' : ' at 20 kHz'}`,
      most,
      'm',
      most === Infinity ? `over ${LONGEST / 1000} km` : most === 0 ? 'no length keeps it' : sayMetres(most),
      loudspeaker
        ? 'the length whose loop is (10^(loss ÷ 20) − 1) · load'
        : 'the length whose capacitance takes this much at 20 kHz from what it leaves at 1 kHz',
      inputs,
      'by the circuit, solved at one length after the other; the limit common practice',
    ),
    ...(loudspeaker ? thinnest(context, worst, metres, limit, inputs) : []),
  ];
}

/** The thinnest conductor that does for this length: its copper has what the limit leaves beside the contacts. */
function thinnest(
  context: Context,
  link: SignalLink,
  metres: number,
  limit: number,
  inputs: Figure['inputs'],
): readonly Figure[] {
  const without = stretched(context, link, 1e-6);
  if (!without) return [];
  const left = (10 ** (limit / 20) - 1) * loadOhms(link.to) - loopOf(without, link);
  const found = GAUGES.find(
    ([, area]) => (2 * metres * ohmsPerKilometre(mm2(area), context.conditions.celsius ?? 20)) / 1000 <= left,
  );
  return [
    figure(
      'thinnest',
      'thinnest conductor for it',
      found?.[1] ?? Infinity,
      'mm²',
      found?.[0] ?? 'none that is made up: shorten it',
      '2 · length · ρ ÷ area ≤ what the limit leaves',
      [...inputs, ['left for copper', left > 0 ? sayOhms(left) : 'nothing']],
      'ASTM B258, IEC 60228, IACS; by the circuit',
    ),
  ];
}

/** What a lead takes at lengths up to so many metres, dB as it is drawn: downward. */
export function lossByLength(
  context: Context,
  link: SignalLink,
  upTo: number,
): readonly (readonly [number, number])[] {
  const metres = lengthNow(context);
  return Array.from({ length: 25 }, (_, n) => (upTo * Math.max(n, 0.01)) / 24).flatMap((length) => {
    const made = stretched(context, link, length / metres);
    return made ? [[length, -lossOf(made, link)] as const] : [];
  });
}

/** How long it may be: solved at one length after the other, so not while something is being turned. */
export const longestRun: FigureKind = {
  kind: 'longest-run',
  slow: true,
  compute: (context) => reachFigures(context, context.lossDb),
};
