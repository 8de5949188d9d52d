import type { CableConductor, CableEntry, ConnectorEntry } from '../catalogue';
import type { Assembly, Body, End, Joint, Span, Terminal } from './assembly';
import { indexOf, type Place } from './by-name';
import type { Dressing } from './dressings';
import { leadsOf } from './parts';

/** `W1.white@a`: a conductor of a span, at its side in a body. */
export const conductorTerminal = (span: string, conductor: string, body: string): Terminal =>
  `${span}.${conductor}@${body}`;
/** `A.2`: a contact of an end. */
export const contactTerminal = (end: string, contact: string): Terminal => `${end}.${contact}`;
/** `R1.a`: a lead of a part. */
export const leadTerminal = (part: string, lead: string): Terminal => `${part}.${lead}`;
/** `box.case`: the case of a body. */
export const caseTerminal = (body: string): Terminal => `${body}.case`;

/** What stands before the first dot: the end, part, body or span that a terminal is of. */
export const ownerOf = (terminal: Terminal): string => terminal.slice(0, terminal.indexOf('.'));
/** What stands after it: the contact, lead, `case` or conductor; without the side that a conductor is at. */
export function memberOf(terminal: Terminal): string {
  const at = terminal.indexOf('@');
  return terminal.slice(terminal.indexOf('.') + 1, at < 0 ? undefined : at);
}
/** The body at whose side of its span a conductor is; undefined for any other terminal. */
export function sideOf(terminal: Terminal): string | undefined {
  const at = terminal.indexOf('@');
  return at < 0 ? undefined : terminal.slice(at + 1);
}
/** A name as it stands in an id: `+` and `-` stand in contact names and not in ids. */
export const inId = (name: string): string => name.replace(/\+/g, 'p').replace(/-$/, 'm').replace(/\./g, '-');
/** The id of the joint on a contact, a lead or a case: the same whenever it is made. */
export const jointOn = (terminal: Terminal): string =>
  `joint-${ownerOf(terminal)}-${inId(memberOf(terminal))}`;
/** Whether a terminal is of this end or part. */
export const isOf = (owner: string, terminal: Terminal): boolean =>
  ownerOf(terminal) === owner && sideOf(terminal) === undefined;

/** The body of this id. */
export const bodyById = (assembly: Assembly, id: string): Body | undefined =>
  indexOf(assembly).bodies.get(id);
/** The body that an end is in. */
export const bodyOfEnd = (assembly: Assembly, end: string): Body | undefined =>
  indexOf(assembly).ends.get(end)?.body;
/** Every end, body by body. */
export const endsOf = (assembly: Assembly): readonly End[] => assembly.bodies.flatMap((body) => body.ends);
/** The end of this id. */
export const endById = (assembly: Assembly, id: string): End | undefined =>
  indexOf(assembly).ends.get(id)?.end;
/** The connector that is on an end, among those the lead carries. */
export const connectorOf = (assembly: Assembly, end: End): ConnectorEntry | undefined =>
  end.connector === undefined ? undefined : indexOf(assembly).connectors.get(end.connector);
/** The cable of a span, among those the lead carries. */
export const cableOf = (assembly: Assembly, span: Span): CableEntry | undefined =>
  indexOf(assembly).cables.get(span.cable);
/** The span of this id. */
export const spanById = (assembly: Assembly, id: string): Span | undefined => indexOf(assembly).spans.get(id);
/** The spans that come to a body. */
export const spansAt = (assembly: Assembly, body: string): readonly Span[] =>
  indexOf(assembly).spansAt.get(body) ?? [];

/** The dressings at the side of a body, in their order. */
export const dressingsAt = (assembly: Assembly, body: string): readonly Dressing[] =>
  indexOf(assembly).dressingsAt.get(body) ?? [];

/** The dressings over any of these ends, bodies, spans and conductors, in their order. */
export function dressingsOver(assembly: Assembly, ...names: readonly string[]): readonly Dressing[] {
  const { dressingsOver: over, dressingPlaces: places } = indexOf(assembly);
  const found = names.flatMap((name) => over.get(name) ?? []);
  return names.length < 2
    ? found
    : found.sort((one, other) => (places.get(one) ?? 0) - (places.get(other) ?? 0));
}

