import type { DrawnContact, DrawnInsert } from '../drawn';
import type { Mark } from '../marks';
import type { Point } from '../point';
import { profileLength } from '../profile';

const EDGE = { stroke: 'outline', thick: 0.25 } as const;
/** A finger is drawn so long at the most, mm: a longer one is pushed together, since nothing is soldered there. */
const MOST_FINGER = 15;

/** Each piece of a finger, seen from its side, the last at a point and the rest away from the cable; pushed together by a scale. */
const fingerPieces = ({ finger, toward }: DrawnInsert, at: Point, scale: number) => {
  let x = at.x;
  return [...finger].reverse().map((piece) => {
    const [near, far] = [x, x - toward * piece.length * scale];
    x = far;
    const mark: Mark = {
      is: 'line',
      closed: true,
      points: [
        { x: near, y: at.y + piece.to / 2 },
        { x: far, y: at.y + piece.from / 2 },
        { x: far, y: at.y - piece.from / 2 },
        { x: near, y: at.y - piece.to / 2 },
      ],
      fill: piece.of === 'metal' ? 'metal' : 'dark',
      ...EDGE,
    };
    return { contact: piece.contact, mark };
  });
};

/** A finger as it stands out of what is soldered. */
const fingerMarks = (insert: DrawnInsert, at: Point): readonly Mark[] =>
  fingerPieces(insert, at, Math.min(1, MOST_FINGER / profileLength(insert.finger))).map(({ mark }) => mark);

/** Of a finger looked at by itself, round the origin: the pieces of one contact, or those of none with the beginning of its handle. */
export function fingerOfContact(insert: DrawnInsert, contact: string | undefined): readonly Mark[] {
  const back = (insert.toward * profileLength(insert.finger)) / 2;
  const pieces = fingerPieces(insert, { x: back, y: 0 }, 1)
    .filter((piece) => piece.contact === contact)
    .map(({ mark }) => mark);
  if (contact !== undefined) return pieces;
  const wide = Math.max(...insert.finger.map(({ to }) => to));
  return [
    {
      is: 'box',
      at: { x: back + insert.toward * 1.5, y: 0 },
      width: 3,
      height: wide * 1.6,
      round: 0.5,
      fill: 'steel',
      ...EDGE,
    },
    ...pieces,
  ];
}

/** A plug or socket from its side, shell off: its finger, the collar that the shell screws on, the insulator beside the lugs. */
const sideMarks = (insert: DrawnInsert): readonly Mark[] => {
  const { at, toward, radius, inPanel } = insert;
  const back = { x: at.x - toward * radius, y: at.y };
  return [
    ...fingerMarks(insert, back),
    ...(inPanel
      ? [
          {
            is: 'box',
            at: { x: at.x - toward * radius, y: at.y },
            width: 2.4,
            height: radius * 2.6,
            round: 0.4,
            fill: 'steel',
            ...EDGE,
          } as const,
        ]
      : []),
    {
      is: 'box',
      at: { x: at.x - toward * (radius - 1.6), y: at.y },
      width: 3.2,
      height: radius * 1.9,
      round: 0.5,
      fill: 'steel',
      ...EDGE,
    },
    {
      is: 'box',
      at: { x: at.x + toward * 0.4, y: at.y - radius * 0.05 },
      width: radius * 2 - 3,
      height: 0.7,
      round: 0.3,
      fill: 'hollow',
    },
  ];
};

const plate = ({ at, half }: DrawnInsert, fill: 'board' | 'hollow'): readonly Mark[] => [
  { is: 'box', at, width: 2 * half.x, height: 2 * half.y, round: 1, fill, ...EDGE },
];

/** Single plugs: each its pin, away from the cable, and the barrel that takes the wire. */
const singleMarks = (insert: DrawnInsert, contacts: readonly DrawnContact[]): readonly Mark[] =>
  contacts.flatMap((contact) => [
    ...fingerMarks(insert, { x: contact.x - insert.toward * 6, y: contact.y }),
    {
      is: 'box',
      at: { x: contact.x - insert.toward * 1, y: contact.y },
      width: 10,
      height: 8,
      round: 0.8,
      fill: 'metal',
      ...EDGE,
    },
  ]);

