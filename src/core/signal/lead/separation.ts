import { decibels, figure, sayDb } from '../figures';
import type { Figure } from '../types';
import { UNHEARD } from './hum';
import type { Context, SignalLink, FigureKind } from './context';

export interface Crosstalk {
  readonly from: SignalLink;
  readonly into: SignalLink;
  /** dB under the signal that belongs there, at each frequency. */
  readonly curve: readonly number[];
}

/** Each channel in each input where it does not belong, dB under what does. */
export const crosstalk = (context: Context): readonly Crosstalk[] =>
  context.links.flatMap((into) => {
    const own = context.heard(into.out, into.in);
    // Where nothing arrives there is nothing to keep apart.
    if (own.every((value) => value < 1e-12)) return [];
    const belongs = new Set(context.links.filter((each) => each.in === into.in).map((each) => each.out));
    return context.links
      .filter((from) => !belongs.has(from.out))
      .filter((from, n, all) => all.findIndex((each) => each.out === from.out) === n)
      .map((from) => ({
        from,
        into,
        curve: context.heard(from.out, into.in).map((value, n) => decibels((own[n] ?? 0) / value)),
      }));
  });

/** How far channels keep apart: the worst pair. */
function separationFigures(context: Context): readonly Figure[] {
  const all = crosstalk(context);
  return ([1000, 10_000] as const).flatMap((hertz) => {
    const at = context.nearest(hertz);
    const worst = all.reduce<Crosstalk | undefined>(
      (least, each) => (!least || (each.curve[at] ?? 0) < (least.curve[at] ?? 0) ? each : least),
      undefined,
    );
    if (!worst) return [];
    const found = worst.curve[at] ?? Infinity;
    const value = found < UNHEARD ? found : Infinity;
    return [
      figure(
        hertz === 1000 ? 'separation' : 'separation-high',
        `separation at ${hertz / 1000} kHz`,
        value,
        'dB',
        value < UNHEARD ? sayDb(value) : 'nothing passes',
        'signal that belongs ÷ signal that does not; common return: load ÷ R, about',
        [['worst', `${worst.from.name} in ${worst.into.name}`]],
        'by the circuit; capacitance from pair to pair from memory, what couples them by their fields left out',
      ),
    ];
  });
}

/** How far channels keep apart. */
export const separation: FigureKind = { kind: 'separation', compute: separationFigures };
