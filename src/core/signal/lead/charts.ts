import { decibels, sayDb, sayMetres } from '../figures';
import type { Chart } from '../types';
import { controlChart } from './control';
import { corner, curveOf, GRIDS, MAINS, type Context, type SignalLink } from './context';
import { UNHEARD } from './hum';
import { allowed, lengthNow, lossByLength } from './longest-run';
import { crosstalk } from './separation';

const FREQUENCY = { name: 'frequency', unit: 'Hz', scale: 'log' } as const;
const level = (name: string) => ({ name, unit: 'dB', scale: 'linear' }) as const;

/** A chart with how much it matters for this lead, from 0 to 100. */
interface Weighed {
  readonly chart: Chart;
  readonly matters: number;
}

/** What is worth a picture in a lead, the one that matters most for it first. */
export function chartsOf(context: Context, lossDb: number | undefined): readonly Chart[] {
  const [link] = context.links;
  if (!link) return [];
  const turn = controlChart(context);
  const own: readonly Weighed[] = [
    ...(turn ? [{ chart: turn, matters: 100 }] : []),
    ...(link.from.port.signal === 'loudspeaker' ? byLength(context, link, lossDb) : []),
    ...(link.from.port.coil ? byCoil(context, link) : []),
    ...arrives(context),
    ...hum(context),
    ...channels(context),
  ];
  return [...own].sort((a, b) => b.matters - a.matters).map(({ chart }) => chart);
}

const along = ({ frequencies }: Context, values: readonly number[]): readonly (readonly [number, number])[] =>
  values.flatMap((value, n) => (Number.isFinite(value) ? [[frequencies[n] ?? 0, value] as const] : []));

function arrives(context: Context): readonly Weighed[] {
  const curves = context.links.map((link) => ({ link, curve: curveOf(context, link) }));
  // Channels that lie on one line are drawn as one.
  const distinct = curves.filter(
    ({ curve }, n) =>
      curves.findIndex((other) =>
        other.curve.every((value, f) => Math.abs(value - (curve[f] ?? 0)) < 0.05),
      ) === n,
  );
  const three = Math.min(...curves.map(({ curve }) => corner(context, curve, 3.0103)));
  return [
    {
      matters: three < 20_000 ? 95 : three < 60_000 ? 65 : 50,
      chart: {
        name: 'What arrives',
        x: FREQUENCY,
        y: level('level re what is sent'),
        series: distinct.map(({ link, curve }) => ({
          name: distinct.length === 1 ? 'level' : link.name,
          points: along(context, curve),
        })),
        ...(Number.isFinite(three)
          ? { mark: { y: (curves[0]?.curve[context.nearest(1000)] ?? 0) - 3, says: '−3 dB' } }
          : {}),
      },
    },
  ];
}

/** What a loudspeaker lead takes against its length, with the limit across. */
function byLength(context: Context, link: SignalLink, lossDb: number | undefined): readonly Weighed[] {
  const metres = lengthNow(context);
  if (metres <= 0) return [];
  const limit = allowed(link, lossDb);
  return [
    {
      matters: 90,
      chart: {
        name: 'Loss against length',
        x: { name: 'length', unit: 'm', scale: 'linear' },
        y: level('what the lead takes'),
        series: [{ name: 'this cable', points: lossByLength(context, link, Math.max(2 * metres, 10)) }],
        mark: { y: -limit, says: `${sayDb(-limit, '', 2)} allowed` },
      },
    },
  ];
}

/** A wound source with leads of several lengths. */
function byCoil(context: Context, link: SignalLink): readonly Weighed[] {
  const metres = lengthNow(context);
  if (metres <= 0) return [];
  const lengths = [...new Set([1, metres / 2, metres, 2 * metres].filter((each) => each >= 0.5))].sort(
    (a, b) => a - b,
  );
  return [
    {
      matters: 96,
      chart: {
        name: 'Level by length of lead',
        x: FREQUENCY,
        y: level('level re what is sent'),
        series: [metres, ...lengths.filter((each) => each !== metres)].flatMap((length) => {
          const stretched = new Map(
            [...context.conditions.lengths].map(([id, mm]) => [id, (mm * length) / metres]),
          );
          const made =
            length === metres
              ? { ok: true as const, value: context }
              : context.again({ conditions: { lengths: stretched } }, GRIDS.fine);
          return made.ok
            ? [
                {
                  name: sayMetres(length),
                  // As far as it is heard: above its resonance it only falls.
                  points: along(made.value, curveOf(made.value, link)).filter(
                    ([hertz]) => hertz >= 50 && hertz <= 20_000,
                  ),
                },
              ]
            : [];
        }),
      },
    },
  ];
}

/** The worst few of some curves against frequency, the first of them first; nothing where there are none. */
const picture = (name: string, of: string, series: Chart['series'], matters: number): readonly Weighed[] =>
  series.length === 0
    ? []
    : [{ matters, chart: { name, x: FREQUENCY, y: level(of), series: series.slice(0, 3) } }];

function hum(context: Context): readonly Weighed[] {
  if ((context.conditions.groundVolts ?? 0) <= 0) return [];
  let worst = -Infinity;
  const series = context.links.flatMap((link) => {
    const found = context.humIn(link.in);
    const signal = context.heard(link.out, link.in)[context.nearest(1000)] ?? 0;
    if (!found) return [];
    const levels = found.map((value) => decibels(value / signal));
    // What is further down than can be is rounding, and no hum.
    const mains = Math.max(...MAINS.map((hertz) => levels[context.nearest(hertz)] ?? -Infinity));
    worst = Math.max(worst, mains);
    return mains > -UNHEARD
      ? [{ name: link.name === '' ? 'hum' : link.name, points: along(context, levels) }]
      : [];
  });
  return picture('Hum against frequency', 're the signal', series, worst > -40 ? 85 : worst > -70 ? 60 : 40);
}

function channels(context: Context): readonly Weighed[] {
  const at = context.nearest(1000);
  const apart = [...crosstalk(context)].sort((a, b) => (a.curve[at] ?? 0) - (b.curve[at] ?? 0));
  const least = apart[0]?.curve[at] ?? Infinity;
  return picture(
    'Crosstalk',
    're the signal that belongs there',
    apart.map(({ from, into, curve }) => ({
      name: `${from.name} in ${into.name}`,
      points: along(
        context,
        curve.map((value) => -value),
      ),
    })),
    least < 40 ? 80 : least < 70 ? 55 : 30,
  );
}
