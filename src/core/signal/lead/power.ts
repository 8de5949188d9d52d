import { loadOhms, sourceOhms } from '../../model';
import { decibels, figure, say, sayDb, sayOhms, sayWatts } from '../figures';
import type { Figure } from '../types';
import type { Context, SignalLink, FigureKind } from './context';
import { loopOf } from './longest-run';

/** What a loudspeaker lead takes. */
function powerFigures(context: Context, link: SignalLink): readonly Figure[] {
  if (link.from.port.signal !== 'loudspeaker') return [];
  const load = loadOhms(link.to);
  const source = sourceOhms(link.from);
  const loop = loopOf(context, link);
  const volts = context.heard(link.out, link.in)[0] ?? 0;
  const amps = volts / load;
  const inputs = [
    ['load', sayOhms(load)],
    ['amplifier', sayOhms(source)],
    ['level', sayDb(link.from.port.levelDbu, 'u')],
  ] as const;
  const within = link.name === '' ? '' : `, ${link.name}`;
  return [
    figure(
      ['loop', link],
      `loop of the lead${within}`,
      loop,
      'Ω',
      sayOhms(loop),
      '(V at the amplifier − V at the load) ÷ I, at the lowest frequency',
      inputs,
      'by the circuit; copper ASTM B258, IEC 60228',
    ),
    figure(
      ['cable', link],
      `lost in the lead${within}`,
      decibels(load / (load + loop)),
      'dB',
      sayDb(decibels(load / (load + loop)), '', 2),
      '20 log (load ÷ (load + loop))',
      inputs,
      'by the circuit',
    ),
    figure(
      ['damping', link],
      `damping factor at most${within}`,
      load / (loop + source),
      '',
      say(load / (loop + source), 2),
      'load ÷ (loop + amplifier)',
      inputs,
      'by the circuit',
    ),
    figure(
      ['heat', link],
      `power in the lead${within}`,
      amps * amps * loop,
      'W',
      sayWatts(amps * amps * loop),
      'I² · loop',
      inputs,
      'by the circuit',
    ),
  ];
}

/** What each loudspeaker’s lead takes. */
export const power: FigureKind = {
  kind: 'power',
  compute: (context) => context.links.flatMap((link) => powerFigures(context, link)),
};
