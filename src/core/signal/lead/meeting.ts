import { sourceOhms } from '../../model';
import { decibels, figure, sayAmps, sayDb, sayOhms } from '../figures';
import type { Figure } from '../types';
import { nominal, type Context, type FigureKind } from './context';

/** More than this an output was not made to drive, A (from memory: a line output stands some 10 mA, and distorts before). */
export const CLASH_AMPS = 5e-3;

/** Further down than this what was alike in both has cancelled, dB. */
export const CANCELLED = -40;

/** What outputs that meet at one input make of each other there: the worst pair. */
const meetingFigures = (context: Context): readonly Figure[] => [
  ...clashFigures(context),
  ...alikeFigures(context),
  ...coldFigures(context),
];

/** Less than this is no more than an input’s load, A (from memory). */
const LEAST_COLD = 1e-3;

/** What the cold leg of an output gives where it is driven on its own: next to nothing, unless it meets ground. */
function coldFigures(context: Context): readonly Figure[] {
  const at = context.nearest(1000);
  return context.links
    .filter((link, n) => context.links.findIndex((each) => each.out === link.out) === n)
    .flatMap((link) => {
      const amps = context.coldLeg(link.out)?.[at];
      return amps === undefined || amps < LEAST_COLD
        ? []
        : [
            figure(
              ['cold', link],
              `current in the cold leg${link.name === '' ? '' : `, ${link.name}`}`,
              amps,
              'A',
              sayAmps(amps),
              'half of V ÷ half of Z where it is shorted to ground',
              [
                ['from', link.from.port.name],
                ['source', sayOhms(sourceOhms(link.from))],
              ],
              'by the circuit at nominal level and 1 kHz',
            ),
          ];
    });
}

/** What arrives of a signal that two outputs carry alike, as the voice in the middle of a stereo pair. */
function alikeFigures(context: Context): readonly Figure[] {
  const at = context.nearest(1000);
  const pairs = context.links.flatMap((one) =>
    context.links
      .filter((other) => other.in === one.in && other.out > one.out)
      .map((other) => ({ one, other, volts: context.together([one.out, other.out], one.in)[at] ?? 0 })),
  );
  const [least] = pairs
    .map((pair) => ({ ...pair, level: decibels(pair.volts / nominal(pair.one)) }))
    .sort((a, b) => a.level - b.level);
  if (!least) return [];
  const { one, other, level } = least;
  return [
    figure(
      ['alike', { out: one.out, in: other.out }],
      'the middle, what both send in phase (mono content)',
      level,
      'dB',
      level < CANCELLED ? 'nothing: one cancels the other' : sayDb(level),
      '20 log |V₁ + V₂| re one of them',
      [
        ['one', one.from.port.name],
        ['and', other.from.port.name],
      ],
      'by the circuit at 1 kHz, both at nominal level',
    ),
  ];
}

/** What differs by less is alike. */
const ALIKE = 1e-6;

function clashFigures(context: Context): readonly Figure[] {
  const at = context.nearest(1000);
  const pairs = context.links.flatMap((one) =>
    context.links
      .filter((other) => other.in === one.in && other.out !== one.out)
      .map((other) => ({ one, other, amps: context.driven(one.out, other.out)[at] ?? 0 })),
  );
  // Of two that are alike the first, whatever rounding makes of them: its range is looked for under its name.
  const worst = pairs.reduce<(typeof pairs)[number] | undefined>(
    (most, each) => (most && each.amps <= most.amps * (1 + ALIKE) ? most : each),
    undefined,
  );
  if (!worst) return [];
  const { one, other, amps } = worst;
  return [
    figure(
      ['clash', { out: one.out, in: other.out }],
      'current between the outputs (circulating)',
      amps,
      'A',
      sayAmps(amps),
      'V ÷ (Z₁ + Z₂ + what lies between them)',
      [
        ['from', `${one.from.port.name}, ${sayOhms(sourceOhms(one.from))}`],
        ['into', `${other.from.port.name}, ${sayOhms(sourceOhms(other.from))}`],
      ],
      'by the circuit at nominal level and 1 kHz, the other output silent',
    ),
  ];
}

/** What outputs that meet make of each other. */
export const meeting: FigureKind = { kind: 'meeting', compute: meetingFigures };
