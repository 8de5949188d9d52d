import { COLOURS, type ConnectorEntry } from '../catalogue';
import { isRow, sayList, sayRow } from '../quantity';
import type { Assembly, Body, Terminal } from './assembly';
import { sayLeg } from './part-words';
import { leadsOf, type Part } from './parts';
import {
  bodyById,
  connectorOf,
  contactsOf,
  contactTerminal,
  endsOf,
  jointOn,
  memberOf,
  placeOf,
  sideOf,
  spansAt,
} from './references';

/** The ends that a body is known by: a loose wire that comes out beside a connector is none. */
const connectedEnds = ({ kind, ends }: Body): Body['ends'] => {
  const own = ends.filter(({ connector }) => connector !== undefined);
  return kind === 'shell' && own.length > 0 ? own : ends;
};

/** How a body is named to the builder: “end A”, or its own name. */
export const sayPlace = (body: Body): string =>
  body.kind === 'box' || body.kind === 'device'
    ? `the ${body.name}`
    : body.ends.length > 0
      ? `end ${connectedEnds(body)
          .map((end) => end.id)
          .join(' and ')}`
      : body.name;

/** A contact as it is marked or called: “contact 2”, “the tip”, “ring 2”. */
export function sayContact(connector: ConnectorEntry, id: string): string {
  if (id === 'shell') return 'the shell';
  const contact = connector.contacts.find((each) => each.id === id);
  if (!contact || contact.name === contact.id) return `contact ${id}`;
  return /\d$/.test(contact.name) ? contact.name : `the ${contact.name}`;
}

/** A contact of an assembly as it is marked, or called where it has a name: “2”, “the tip”. */
export function sayMarked(assembly: Assembly, terminal: Terminal): string {
  const place = placeOf(assembly, terminal);
  const connector = place?.kind === 'contact' ? connectorOf(assembly, place.end) : undefined;
  return connector ? sayContact(connector, memberOf(terminal)).replace(/^contact /, '') : memberOf(terminal);
}

/** A part’s lead where it does not matter which of two it is: “a leg of R1”, “the long leg of D1”, “lead p1 of T1”. */
export const sayAnyLeg = (part: Part, lead: string): string =>
  `${sayLeg(part, lead) ?? (leadsOf(part).length > 2 ? `lead ${lead}` : 'a leg')} of ${part.id}`;

/** Contacts of one connector: “contacts 1 to 3”, “the tip and the ring”. */
export const sayContacts = (connector: ConnectorEntry, ids: readonly string[]): string =>
  isRow(ids) ? `contacts ${sayRow(ids)}` : sayList(ids.map((id) => sayContact(connector, id)));

/** A conductor by its colour: “white”, “screen”; one whose colour means nothing by its name: “strand a”. Anything else as it is written. */
export function sayConductor(assembly: Assembly, terminal: Terminal): string {
  const place = placeOf(assembly, terminal);
  if (place?.kind !== 'conductor') return terminal;
  const { is, colour, id, pair } = place.conductor;
  // Where pairs are numbered there are many of them.
  if (is !== 'core') return pair && /^\d/.test(pair) ? `${is} of pair ${pair}` : is;
  return colour === '??' ? `strand ${id}` : `${COLOURS[colour]}${pair ? ` (${id})` : ''}`;
}

/** Which of several cables that come in a conductor is of, by where it goes: “ of the cable to end B”; nothing where it is the only one. */
export function ofCable(assembly: Assembly, terminal: Terminal): string {
  const place = placeOf(assembly, terminal);
  if (place?.kind !== 'conductor') return '';
  const { span, body } = place;
  const far = bodyById(assembly, span.from === body.id ? span.to : span.from);
  const beside = spansAt(assembly, body.id).length > 1;
  if (!beside || !far) return '';
  return far.kind === 'breakout' ? ' of the trunk' : ` of the cable to ${sayPlace(far)}`;
}

/** A joint by the contact that it is on, though it may be undone by now; any other by its id. */
export function sayJoint(assembly: Assembly, id: string): string {
  const on = endsOf(assembly)
    .flatMap((end) => contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)))
    .find((terminal) => jointOn(terminal) === id);
  return on === undefined ? `joint ${id}` : `the joint on ${on}`;
}

/**
 * A terminal as the builder would say it: “A.2” for a contact, “the white core at end A”, “leg a of R1”, “the case of the box”.
 * One that is not in the assembly any more is said by what its name holds.
 */
export function sayTerminal(assembly: Assembly, terminal: Terminal): string {
  const place = placeOf(assembly, terminal);
  if (place?.kind === 'conductor') {
    const { body, conductor } = place;
    const core = conductor.is === 'core' && conductor.colour !== '??' ? ' core' : '';
    return `the ${sayConductor(assembly, terminal)}${core}${ofCable(assembly, terminal)} ${body.kind === 'breakout' ? body.name : `at ${sayPlace(body)}`}`;
  }
  if (place?.kind === 'lead')
    return `${sayLeg(place.part, place.lead) ?? `leg ${place.lead}`} of ${place.part.id}`;
  if (place?.kind === 'case') return `the case of ${sayPlace(place.body)}`;
  if (place) return terminal;
  const side = sideOf(terminal);
  if (side === undefined) return terminal;
  const body = assembly.bodies.find((each) => each.id === side);
  return `the ${memberOf(terminal)} core at ${body ? sayPlace(body) : side}`;
}
