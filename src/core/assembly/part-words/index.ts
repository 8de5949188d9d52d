import { battery } from './battery';
import { capacitor } from './capacitor';
import { diode } from './diode';
import { lamp } from './lamp';
import { led } from './led';
import { potentiometer } from './potentiometer';
import { resistor } from './resistor';
import { transformer } from './transformer';
import type { Part } from '../parts';
import type { PartWords } from './words';

/** Kinds that have words of their own; any other is called by its kind. One is added by its file here and its line. */
const ALL: readonly PartWords[] = [
  battery,
  capacitor,
  diode,
  lamp,
  led,
  potentiometer,
  resistor,
  transformer,
];
const WORDS = new Map<string, PartWords>(ALL.map((each) => [each.kind, each]));

/** A part's value as it is written on a bag: “470 Ω”, “10 µF”; nothing where it has none. */
export const sayPart = (part: Part): string => WORDS.get(part.kind)?.value(part) ?? '';

/** Which way round a part goes in, in words, by what each of its leads is toward; nothing where it is the same either way. */
export const sayWay = (part: Part, toward: (lead: string) => string): string | undefined =>
  WORDS.get(part.kind)?.way?.(part, toward);

/** What the hand knows a part’s lead by: “the long leg”; nothing where it is like the others. */
export const sayLeg = (part: Part, lead: string): string | undefined => WORDS.get(part.kind)?.leg?.(lead);

/** What a part is: “resistor”. */
export const sayPartKind = (part: Part): string => WORDS.get(part.kind)?.name ?? part.kind;

/** What it has to stand and what is marked on it, in words: “0.25 W”, “16 V, plus toward the input”. */
export function sayRatings(part: Part): string {
  const { ratings, marks } = part;
  const { watts, volts, milliamps } = ratings ?? {};
  return [
    ...(WORDS.get(part.kind)?.more?.(part) ?? []),
    ...(watts === undefined ? [] : [`${watts} W`]),
    ...(volts === undefined ? [] : [`${volts} V`]),
    ...(milliamps === undefined
      ? []
      : [milliamps.from === 0 ? `up to ${milliamps.to} mA` : `${milliamps.from} to ${milliamps.to} mA`]),
    ...(marks === undefined ? [] : [marks]),
  ].join(', ');
}
