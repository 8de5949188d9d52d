import { spanLengths, type Assembly } from '../../assembly';
import {
  CABLE_FACTS,
  FACT_WORDS,
  type CableFacts,
  type Conditions,
  type Sections,
  type Use,
} from '../../circuit';
import { good, type Result } from '../../quantity';
import { decibels, sayDb, sayHertz } from '../figures';
import type { Chart, Figure, Weight } from '../types';
import { contextOf, corner, curveOf, HIGHEST, type Context } from './context';
import { humFigures, UNHEARD } from './hum';
import { levelFigures } from './level';
import { noiseFigures } from './noise';
import { powerFigures } from './power';
import { crosstalk, separationFigures } from './separation';
import { supplyFigures } from './supply';

/** What a lead does to what goes through it. */
export interface LeadSignal {
  readonly says: string;
  readonly weight: Weight;
  readonly figures: readonly Figure[];
  /** The one that matters most first. */
  readonly charts: readonly Chart[];
  readonly sections: readonly (Sections & { readonly span: string })[];
}

/** What may be turned while looking: everything else is as the lead and its ports have it. */
export interface Look extends Partial<Conditions> {
  /** Scales every span, as if the lead were so many times as long. */
  readonly lengthTimes?: number;
  /** In the place of the impedance of every output, and of every input, Ω. */
  readonly sourceOhms?: number;
  readonly loadOhms?: number;
  /** Whether figures get the range that what is only known from memory gives them: left out while something is being turned. */
  readonly ranges?: boolean;
  /** Few frequencies where only figures are wanted, and at once. */
  readonly grid?: 'fine' | 'coarse';
}

/** Between two chassis on the same mains, V r.m.s. (from memory: 1 to 100 mV). */
export const GROUND_VOLTS = 0.01;

const withPorts = (use: Use, { sourceOhms, loadOhms }: Look): Use => ({
  ...use,
  channels: use.channels.map((each) => {
    const ohms = each.sends ? sourceOhms : loadOhms;
    return ohms === undefined ? each : { ...each, ohms };
  }),
});

const conditionsOf = (assembly: Assembly, { lengthTimes = 1, ...look }: Look): Conditions => ({
  groundVolts: GROUND_VOLTS,
  ...look,
  lengths: look.lengths ?? new Map([...spanLengths(assembly)].map(([id, mm]) => [id, mm * lengthTimes])),
});

/**
 * What a lead does to the signal in its situation: level, response, hum, separation, supplies, power and noise, each a
 * figure with its formula and source, and the charts. Figures that hang on what is known from memory only have a range.
 *
 * Errors: those of the solver.
 */
export function leadSignal(assembly: Assembly, situation: Use, look: Look = {}): Result<LeadSignal> {
  const use = withPorts(situation, look);
  const conditions = conditionsOf(assembly, look);
  const usual = contextOf(assembly, use, conditions, look.grid);
  if (!usual.ok) return usual;
  const figures = figuresOf(assembly, usual.value);
  const ranged = look.ranges === false ? figures : withRanges(figures, assembly, use, conditions);
  return good({
    ...verdict(usual.value, ranged),
    figures: ranged,
    charts: chartsOf(usual.value),
    sections: usual.value.made.sections,
  });
}

const figuresOf = (assembly: Assembly, context: Context): readonly Figure[] => {
  const hasParts = assembly.bodies.some((body) => body.parts.length > 0);
  return [
    ...context.links.flatMap((link) => levelFigures(context, link)),
    ...context.links.flatMap((link) => powerFigures(context, link)),
    ...context.links.flatMap((link) => humFigures(context, link)),
    ...separationFigures(context),
    ...supplyFigures(assembly, context.use, context.conditions),
    ...context.links.slice(0, 1).flatMap((link) => noiseFigures(context, link, hasParts)),
  ];
};

/**
 * Figures again with every figure from memory at its low and at its high, one at a time: what moves by more than a hundredth has
 * a range. Looked at on a coarse grid, each beside the usual on that same grid.
 */
function withRanges(
  figures: readonly Figure[],
  assembly: Assembly,
  use: Use,
  conditions: Conditions,
): readonly Figure[] {
  const facts = conditions.facts ?? CABLE_FACTS;
  const valuesOf = (with_: CableFacts): ReadonlyMap<string, number> => {
    const moved = contextOf(assembly, use, { ...conditions, facts: with_ }, 'coarse');
    return new Map(moved.ok ? figuresOf(assembly, moved.value).map(({ id, value }) => [id, value]) : []);
  };
  const usual = valuesOf(facts);
  const spread = new Map<string, { low: number; high: number; on: Set<string> }>();
  for (const key of Object.keys(facts) as (keyof CableFacts)[])
    for (const end of ['low', 'high'] as const) {
      const value = facts[key][end];
      for (const [id, now] of valuesOf({ ...facts, [key]: { low: value, usual: value, high: value } })) {
        const by = now - (usual.get(id) ?? now);
        const heard =
          figures.find((each) => each.id === id)?.unit === 'dB' ? 0.05 : 0.01 * Math.abs(usual.get(id) ?? 0);
        if (!Number.isFinite(by) || Math.abs(by) <= heard) continue;
        const so = spread.get(id) ?? { low: 0, high: 0, on: new Set() };
        spread.set(id, {
          low: Math.min(so.low, by),
          high: Math.max(so.high, by),
          on: so.on.add(FACT_WORDS[key].name),
        });
      }
    }
  return figures.map((each) => {
    const moves = spread.get(each.id);
    if (!moves || !Number.isFinite(each.value)) return each;
    const words = (value: number): string =>
      each.unit === 'dB'
        ? sayDb(value)
        : each.unit === 'Hz'
          ? sayHertz(value)
          : `${Number(value.toPrecision(2))} ${each.unit}`;
    const [low, high] = [each.value + moves.low, each.value + moves.high];
    return {
      ...each,
      range: { low, high, says: `${words(low)} to ${words(high)}`, hangsOn: [...moves.on].join(', ') },
    };
  });
}

