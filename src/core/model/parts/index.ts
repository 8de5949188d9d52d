import { leadTerminal, type Assembly, type Part, type Terminal } from '../../assembly';
import type { Element, NodeName } from '../../circuit';
import type { Conditions } from '../conditions';
import { battery } from './battery';
import { capacitor } from './capacitor';
import { diode } from './diode';
import { lamp } from './lamp';
import { led } from './led';
import { junctionOf } from '../junction';
import type { Corner, Legs, PartModel } from './model';
import { potentiometer } from './potentiometer';
import { resistor } from './resistor';
import { switchPart } from './switch';
import { transformer } from './transformer';

export type { Corner } from './model';

/** Every kind of part that is something in a circuit. One is added by its file here and its line. */
const ALL: readonly PartModel[] = [
  resistor,
  capacitor,
  diode,
  led,
  potentiometer,
  switchPart,
  transformer,
  battery,
  lamp,
];
const MODELS = new Map<string, PartModel>(ALL.map((each) => [each.kind, each]));

/** A part as elements between the nodes of its leads. */
export const partElements = (
  part: Part,
  node: (terminal: Terminal) => NodeName,
  { turn, taper, tracking, partTimes }: Pick<Conditions, 'turn' | 'taper' | 'tracking' | 'partTimes'>,
): readonly Element[] =>
  MODELS.get(part.kind)?.elements(part, {
    at: (lead) => node(leadTerminal(part.id, lead)),
    times: partTimes?.get(part.id) ?? 1,
    turn,
    taper,
    tracking,
  }) ?? [];

/** Groups of a part's leads between which direct current passes. */
export const passesDirect = (part: Part): readonly (readonly string[])[] =>
  MODELS.get(part.kind)?.passes?.(part) ?? [];

/** What a part's value is of what is marked on it, at a corner: by its tolerance, or by what is usual of its kind. */
const timesOf = (part: Part, corner: Corner): number =>
  1 + { low: -1, marked: 0, high: 1 }[corner] * (part.tolerance ?? MODELS.get(part.kind)?.usual ?? 0);

/**
 * What an ohmmeter finds of a part, between the terminals of its leads, Ω: a control at `turn`, a battery taken out, at the
 * lowest or the highest that it may be.
 */
export const measuredOf = (
  part: Part,
  turn: number,
  corner: Corner,
): readonly { readonly a: Terminal; readonly b: Terminal; readonly ohms: number }[] =>
  (
    MODELS.get(part.kind)?.measures?.(part, {
      turn,
      corner,
      // What a control may be off, its track may; it shares no stop with it.
      times: timesOf(part, corner),
    }) ?? []
  ).map(({ between: [a, b], ohms }) => ({ a: leadTerminal(part.id, a), b: leadTerminal(part.id, b), ohms }));

/** The junction that a part is, as a diode of a circuit. A lower corner carries more. */
export function junctionIn(
  part: Part,
  corner: Corner,
): { readonly a: Terminal; readonly b: Terminal; readonly is: number; readonly n: number } | undefined {
  const volts = MODELS.get(part.kind)?.junction?.(part);
  if (volts === undefined) return undefined;
  return {
    a: leadTerminal(part.id, 'anode'),
    b: leadTerminal(part.id, 'cathode'),
    ...junctionOf(part.kind === 'led' ? 'led' : 'diode', volts * timesOf(part, corner)),
  };
}

/** Whether a part of a lead conducts one way only. */
export const hasJunction = ({ bodies }: Pick<Assembly, 'bodies'>): boolean =>
  bodies.some(({ parts }) => parts.some((part) => MODELS.get(part.kind)?.junction?.(part) !== undefined));

/** Between which leads a part is measured by itself. */
export const legsOf = (part: Part): readonly Legs[] => MODELS.get(part.kind)?.legs?.(part) ?? [];

/** The capacitance that a part is, F. */
export function storedIn(
  part: Part,
  corner: Corner,
): { readonly a: Terminal; readonly b: Terminal; readonly farads: number } | undefined {
  const farads = MODELS.get(part.kind)?.stores?.(part);
  return farads === undefined
    ? undefined
    : {
        a: leadTerminal(part.id, 'a'),
        b: leadTerminal(part.id, 'b'),
        farads: farads * timesOf(part, corner),
      };
}
