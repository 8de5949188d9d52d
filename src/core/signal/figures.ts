import type { Circuit, Element } from '../circuit';
import { formatResistance, voltsToDbu, voltsToDbv, volts, type Result } from '../quantity';
import type { Figure, FigureLink } from './types';

/** A number with so many significant figures, and a true minus. */
export const say = (value: number, digits = 3): string =>
  !Number.isFinite(value)
    ? value === Infinity
      ? '∞'
      : '−∞'
    : `${value < 0 && Number(value.toPrecision(digits)) !== 0 ? '−' : ''}${Number(Math.abs(value).toPrecision(digits))}`;

/** Lower than this is no level, dB. */
const LEAST_DB = -200;

/** −6.3 dB; nothing finer than a tenth is heard. */
export const sayDb = (value: number, reference: '' | 'u' | 'V' = '', digits = 1): string => {
  // So far down there is nothing but the rounding of the sum.
  if (value < LEAST_DB) return `nothing`;
  const rounded = Math.abs(value).toFixed(digits);
  const sign = Number(rounded) === 0 ? '' : value < 0 ? '−' : reference === '' ? '' : '+';
  return `${sign}${rounded} dB${reference}`;
};

/** A value in its unit with the prefix that suits it: 12.5 kHz. */
export const scaled = (value: number, unit: string, digits = 3): string => {
  const size = Math.abs(value);
  // Less than a picounit is rounding, not a quantity of this trade.
  if (size < 1e-13) return `0 ${unit}`;
  const [factor, prefix] =
    size >= 999.5e3
      ? [1e6, 'M']
      : size >= 999.5
        ? [1e3, 'k']
        : size >= 0.9995
          ? [1, '']
          : size >= 0.9995e-3
            ? [1e-3, 'm']
            : size >= 0.9995e-6
              ? [1e-6, 'µ']
              : size >= 0.9995e-9
                ? [1e-9, 'n']
                : [1e-12, 'p'];
  return `${say(value / factor, digits)} ${prefix}${unit}`;
};
/** Volts as said: `1.23 V`, `45 mV`. */
export const sayVolts = (value: number): string => scaled(value, 'V');
/** More than this flows into a short alone, A (from memory). */
const SHORTED_AMPS = 100;
/** Amperes as said: what no output could give is not a number that anybody reads. */
export const sayAmps = (value: number): string =>
  Math.abs(value) > SHORTED_AMPS ? 'more than any output gives' : scaled(value, 'A');
/** Hertz as said. */
export const sayHertz = (value: number): string => scaled(value, 'Hz');
/** Watts as said. */
export const sayWatts = (value: number): string => scaled(value, 'W');
/** Farads as said. */
export const sayFarads = (value: number): string => scaled(value, 'F');
/** Ohms as said, short. */
export const sayOhms = (value: number): string => formatResistance(value);
/** Metres as said. */
export const sayMetres = (value: number): string => `${say(value)} m`;

/** A ratio of amplitudes in dB. */
export const decibels = (ratio: number): number => 20 * Math.log10(ratio);
/** A level in all the ways that meters have it. */
export const sayLevel = (rms: number): string =>
  rms > 0
    ? `${sayDb(voltsToDbu(volts(rms)), 'u')}, ${sayDb(voltsToDbv(volts(rms)), 'V')}, ${sayVolts(rms)}`
    : 'nothing';

/**
 * A computed figure. `of` is its kind, or its kind with the link that it is of; `value` is in `unit`, and `says` is the two
 * in words.
 */
export const figure = (
  of: string | readonly [kind: string, link: FigureLink],
  name: string,
  value: number,
  unit: string,
  says: string,
  formula: string,
  inputs: Figure['inputs'],
  source: string,
): Figure =>
  typeof of === 'string'
    ? { kind: of, name, value, unit, says, formula, inputs, source }
    : {
        kind: of[0],
        link: { out: of[1].out, in: of[1].in },
        name,
        value,
        unit,
        says,
        formula,
        inputs,
        source,
      };

/** A figure's own name among those of one answer: its kind, and its link where it has one. */
export const figureKey = ({ kind, link }: Pick<Figure, 'kind' | 'link'>): string =>
  link ? `${kind} ${link.out} ${link.in}` : kind;

/** The figures of one kind, of whichever link. */
export const figuresOfKind = (figures: readonly Figure[], kind: string): readonly Figure[] =>
  figures.filter((each) => each.kind === kind);

// Short names for small circuits.
/** A resistor of a sum’s circuit, Ω. */
export const R = (id: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  id: `R${id}`,
  a,
  b,
  ohms: Math.max(ohms, 1e-6),
});
/** A capacitor of a sum’s circuit, F. */
export const C = (id: string, a: string, b: string, farads: number): Element => ({
  kind: 'capacitor',
  id: `C${id}`,
  a,
  b,
  farads,
});
/** An inductor of a sum’s circuit, H. */
export const L = (id: string, a: string, b: string, henries: number): Element => ({
  kind: 'inductor',
  id: `L${id}`,
  a,
  b,
  henries,
});
/** A source of 1 V r.m.s. and so much direct voltage. */
export const V = (id: string, a: string, b: string, dc = 0, ac = 1): Element => ({
  kind: 'voltage',
  id: `V${id}`,
  a,
  b,
  dc,
  ac: { magnitude: ac },
});
/** A circuit of these elements. */
export const circuitOf = (...elements: readonly Element[]): Circuit => ({ elements });

/** The value of a result that cannot be bad: the circuits of the questions are sound for every value that is let in. */
export function sound<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.problems.map((problem) => problem.says).join(' '));
  return result.value;
}

/** Kinds of figure of which more is worse; of all else less is. */
const MORE_IS_WORSE = new Set([
  'humvolts',
  'loop',
  'heat',
  'noise',
  'noisier',
  'capacitance',
  'cold',
  'worstleg',
  'drawn',
  'fed',
]);

/** Of each kind the worst figure, with the others of it. Channels that are alike are said once, without their names. */
export function foremost(
  figures: readonly Figure[],
): readonly { readonly worst: Figure; readonly others: readonly Figure[] }[] {
  const kinds = new Map<string, Figure[]>();
  for (const each of figures) {
    const known = kinds.get(each.kind);
    if (known) known.push(each);
    else kinds.set(each.kind, [each]);
  }
  return [...kinds].flatMap(([kind, all]) => {
    const sign = MORE_IS_WORSE.has(kind) ? -1 : 1;
    const [worst, ...others] = [...all].sort((a, b) => sign * (a.value - b.value));
    if (!worst) return [];
    const alike = others.every((each) => each.says === worst.says);
    return [
      alike
        ? { worst: { ...worst, name: worst.name.split(', ')[0] ?? worst.name }, others: [] }
        : { worst, others },
    ];
  });
}
