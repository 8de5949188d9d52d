import { DBU_REFERENCE } from '../../quantity';
import { loadOhms, sourceOhms } from '../../model';
import { decibels, figure, sayDb, sayHertz, sayLevel, sayOhms } from '../figures';
import type { Figure } from '../types';
import { corner, curveOf, HIGHEST, nominal, type Context, type SignalLink, type FigureKind } from './context';

/** What an input takes before it clips, at its lowest gain, dBu (from memory); loudspeakers and headphones are another matter. */
function mostOf({ port }: SignalLink['to']): number | undefined {
  const balanced = port.format.startsWith('balanced');
  if (port.signal === 'microphone') return balanced ? 6 : -20;
  if (port.signal === 'instrument') return 6;
  return ['line', 'patch', 'insert'].includes(port.signal) ? (balanced ? 22 : 8) : undefined;
}

/** Under this nothing arrives that is a signal, dB. */
const NOTHING = -200;

/** What arrives, and how flat it is. */
// eslint-disable-next-line max-lines-per-function -- the figures of a level in the order in which they are read.
function levelFigures(context: Context, link: SignalLink): readonly Figure[] {
  const { from, to, name } = link;
  const curve = curveOf(context, link);
  const gain = curve[context.nearest(1000)] ?? -Infinity;
  const rms = nominal(link) * 10 ** (gain / 20);
  const [one, three] = [corner(context, curve, 1), corner(context, curve, 3.0103)];
  const most = mostOf(to);
  const headroom = (most ?? 0) - decibels(rms / DBU_REFERENCE);
  const treble = (curve[context.nearest(20_000)] ?? 0) - gain;
  const inputs = [
    ['sent', sayDb(from.port.levelDbu, 'u')],
    ['source', sayOhms(sourceOhms(from))],
    ['load', sayOhms(loadOhms(to))],
  ] as const;
  const within = name === '' ? '' : `, ${name}`;
  const say = (hertz: number): string =>
    hertz === Infinity ? `beyond ${sayHertz(HIGHEST)}` : sayHertz(hertz);
  const [arrives, ...others] = [
    figure(
      ['gain', link],
      `arrives${within}`,
      gain,
      'dB',
      sayDb(gain, '', 2),
      'V at the input ÷ V sent, at 1 kHz',
      inputs,
      'by the circuit; impedances as the ports have them',
    ),
    figure(
      ['level', link],
      `level${within}`,
      rms,
      'V',
      sayLevel(rms),
      'V sent × what arrives; 0 dBu = √0.6 V, 0 dBV = 1 V',
      inputs,
      'by the circuit',
    ),
    ...(most === undefined
      ? []
      : [
          figure(
            ['headroom', link],
            `headroom${within}`,
            headroom,
            'dB',
            sayDb(headroom),
            'most that the input takes − level',
            [...inputs, ['input takes', sayDb(most, 'u')]],
            'by the circuit; what the input takes from memory',
          ),
        ]),
    figure(
      ['minus3', link],
      `−3 dB${within}`,
      three,
      'Hz',
      say(three),
      'where the curve is 3 dB under its level at 1 kHz; 1 ÷ 2πRC for one capacitance',
      inputs,
      'by the circuit; capacitance typical, from memory',
    ),
    figure(
      ['minus1', link],
      `−1 dB${within}`,
      one,
      'Hz',
      say(one),
      'where the curve is 1 dB under its level at 1 kHz',
      inputs,
      'by the circuit; capacitance typical, from memory',
    ),
    figure(
      ['treble', link],
      `at 20 kHz${within}`,
      treble,
      'dB',
      sayDb(treble, '', 2),
      'level at 20 kHz − level at 1 kHz',
      inputs,
      'by the circuit; capacitance typical, from memory',
    ),
  ];
  // Of nothing there is no response.
  return !arrives ? [] : gain < NOTHING ? [arrives] : [arrives, ...others];
}

/** What arrives of each link, and how flat. */
export const level: FigureKind = {
  kind: 'level',
  compute: (context) => context.links.flatMap((link) => levelFigures(context, link)),
};
