import { memberOf, type Terminal } from '../assembly';
import { along } from './curve';
import type { DrawnContact, PeeledEnd } from './drawn';
import { roomOf, type Wish } from './labels';
import type { Quarters } from './marks';
import type { Point } from './point';
import { seenFromSide } from './shapes/insert';

const TYPE = 1.6;
/** Where along a core its letters may stand, the best first; 0 is the jacket, 1 the contact. */
const ALONG = [0.5, 0.45, 0.55, 0.4, 0.6, 0.35, 0.65, 0.3, 0.7, 0.25, 0.75, 0.2, 0.8, 0.85] as const;

/** Points round a contact where its number may stand: away from the cable first, then all round, then on it. */
function aroundContact(
  { x, y, radius }: Pick<DrawnContact, 'x' | 'y' | 'radius'>,
  toward: 1 | -1,
  room: Point,
): readonly Point[] {
  const [dx, dy] = [radius + room.x / 2 + 0.2, radius + room.y / 2 + 0.1];
  return [
    { x: x - toward * dx, y },
    { x, y: y + dy },
    { x, y: y - dy },
    { x: x - toward * dx, y: y + dy },
    { x: x - toward * dx, y: y - dy },
    { x: x + toward * dx, y: y + dy },
    { x: x + toward * dx, y: y - dy },
    { x, y },
  ];
}

/** How a picture is written on. */
export interface Writing {
  /** Turned in the vice: quarters of a turn, clockwise. */
  readonly turn?: Quarters;
  /** How large the type is set, mm. */
  readonly typeMm?: number;
  /** Labels only of what carries this: one channel of many. Everything where left out. */
  readonly focus?: ReadonlySet<Terminal>;
}

/** A label that is wished for: what it says of what, and where it may stand with the room that it takes. */
type Wanted = Pick<Wish, 'is' | 'key' | 'text' | 'terminals' | 'anchor' | 'on'> & {
  readonly stands: (room: Point) => readonly Point[];
};

const towardOf = (end: PeeledEnd, terminal: Terminal): 1 | -1 =>
  end.inserts.find(({ end: id }) => terminal.startsWith(`${id}.`))?.toward ?? end.toward;

/** The letters of each core, on it: of what has no colour yet, its own name. */
const lettersOf = ({ conductors }: PeeledEnd): readonly Wanted[] =>
  conductors
    .filter(({ is }) => is === 'core')
    .map(({ terminal, lands, colour, pair, curve }) => ({
      is: 'letters',
      key: `letters ${terminal}`,
      text: colour === '??' ? memberOf(terminal).replace(/@.*/, '') : `${colour}${pair ?? ''}`,
      terminals: [terminal, ...(lands ? [lands] : [])],
      anchor: along(curve, 0.5),
      on: colour,
      stands: () => ALONG.map((t) => along(curve, t)),
    }));

/** The name of each contact, beside it; in it where it is looked at from the front. */
function namesOf(end: PeeledEnd): readonly Wanted[] {
  const isSide = end.side === 'mating' && seenFromSide(end.inserts[0], end.contacts);
  const below = Math.max(0, ...end.inserts[0].finger.map(({ to }) => to)) / 2;
  return end.contacts.map((contact) => ({
    is: 'contact',
    key: `on ${contact.terminal}`,
    text: contact.id,
    terminals: [contact.terminal],
    anchor: contact,
    stands: (room) => {
      if (isSide) return [{ x: contact.x, y: -below - room.y / 2 - 0.6 }];
      if (end.side === 'mating' && contact.radius * 2 >= room.y) return [{ x: contact.x, y: contact.y }];
      return aroundContact(contact, towardOf(end, contact.terminal), room);
    },
  }));
}

/** The name of each part over it or under it, and its plus where it has one. */
const partNamesOf = ({ parts }: PeeledEnd): readonly Wanted[] =>
  parts.flatMap(({ part, kind, at, mark, toward, length, width, legs }): readonly Wanted[] => {
    const terminals = legs.map(({ terminal }) => terminal);
    const side = (mark === 'insert' ? -1 : 1) * toward;
    const x = at.x + side * (length / 2 + 0.6);
    return [
      {
        is: 'part',
        key: `name ${part}`,
        text: part,
        terminals,
        anchor: at,
        stands: (room) => [
          { x: at.x, y: at.y + width / 2 + room.y / 2 + 0.15 },
          { x: at.x, y: at.y - width / 2 - room.y / 2 - 0.15 },
        ],
      },
      ...(mark === undefined || kind === 'diode'
        ? []
        : [
            {
              is: 'plus',
              key: `plus ${part}`,
              text: '+',
              terminals,
              anchor: { x: at.x + side * (length / 2), y: at.y },
              stands: (room: Point) => [
                { x, y: at.y + width / 2 + room.y / 2 },
                { x, y: at.y - width / 2 - room.y / 2 },
                { x: at.x + side * (length / 2 - 1), y: at.y },
              ],
            } as const,
          ]),
    ];
  });

/** The order of soldering, each number beside where the joint is made. */
const orderOf = (end: PeeledEnd): readonly Wanted[] =>
  end.numbers.map((number) => ({
    is: 'order',
    key: `order ${number.joint}`,
    text: `${number.n}`,
    terminals: number.contact === undefined ? [] : [number.contact],
    anchor: number,
    stands: (room) => {
      const toward = number.contact === undefined ? end.toward : towardOf(end, number.contact);
      return aroundContact(number, toward, room).filter(({ x, y }) => x !== number.x || y !== number.y);
    },
  }));

/** What is written, the first to be placed first, and where it may stand; of what is turned by a quarter the room for it is turned too. */
export function wishesOf(end: PeeledEnd, { typeMm = TYPE, focus, turn = 0 }: Writing): readonly Wish[] {
  return [lettersOf, namesOf, partNamesOf, orderOf]
    .flatMap((of) => of(end))
    .filter(({ terminals }) => focus === undefined || terminals.some((each) => focus.has(each)))
    .map(({ stands, ...wanted }) => {
      const { x, y } = roomOf({ text: wanted.text, size: typeMm });
      return { ...wanted, size: typeMm, candidates: stands(turn % 2 === 1 ? { x: y, y: x } : { x, y }) };
    });
}
