import { figure, figuresOfKind, sayDb, sayFarads, sayHertz } from '../figures';
import type { Figure } from '../types';
import { curveOf, type Context, type SignalLink, type FigureKind } from './context';
import { impedanceIn } from './input-impedance';

/** A pickup that rings lower than this sounds dark, Hz (from memory). */
export const DARK = 2000;

/** Where a curve is highest: Hz, and dB over what it is at 100 Hz. */
function peakOf(context: Context, link: SignalLink): { readonly hertz: number; readonly rise: number } {
  const curve = curveOf(context, link);
  const from = context.nearest(100);
  const top = curve.reduce(
    (best, value, n) => (n > from && value > (curve[best] ?? -Infinity) ? n : best),
    from,
  );
  const [a = 0, b = 0, c = 0] = [curve[top - 1], curve[top], curve[top + 1]];
  // Between the points by a parabola through the highest three.
  const bend = a - 2 * b + c;
  const shift = bend < 0 && top > from && top < curve.length - 1 ? (a - c) / (2 * bend) : 0;
  const [low = 1, high = 1] = [context.frequencies[top - 1], context.frequencies[top + 1]];
  const hertz = (context.frequencies[top] ?? 0) * (high / low) ** (shift / 2);
  return { hertz, rise: b - ((a - c) * shift) / 4 - (curve[from] ?? 0) };
}

/** Where a wound source rings with its lead. `farads` is what lead and input put on it, F, beside its own. */
function coilFigures(context: Context, link: SignalLink, farads: number): readonly Figure[] {
  const { coil: wound } = link.from.port;
  if (!wound) return [];
  const { henries } = wound;
  const total = farads + 1e-12 * wound.picofarads;
  const ideal = 1 / (2 * Math.PI * Math.sqrt(henries * total));
  const { hertz, rise } = peakOf(context, link);
  const within = link.name === '' ? '' : `, ${link.name}`;
  const inputs = [
    ['coil', `${Number(henries.toPrecision(3))} H`],
    ['capacitance in all', sayFarads(total)],
  ] as const;
  return [
    figure(
      ['resonance', link],
      `rings at${within}`,
      ideal,
      'Hz',
      sayHertz(ideal),
      'f = 1 ÷ (2π√(L·C))',
      inputs,
      'textbook formula; inductance typical, from memory',
    ),
    figure(
      ['rise', link],
      `highest point of the curve${within}`,
      Math.max(0, rise),
      'dB',
      rise > 0.1 ? `${sayHertz(hertz)}, ${sayDb(rise)} up` : 'none: damped flat',
      'from the curve',
      inputs,
      'by the circuit',
    ),
  ];
}

/** Where each wound source rings with what is seen on it. */
export const coil: FigureKind = {
  kind: 'coil',
  compute: (context) =>
    context.links.flatMap((link) => {
      if (!link.from.port.coil) return [];
      const own = figuresOfKind(impedanceIn(context), 'capacitance').find(
        (each) => each.link?.out === link.out,
      );
      return coilFigures(context, link, own?.value ?? 0);
    }),
};