/** The ring of a round insert, with its key at the top. */
const roundMarks = ({ at, radius, keyed }: DrawnInsert): readonly Mark[] => [
  { is: 'disc', at, r: radius + 0.9, fill: 'paper', stroke: 'steel', thick: 1.1 },
  ...(keyed
    ? [
        {
          is: 'box',
          at: { x: at.x, y: at.y + radius + 0.7 },
          width: 2.6,
          height: 2.4,
          round: 0.5,
          fill: 'steel',
        } as const,
      ]
    : []),
];

/** A D shell: longer along the longer of its two rows. */
function rowsMarks({ at, half }: DrawnInsert, contacts: readonly DrawnContact[]): readonly Mark[] {
  const isUpright = half.y > half.x;
  const across = (point: Point): number => (isUpright ? point.x : point.y);
  const alongIt = (point: Point): number => (isUpright ? point.y : point.x);
  const rows = [...new Set(contacts.map(across))].sort((a, b) => a - b);
  const beyond = (isUpright ? half.x : half.y) - Math.max(...rows.map(Math.abs));
  const long = (row: number): number =>
    Math.max(...contacts.filter((each) => across(each) === row).map((each) => Math.abs(alongIt(each)))) + 6;
  const [low = 0, high = 0] = rows;
  const corner = (row: number, far: number, side: number): Point =>
    isUpright
      ? { x: at.x + row + far, y: at.y + side * long(row) }
      : { x: at.x + side * long(row), y: at.y + row + far };
  return [
    {
      is: 'line',
      closed: true,
      points: [
        corner(low, -beyond, -1),
        corner(high, beyond, -1),
        corner(high, beyond, 1),
        corner(low, -beyond, 1),
      ],
      fill: 'paper',
      stroke: 'steel',
      thick: 1.1,
    },
  ];
}

/** Whether an end’s contacts are the pieces of its finger: it is looked at from its side. */
export const seenFromSide = (
  { form, finger }: DrawnInsert,
  contacts: readonly Pick<DrawnContact, 'id'>[],
): boolean => form === 'side' && contacts.every(({ id }) => finger.some(({ contact }) => contact === id));

/** What is seen of it from the front: nothing round single plugs. */
const facing = (insert: DrawnInsert): readonly Mark[] => {
  if (insert.form === 'singles') return [];
  if (insert.form === 'board') return plate(insert, 'board');
  return roundMarks(insert);
};

/** What the contacts of an end sit in. */
export function insertMarks(
  insert: DrawnInsert,
  contacts: readonly DrawnContact[],
  side: 'solder' | 'mating',
): readonly Mark[] {
  const own = contacts.filter(({ terminal }) => terminal.startsWith(`${insert.end}.`));
  if (insert.form === 'rows') return rowsMarks(insert, own);
  if (side === 'mating')
    return seenFromSide(insert, own) ? fingerOfContact(insert, undefined) : facing(insert);
  switch (insert.form) {
    case 'side':
      return sideMarks(insert);
    case 'singles':
      return singleMarks(insert, own);
    case 'block':
      return plate(insert, 'hollow');
    case 'board':
      return plate(insert, 'board');
    case 'loose':
      return [];
    case 'round':
      return roundMarks(insert);
  }
}

/** Round all that is in a box or a barrel: its wall. */
export function housingMarks(
  inserts: readonly DrawnInsert[],
  isBox: boolean,
  beyond: number,
): readonly Mark[] {
  const left = Math.min(...inserts.map(({ at, half, form }) => at.x - (form === 'side' ? half.x : 0)));
  const right = Math.max(...inserts.map(({ at, half, form }) => at.x + (form === 'side' ? half.x : 0)));
  const high =
    Math.max(beyond, ...inserts.map(({ at, half }) => Math.abs(at.y) + half.y)) + (isBox ? 5 : 2.5);
  return [
    {
      is: 'box',
      at: { x: (left + right) / 2, y: 0 },
      width: right - left,
      height: 2 * high,
      round: isBox ? 2 : 1,
      fill: 'paper',
      stroke: 'dark',
      thick: isBox ? 1.4 : 0.8,
    },
  ];
}
