import { leadTerminal, type Part, type Terminal } from '../../assembly';
import type { Element, NodeName } from '../../circuit';
import type { Conditions } from '../conditions';
import { battery } from './battery';
import { capacitor } from './capacitor';
import { diode } from './diode';
import { lamp } from './lamp';
import { led } from './led';
import type { PartModel } from './model';
import { potentiometer } from './potentiometer';
import { resistor } from './resistor';
import { switchPart } from './switch';
import { transformer } from './transformer';

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

/** What an ohmmeter finds of a part, between the terminals of its leads, Ω: a control at `turn`, a battery taken out. */
export const measuredOf = (
  part: Part,
  turn: number,
): readonly { readonly a: Terminal; readonly b: Terminal; readonly ohms: number }[] =>
  (MODELS.get(part.kind)?.measures?.(part, turn) ?? []).map(({ between: [a, b], ohms }) => ({
    a: leadTerminal(part.id, a),
    b: leadTerminal(part.id, b),
    ohms,
  }));
