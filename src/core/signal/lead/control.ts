import type { PartOf } from '../../assembly';
import { wiped } from '../../circuit';
import { loadOhms, withImpedance } from '../../model';
import { figure, sayDb, sayOhms } from '../figures';
import type { Chart, Figure } from '../types';
import { suitingTrack } from '../volume';
import { curveOf, type Context, type FigureKind } from './context';

/** The control that is turned in a lead: the first of its potentiometers. */
const controlIn = ({ assembly }: Context): PartOf<'potentiometer'> | undefined =>
  assembly.bodies.flatMap((body) => body.parts).find((part) => part.kind === 'potentiometer');

/** What arrives of each link at this turn, dB; `tracking` sets the halves apart, `times` the impedance of the loads. */
function at(context: Context, turn: number, tracking = 0, times = 1): readonly number[] {
  const situation = {
    ...context.situation,
    channels: context.situation.channels.map((each) =>
      each.direction === 'sends' || times === 1
        ? each
        : withImpedance(each, { ohms: loadOhms(each) * times }),
    ),
  };
  const made = context.again({ conditions: { turn, tracking }, situation }, [1000]);
  return made.ok ? made.value.links.map((link) => curveOf(made.value, link)[0] ?? -Infinity) : [];
}

/** How far the halves are apart, of what the part says of itself; nothing where there is one only. */
const trackingOf = ({ gangs = [], tolerance = 0 }: PartOf<'potentiometer'>): number =>
  gangs.length > 1 ? tolerance : 0;

/** What a control takes turned up and at half turn, how its halves keep together, and what suits. */
function controlFigures(context: Context): readonly Figure[] {
  const part = controlIn(context);
  const [link] = context.links;
  if (!part || !link || part.trackOhms === undefined) return [];
  const tracking = trackingOf(part);
  const [full = 0] = at(context, 1);
  const [half = 0] = at(context, 0.5);
  const quarter = at(context, 0.25, tracking);
  const apart = Math.max(...quarter) - Math.min(...quarter);
  const bend = (at(context, 0.5, 0, 3)[0] ?? 0) - half;
  const load = loadOhms(link.to);
  const best = suitingTrack(load);
  const inputs = [
    ['track', `${sayOhms(part.trackOhms)}${part.taper === undefined ? '' : `, ${part.taper}`}`],
    ['load', sayOhms(load)],
  ] as const;
  return [
    figure(
      'turnedup',
      'arrives turned up',
      full,
      'dB',
      sayDb(full),
      'the track and the load beside each other, against the source',
      inputs,
      'by the circuit',
    ),
    figure(
      'halfturn',
      'arrives at half turn',
      half,
      'dB',
      sayDb(half),
      `${Math.round(100 * wiped(0.5, 'logarithmic'))} % of a logarithmic track, half of a linear one`,
      inputs,
      'by the circuit; taper common practice',
    ),
    ...(tracking > 0
      ? [
          figure(
            'tracking',
            'left against right at a quarter turn (channel balance), at worst',
            apart,
            'dB',
            sayDb(apart),
            'the halves apart by the tolerance, in value and in turn',
            [...inputs, ['tolerance', `${100 * tracking} %`]],
            'by the circuit; tolerance of dual controls from memory',
          ),
        ]
      : []),
    figure(
      'bend',
      'bass changed at half turn',
      bend,
      'dB',
      sayDb(bend),
      'more level where the load’s own resonance has three times its impedance',
      inputs,
      'by the circuit; resonance from memory',
    ),
    figure(
      'suits',
      'value that suits',
      best,
      'Ω',
      sayOhms(best),
      'the smallest of at least three times the load',
      inputs,
      'common practice',
    ),
  ];
}

/** What arrives against the turn, and how far the halves may be apart. */
export function controlChart(context: Context): Chart | undefined {
  const part = controlIn(context);
  if (!part || context.links.length === 0) return undefined;
  const tracking = trackingOf(part);
  const turns = Array.from({ length: 40 }, (_, n) => (n + 1) / 40);
  const alike = turns.map((turn) => at(context, turn)[0] ?? -Infinity);
  const apart = turns.map((turn) => at(context, turn, tracking));
  const points = (values: readonly number[]): readonly (readonly [number, number])[] =>
    values.map((value, n) => [100 * (turns[n] ?? 0), value] as const);
  return {
    name: 'Level against turn',
    x: { name: 'turn', unit: '%', scale: 'linear' },
    y: { name: 'level re what is sent', unit: 'dB', scale: 'linear' },
    series: [
      { name: tracking > 0 ? 'halves alike' : 'level', points: points(alike) },
      ...(tracking > 0
        ? [
            {
              name: `the fuller half, ${100 * tracking} % apart`,
              points: points(apart.map((levels) => Math.max(...levels))),
            },
            { name: 'the other half', points: points(apart.map((levels) => Math.min(...levels))) },
          ]
        : []),
    ],
  };
}

/** What a control does to its level. */
export const control: FigureKind = { kind: 'control', compute: controlFigures };