/** The conductors that run in a span: all of its cable's, or those it carries. */
export function conductorsOf(assembly: Assembly, span: Span): readonly CableConductor[] {
  const cable = cableOf(assembly, span);
  if (!cable || !span.carries) return cable?.conductors ?? [];
  const ofCable = CARRIED.get(cable) ?? new WeakMap<Span, readonly CableConductor[]>();
  CARRIED.set(cable, ofCable);
  const carries = new Set(span.carries);
  const found = ofCable.get(span) ?? cable.conductors.filter((conductor) => carries.has(conductor.id));
  ofCable.set(span, found);
  return found;
}
/** The conductors of each cable that a span carries. */
const CARRIED = new WeakMap<CableEntry, WeakMap<Span, readonly CableConductor[]>>();

/** Every contact of an end by its id, the shell among them where it is a terminal. */
export function contactsOf(assembly: Assembly, end: End): readonly string[] {
  if (end.loose) return end.loose.map((contact) => contact.id);
  const connector = connectorOf(assembly, end);
  return connector
    ? [...connector.contacts.map((contact) => contact.id), ...(connector.shell ? ['shell'] : [])]
    : [];
}

/** All joints of a body: those to be made and those that exist. */
export const jointsOf = (body: Body): readonly Joint[] => [...body.joints, ...(body.existing ?? [])];

/** A body as it is in the hand: what came joined from a donor lead is joined like what is made. */
export const inHand = (body: Body): Body =>
  body.asItCame ? { ...body, joints: [...jointsOf(body)], existing: undefined } : body;

const JOINED = new WeakMap<Assembly, ReadonlySet<Terminal>>();

/** Every terminal that is in a joint, ours or one that exists. */
export function joinedTerminals(assembly: Assembly): ReadonlySet<Terminal> {
  const known =
    JOINED.get(assembly) ??
    new Set(assembly.bodies.flatMap((body) => jointsOf(body).flatMap((joint) => joint.terminals)));
  JOINED.set(assembly, known);
  return known;
}

/** What a terminal's name refers to, or undefined where it refers to nothing in this assembly. */
export function placeOf(assembly: Assembly, terminal: Terminal): Place | undefined {
  const { places } = indexOf(assembly);
  const known = places.get(terminal);
  if (known || places.has(terminal)) return known;
  const found = placeIn(assembly, terminal);
  places.set(terminal, found);
  return found;
}

function placeIn(assembly: Assembly, terminal: Terminal): Place | undefined {
  const owner = ownerOf(terminal);
  const member = memberOf(terminal);
  const side = sideOf(terminal);
  const index = indexOf(assembly);
  if (side !== undefined) {
    const span = index.spans.get(owner);
    const body = index.bodies.get(side);
    const conductor = span && conductorsOf(assembly, span).find((each) => each.id === member);
    return span && body && conductor && (span.from === body.id || span.to === body.id)
      ? { kind: 'conductor', body, span, conductor }
      : undefined;
  }
  const end = index.ends.get(owner);
  if (end)
    return contactsOf(assembly, end.end).includes(member)
      ? { kind: 'contact', ...end, contact: member }
      : undefined;
  const part = index.parts.get(owner);
  if (part) return leadsOf(part.part).includes(member) ? { kind: 'lead', ...part, lead: member } : undefined;
  const body = index.bodies.get(owner);
  return body?.case && member === 'case' ? { kind: 'case', body } : undefined;
}

/** Every terminal that an assembly has. */
export function terminalsOf(assembly: Assembly): readonly Terminal[] {
  return [
    ...assembly.bodies.flatMap((body) => [
      ...body.ends.flatMap((end) =>
        contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)),
      ),
      ...(body.case ? [caseTerminal(body.id)] : []),
      ...body.parts.flatMap((part) => leadsOf(part).map((lead) => leadTerminal(part.id, lead))),
    ]),
    ...assembly.spans.flatMap((span) =>
      conductorsOf(assembly, span).flatMap((c) =>
        [span.from, span.to].map((body) => conductorTerminal(span.id, c.id, body)),
      ),
    ),
  ];
}
