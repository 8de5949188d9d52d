import { factsWith } from '../../situation';
import { decibels, figure, sayDb, sayOhms, sayVolts } from '../figures';
import type { Figure } from '../types';
import { MAINS, type Context, type SignalLink, type FigureKind } from './context';

/** Further under a signal than this nothing is there, dB. */
export const UNHEARD = 140;

/** What a difference between two grounds puts into an input; nothing where no two ends stand on earth. */
function humFigures(context: Context, link: SignalLink): readonly Figure[] {
  const curve = context.humIn(link.in);
  const volts = context.conditions.groundVolts ?? 0;
  if (!curve || volts <= 0) return [];
  // Whichever mains is worse: what comes through capacitance grows with the frequency.
  const rms = Math.max(...MAINS.map((hertz) => curve[context.nearest(hertz)] ?? 0));
  const signal = context.heard(link.out, link.in)[context.nearest(1000)] ?? 0;
  // What is further down than can be is rounding, and no hum.
  const none = !(decibels(signal / rms) < UNHEARD);
  const under = none ? Infinity : decibels(signal / rms);
  const rejection = none ? Infinity : decibels(volts / rms);
  const { earthOhms, imbalanceOhms } = factsWith(context.situation.facts, context.conditions.facts);
  const inputs = [
    ['ground difference', sayVolts(volts)],
    ['earth between', sayOhms(earthOhms)],
    ['imbalance of a balanced source', sayOhms(imbalanceOhms)],
  ] as const;
  const within = link.name === '' ? '' : `, ${link.name}`;
  return [
    figure(
      ['hum', link],
      `hum under the signal${within}`,
      under,
      'dB',
      none ? 'none' : sayDb(under),
      'unbalanced: V = I · R of the return; balanced: common voltage × imbalance ÷ leg',
      inputs,
      'by the circuit at 50 or 60 Hz, the worse; earth and imbalance from memory',
    ),
    figure(
      ['humvolts', link],
      `hum at the input${within}`,
      none ? 0 : rms,
      'V',
      none ? 'none' : sayVolts(rms),
      'as above',
      inputs,
      'by the circuit at 50 or 60 Hz, the worse',
    ),
    figure(
      ['rejection', link],
      `ground difference kept out (common-mode rejection)${within}`,
      rejection,
      'dB',
      none ? 'all' : sayDb(rejection),
      '20 log (ground difference ÷ hum)',
      inputs,
      'by the circuit at 50 or 60 Hz, the worse',
    ),
  ];
}

/** What a difference of grounds puts into each input. */
export const hum: FigureKind = {
  kind: 'hum',
  compute: (context) => context.links.flatMap((link) => humFigures(context, link)),
};
