import { dequal } from 'dequal';
import { valueOf } from '../../assembly';
import { leadCircuit, type Conditions, type LeadCircuit } from '../../model';
import type { InSteps } from '../../quantity';
import { FACT_IDS, FACTS } from '../../situation';
import { figureKey, say, sayDb, sayOhms, scaled } from '../figures';
import type { Figure } from '../types';
import { GRIDS, HIGHEST, SPOTS, type Context } from './context';

/** One thing that is not known for sure, at one of its ends. */
interface Shift {
  readonly name: string;
  readonly change: Partial<Conditions>;
}

/** Whatever is from memory and not known better, and every part within its tolerance. */
function shiftsOf({ assembly, situation, conditions }: Context): readonly (readonly Shift[])[] {
  const facts = { ...situation.facts, ...conditions.facts };
  const from = FACT_IDS.filter((id) => facts[id] === undefined).map((id) =>
    ([FACTS[id].low, FACTS[id].high] as const).map((value) => ({
      name: `${FACTS[id].name} (from memory)`,
      change: { facts: { ...facts, [id]: value } },
    })),
  );
  const parts = assembly.bodies
    .flatMap((body) => body.parts)
    .flatMap((part) => {
      const { id, tolerance = 0 } = part;
      return tolerance > 0 && valueOf(part) !== undefined
        ? [
            [1 - tolerance, 1 + tolerance].map((times) => ({
              name: `${id} within its tolerance of ${100 * tolerance} %`,
              change: { partTimes: new Map([[id, times]]) },
            })),
          ]
        : [];
    });
  return [...from, ...parts];
}

/**
 * Figures with the range that they have for what is from memory and for the tolerance of parts. Each is moved to its low and
 * its high, one at a time, and what that does to a figure is added as the root of the sum of squares, as of things that do
 * not depend on each other (JCGM 100, cited from memory): decibels as they are, other quantities by their ratio. What moves
 * by less than 0.05 dB or a hundredth has no range.
 *
 * Looked at at few frequencies, each beside the usual at the same; `figuresAt` makes the figures of a context. One step is one end of one
 * thing.
 */
export function* withRanges(
  figures: readonly Figure[],
  context: Context,
  figuresAt: (context: Context) => readonly Figure[],
): InSteps<readonly Figure[]> {
  // Where the curve has no corner in the band nothing is asked of it but at a few places, and a cable is cut for those.
  const bent = figures.some(({ unit, value }) => unit === 'Hz' && Number.isFinite(value));
  const highestHertz = bent ? HIGHEST : Math.max(...SPOTS);
  const valuesOf = (change: Partial<Conditions>, made: LeadCircuit): ReadonlyMap<string, number> => {
    const moved = context.again({ conditions: { ...change, highestHertz } }, bent ? GRIDS.coarse : SPOTS, {
      made,
    });
    return new Map(moved.ok ? figuresAt(moved.value).map((each) => [figureKey(each), each.value]) : []);
  };
  const circuitWith = (change: Partial<Conditions>): LeadCircuit =>
    leadCircuit(context.assembly, context.situation, { ...context.conditions, ...change, highestHertz });
  // Figures are from the circuit as it is, or from the same with its supplies on.
  const [own, fed] = [circuitWith({}), circuitWith({ supplies: true })];
  const usual = valuesOf({}, own);
  yield;
  const units = new Map(figures.map((each) => [figureKey(each), each.unit]));
  const spread = new Map<string, { low: number; high: number; on: string[] }>();
  for (const ends of shiftsOf(context)) {
    const moves: ReadonlyMap<string, number>[] = [];
    for (const { change } of ends) {
      const made = circuitWith(change);
      const isMoved =
        !dequal(made.circuit, own.circuit) ||
        !dequal(circuitWith({ ...change, supplies: true }).circuit, fed.circuit);
      if (isMoved) moves.push(valuesOf(change, made));
      yield;
    }
    const name = ends[0]?.name ?? '';
    for (const [id, at] of usual) {
      const scale = scaleOf(units.get(id) ?? '', at);
      const by = moves
        .map((values) => scale.from(values.get(id) ?? at) - scale.from(at))
        .filter(Number.isFinite);
      const [down, up] = [Math.min(0, ...by), Math.max(0, ...by)];
      if (up - down <= scale.least) continue;
      const so = spread.get(id) ?? { low: 0, high: 0, on: [] };
      spread.set(id, { low: Math.hypot(so.low, down), high: Math.hypot(so.high, up), on: [...so.on, name] });
    }
  }
  return figures.map((each) => {
    const moved = spread.get(figureKey(each));
    if (!moved || !Number.isFinite(each.value)) return each;
    const scale = scaleOf(each.unit, each.value);
    const at = scale.from(each.value);
    const [low, high] = [scale.to(at - moved.low), scale.to(at + moved.high)];
    return {
      ...each,
      range: {
        low,
        high,
        says: fromTo(low, high, each.unit),
        hangsOn: moved.on.join(', '),
      },
    };
  });
}

/** On what scale moves of a figure are added: decibels as they are, quantities by their ratio. */
const scaleOf = (unit: string, at: number) =>
  unit === 'dB' || at <= 0
    ? {
        from: (value: number) => value,
        to: (value: number) => value,
        least: unit === 'dB' ? 0.05 : 0.01 * Math.abs(at),
      }
    : { from: Math.log, to: Math.exp, least: 0.01 };

/** Both ends in words, to so many digits that they differ, and the unit once where both have the same. */
function fromTo(from: number, to: number, unit: string): string {
  const words = (digits: number): readonly string[] =>
    [from, to].map((value) => inWords(value, unit, digits));
  const [low = '', high = ''] = new Set(words(2)).size > 1 ? words(2) : words(3);
  const [number = '', own] = low.split(/(?<=\d) /);
  return own !== undefined && high.endsWith(` ${own}`) ? `${number} to ${high}` : `${low} to ${high}`;
}

const inWords = (value: number, unit: string, digits: number): string =>
  unit === 'dB'
    ? sayDb(value, '', digits - 1)
    : unit === 'Ω'
      ? sayOhms(Number(value.toPrecision(digits)))
      : unit === ''
        ? say(value, digits)
        : scaled(value, unit, digits);
