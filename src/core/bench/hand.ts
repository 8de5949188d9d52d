import {
  bandsOf,
  conductorTerminal,
  conductorsOf,
  ofCable,
  placeOf,
  sayLeg,
  sayPart,
  sayPartKind,
  sayTogether,
  spansAt,
  type Assembly,
  type Joint,
  type Part,
  type Terminal,
} from '../assembly';
import { COLOURS } from '../catalogue';
import { sayList } from '../quantity';
import type { Workplace } from './types';

/** Whether a colour alone does not say which core is meant: in a multipair every cold is white. */
const isPaired = (cable: string, assembly: Assembly): boolean =>
  assembly.uses.cables.find((each) => each.id === cable)?.kind === 'multipair';

/** A conductor as the hand sees it: “white”, “drain”, “grey of pair 8”, “strand a” where colours mean nothing. */
export function sayWire(assembly: Assembly, terminal: Terminal): string | undefined {
  const place = placeOf(assembly, terminal);
  if (place?.kind !== 'conductor') return undefined;
  const { id, is, colour, pair } = place.conductor;
  const name = is !== 'core' ? is : colour === '??' ? `strand ${id}` : COLOURS[colour];
  return isPaired(place.span.cable, assembly) ? `${name} of pair ${pair ?? ''}` : name;
}

/** Where several cables come in, the one that a joint’s conductors are of; nothing where they are of several. */
function whose(assembly: Assembly, { terminals }: Joint): string {
  const [one = '', ...others] = new Set(
    terminals
      .filter((each) => placeOf(assembly, each)?.kind === 'conductor')
      .map((each) => ofCable(assembly, each)),
  );
  return others.length > 0 ? '' : one;
}

/** Which of several cables that come in at a body, by where it goes: “ of the cable to end B”; nothing where it is the only one. */
export function ofSpan(assembly: Assembly, body: string, id: string): string {
  const span = spansAt(assembly, body).find((each) => each.id === id);
  const [first] = span ? conductorsOf(assembly, span) : [];
  return first ? ofCable(assembly, conductorTerminal(id, first.id, body)) : '';
}

const partLead = (
  assembly: Assembly,
  terminal: Terminal,
): { readonly part: Part; readonly lead: string } | undefined => {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'lead' ? place : undefined;
};

/** A part’s lead by what is marked on it, or by turns: “the long leg of D1”, “one leg of R1”, then “the other leg of R1”. */
function sayOwnLeg(
  { assembly, before, order }: Workplace,
  terminal: Terminal,
): readonly [leg: string, of: string] {
  const found = partLead(assembly, terminal);
  if (!found) return [terminal, ''];
  const { part, lead } = found;
  const marked = sayLeg(part, lead);
  if (marked !== undefined) return [marked, part.id];
  const all = [...before, ...order]
    .flatMap(({ terminals }) => terminals)
    .filter((each) => partLead(assembly, each)?.part.id === part.id);
  if (all.length > 2) return [`lead ${lead}`, part.id];
  return [all.indexOf(terminal) < 1 ? 'one leg' : 'the other leg', part.id];
}

/** Several legs in one list: “the other legs of R1 and R2”, “the long leg of D1”. */
export function sayLegs(place: Workplace, terminals: readonly Terminal[]): readonly string[] {
  const of = new Map<string, string[]>();
  for (const [leg, part] of terminals.map((each) => sayOwnLeg(place, each))) {
    const parts = of.get(leg);
    if (parts) parts.push(part);
    else of.set(leg, [part]);
  }
  return [...of].map(([leg, parts]) =>
    parts.length === 1
      ? `${leg} of ${parts[0] ?? ''}`
      : `${leg === 'one leg' ? 'one leg each' : `${leg}s`} of ${sayList(parts)}`,
  );
}

/** All that goes into a joint but its contact, as the hand sees it. */
export function sayJoined(place: Workplace, joint: Joint): readonly string[] {
  const { assembly } = place;
  const wires = sayTogether(joint.terminals.flatMap((each) => sayWire(assembly, each) ?? []));
  return [
    ...(wires.length > 0 ? [sayList(wires) + whose(assembly, joint)] : []),
    ...sayLegs(
      place,
      joint.terminals.filter((each) => partLead(assembly, each)),
    ),
  ];
}

/** A part by its value, with the bands of a resistor: “R1: 470 Ω, yellow violet brown gold”. */
export function sayWhich(part: Part): string | undefined {
  const value = sayPart(part);
  if (value === '') return undefined;
  if (part.kind !== 'resistor') return `${part.id}: ${sayPartKind(part)}, ${value}.`;
  const bands = part.ohms !== undefined ? bandsOf(part.ohms, part.tolerance) : [];
  return `${part.id}: ${[value, bands.map((band) => (band === 'gold' || band === 'silver' ? band : COLOURS[band])).join(' ')].filter(Boolean).join(', ')}, either way round.`;
}
