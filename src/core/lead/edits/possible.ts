import {
  leadsOf,
  leadTerminal,
  placeOf,
  sayConductor,
  sayTerminal,
  terminalsOf,
  type Assembly,
  type Terminal,
} from '../../assembly';
import { applyEdit, type Edit } from '.';
import { jointOf } from './surgery';

/** One thing that can be done by hand at a place. */
export interface Deed {
  /** What it does, for lists of them. */
  readonly group: 'move to' | 'change places with' | 'link to' | 'part from' | 'leave it' | 'the part';
  /** In words that follow its group. */
  readonly says: string;
  readonly edit: Edit;
  /** The other place that it is about: touched on a drawing, it is done. */
  readonly other?: Terminal;
}

type Place = NonNullable<ReturnType<typeof placeOf>>;

/** Which places are looked at: all of them where nothing is said. */
type Among = ReadonlySet<Terminal> | undefined;

/** Every terminal of a body that is looked at. */
const inBody = (assembly: Assembly, { id }: Place['body'], among: Among): readonly Terminal[] =>
  (among ? [...among] : terminalsOf(assembly)).filter((each) => placeOf(assembly, each)?.body.id === id);

const LEAVES = [
  ['cut-back', 'cut it back', 'cut back'],
  ['insulate', 'insulate it', 'insulated'],
  ['spare', 'keep it as a spare', 'spare'],
] as const;

/** What a conductor or a leg of a part may be brought to, exchanged with, or left as. */
function ofLoose(assembly: Assembly, at: Terminal, { kind, body }: Place, among: Among): readonly Deed[] {
  const beside = inBody(assembly, body, among).filter(
    (other) => other !== at && !jointOf(assembly, at)?.terminals.includes(other),
  );
  const kindAt = (other: Terminal) => placeOf(assembly, other)?.kind;
  const to = beside
    .filter((other) => kindAt(other) !== kind)
    .map((other): Deed => ({
      group: 'move to',
      says: sayTerminal(assembly, other),
      edit: { kind: 'move', terminal: at, to: other },
      other,
    }));
  const places = beside
    .filter((other) => kindAt(other) === kind)
    .map((other): Deed => ({
      group: 'change places with',
      says: kind === 'conductor' ? sayConductor(assembly, other) : sayTerminal(assembly, other),
      edit: { kind: 'exchange', one: at, other },
      other,
    }));
  const left = kind === 'conductor' && assembly.unjoined.find((each) => each.at === at)?.is;
  const leaves =
    left === false
      ? []
      : LEAVES.filter(([, , is]) => is !== left).map(([edit, says]): Deed => ({
          group: 'leave it',
          says,
          edit: { kind: edit, at },
        }));
  return [...to, ...places, ...leaves];
}

/** What a contact may be linked to, or parted from. */
function ofContact(assembly: Assembly, at: Terminal, { body }: Place, among: Among): readonly Deed[] {
  const isContact = (other: Terminal): boolean =>
    ['contact', 'case'].includes(placeOf(assembly, other)?.kind ?? '');
  const joint = jointOf(assembly, at);
  const links = inBody(assembly, body, among)
    .filter((other) => other !== at && isContact(other) && !joint?.terminals.includes(other))
    .map((other): Deed => ({
      group: 'link to',
      says: sayTerminal(assembly, other),
      edit: { kind: 'join', terminals: [at, other], how: 'link' },
      other,
    }));
  const linked = (joint?.terminals ?? [])
    .filter((other) => other !== at && isContact(other))
    .map((other): Deed => ({
      group: 'part from',
      says: sayTerminal(assembly, other),
      edit: { kind: 'separate', terminals: [other] },
    }));
  return [...links, ...linked];
}

/** What may become of a part as a whole. */
function ofPart(part: Extract<Place, { kind: 'lead' }>['part']): readonly Deed[] {
  const legs = leadsOf(part);
  const [one, other] = legs.map((leg) => leadTerminal(part.id, leg));
  return [
    ...(legs.length === 2 && one !== undefined && other !== undefined
      ? [
          {
            group: 'the part' as const,
            says: 'turn it round',
            edit: { kind: 'exchange' as const, one, other },
          },
        ]
      : []),
    { group: 'the part', says: 'take it out', edit: { kind: 'remove-part', part: part.id } },
  ];
}

/**
 * Everything that can be done by hand at a place of an assembly: each edit can be made. None where there is no such place,
 * or where what is there was there before and is not ours to undo. `among`: with which other places; all where left out.
 */
export function possibleEdits(assembly: Assembly, at: Terminal, among?: Among): readonly Deed[] {
  const place = placeOf(assembly, at);
  if (!place) return [];
  const deeds =
    place.kind === 'conductor'
      ? ofLoose(assembly, at, place, among)
      : place.kind === 'lead'
        ? [...ofLoose(assembly, at, place, among), ...ofPart(place.part)]
        : ofContact(assembly, at, place, among);
  return deeds.filter(({ edit }) => applyEdit(assembly, edit).ok);
}