/** The whole in one sentence, and how it is to be taken. */
function verdict(
  context: Context,
  figures: readonly Figure[],
): { readonly says: string; readonly weight: Weight } {
  const { links } = context;
  const of = (kind: string): readonly Figure[] => figures.filter((each) => each.id.startsWith(`${kind} `));
  const extreme = (kind: string, pick: 'min' | 'max'): number =>
    Math[pick](...of(kind).map((each) => each.value));
  if (links.length === 0)
    return {
      says: supplied(figures) ?? 'Nothing is sent through it: there is no signal to follow.',
      weight: 'note',
    };
  const [gain, most] = [extreme('gain', 'min'), extreme('gain', 'max')];
  const side = links.length > 1 && links.every((link) => link.in === links[0]?.in) ? ' a side' : '';
  const level =
    gain < -80
      ? 'hardly anything reaches the input'
      : Math.abs(most - gain) < 0.05
        ? `reaches the input at ${sayDb(gain)}${side}`
        : `reaches the inputs at ${sayDb(gain)} to ${sayDb(most)}`;
  const three = extreme('minus3', 'min');
  const flat =
    three === Infinity
      ? `flat beyond ${sayHertz(HIGHEST)}`
      : `${three < 20_000 ? 'down 3 dB already at' : 'flat to'} ${sayHertz(three)}`;
  const under = of('hum').length > 0 ? extreme('hum', 'min') : undefined;
  const hum =
    under === undefined ? undefined : under < UNHEARD ? `hum ${sayDb(under)} under the signal` : 'no hum';
  const apart = of('separation')[0]?.value;
  const parts = [
    level,
    flat,
    hum,
    apart !== undefined && apart < UNHEARD ? `channels ${sayDb(apart)} apart` : undefined,
    supplied(figures),
  ].filter((each) => each !== undefined);
  const sentence = parts.join(', ');
  const weight: Weight =
    gain < -80 || extreme('headroom', 'min') < 0
      ? 'stop'
      : three < 20_000 || (under !== undefined && under < 40) || (apart !== undefined && apart < 40)
        ? 'caution'
        : 'good';
  return { says: `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`, weight };
}

const supplied = (figures: readonly Figure[]): string | undefined => {
  const drawn = figures.find((each) => each.id.startsWith('drawn '));
  const dc = figures.find((each) => each.id.startsWith('dc '));
  return dc ? `${dc.says} of supply at the source${drawn ? ` (${drawn.says})` : ''}` : undefined;
};

function chartsOf(context: Context): readonly Chart[] {
  const { links, frequencies } = context;
  if (links.length === 0) return [];
  const points = (values: readonly number[]): readonly (readonly [number, number])[] =>
    values.flatMap((value, n) => (Number.isFinite(value) ? [[frequencies[n] ?? 0, value] as const] : []));
  const x = { name: 'frequency', unit: 'Hz', scale: 'log' } as const;
  const y = (name: string) => ({ name, unit: 'dB', scale: 'linear' }) as const;
  const curves = links.map((link) => ({ link, curve: curveOf(context, link) }));
  // Channels that lie on one line are drawn as one.
  const distinct = curves.filter(
    ({ curve }, n) =>
      curves.findIndex((other) =>
        other.curve.every((value, f) => Math.abs(value - (curve[f] ?? 0)) < 0.05),
      ) === n,
  );
  const three = Math.min(...curves.map(({ curve }) => corner(context, curve, 3.0103)));
  const level: Chart = {
    name: 'What arrives',
    x,
    y: y('level re what is sent'),
    series: distinct.map(({ link, curve }) => ({
      name: distinct.length === 1 ? 'level' : link.name,
      points: points(curve),
    })),
    ...(Number.isFinite(three)
      ? { mark: { y: (curves[0]?.curve[context.nearest(1000)] ?? 0) - 3, says: '−3 dB' } }
      : {}),
  };
  const hums = links.flatMap((link) => {
    const hum = context.humIn(link.in);
    const signal = context.heard(link.out, link.in)[context.nearest(1000)] ?? 0;
    if (!hum || (context.conditions.groundVolts ?? 0) <= 0) return [];
    // What is further down than can be is rounding, and no hum.
    const curve = points(hum.map((value) => decibels(value / signal)));
    const mains = curve[context.nearest(50)]?.[1] ?? -Infinity;
    return mains > -UNHEARD ? [{ name: link.name === '' ? 'hum' : link.name, points: curve }] : [];
  });
  const apart = crosstalk(context)
    .map(({ from, into, curve }) => ({
      name: `${from.name} in ${into.name}`,
      points: points(curve.map((value) => -value)),
    }))
    .sort((a, b) => (b.points[60]?.[1] ?? -999) - (a.points[60]?.[1] ?? -999));
  return [
    level,
    ...(hums.length > 0
      ? [{ name: 'Hum against frequency', x, y: y('re the signal'), series: hums.slice(0, 3) }]
      : []),
    ...(apart.length > 0
      ? [{ name: 'Crosstalk', x, y: y('re the signal that belongs there'), series: apart.slice(0, 3) }]
      : []),
  ];
}
