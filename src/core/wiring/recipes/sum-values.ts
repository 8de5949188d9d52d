import { E24, formatResistance, ohms } from '../../quantity';
import type { Ask } from '../types';
import { answer, type Choice } from './types';

/** Resistors that a sum may be made of, Ω: 470 is common practice; the others load the sources less. */
const EACH = [470, 1000, 2200, 4700] as const;

/** The next value of the series that is no less, Ω (IEC 60063, E24). */
const nextE24 = (value: number): number => {
  const decade = 10 ** Math.floor(Math.log10(value));
  return Math.round((E24.find((each) => each * decade >= value - 1e-9) ?? 10) * decade);
};

/** From the sum to ground, Ω: so much that it takes next to nothing, and the input is never left in the air. 20 kΩ beside 470 Ω is common practice. */
export const groundOf = (each: number): number => nextE24(40 * each);

/** What a sum costs one of its sources, the others at rest: what arrives, dB, and the load that it sees, Ω. */
export function sumCost(
  count: number,
  {
    each,
    source,
    load,
    ground = Infinity,
  }: { readonly each: number; readonly source: number; readonly load: number; readonly ground?: number },
): { readonly db: number; readonly loadOhms: number } {
  const beside = 1 / ((count - 1) / (each + source) + 1 / ground + 1 / load);
  return { db: 20 * Math.log10(beside / (source + each + beside)), loadOhms: each + beside };
}

const sayDb = (db: number): string => `−${Math.abs(db).toFixed(1)} dB`;

/** Which resistors, with what each choice costs with these sources and this input. */
export function sumChoice(ask: Ask, balanced: boolean): Choice {
  const [first] = ask.links;
  const source = Math.max(...ask.links.map(({ out }) => out.port.impedance)) / (balanced ? 2 : 1);
  const load = (first?.in.port.impedance ?? Infinity) / (balanced ? 2 : 1);
  const said = (each: number): string => {
    const { db, loadOhms } = sumCost(ask.links.length, {
      each,
      source,
      load,
      ...(balanced ? {} : { ground: groundOf(each) }),
    });
    const sees = formatResistance(ohms(Number((loadOhms * (balanced ? 2 : 1)).toPrecision(2))));
    return `${formatResistance(ohms(each))}: ${sayDb(db)} a channel, and each output sees ${sees}`;
  };
  return {
    id: 'ohms',
    question: 'Which resistors?',
    options: Object.fromEntries(EACH.map((each) => [`${each}`, said(each)])),
    default: '470',
    because: 'Enough that no output drives another hard, and little beside the input.',
  };
}

/** The resistors that were chosen, Ω each. */
export const eachOf = (ask: Ask, balanced: boolean): number => Number(answer(ask, sumChoice(ask, balanced)));
