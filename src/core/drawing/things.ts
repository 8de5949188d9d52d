import { contactTerminal } from '../assembly';
import { COLOURS } from '../catalogue';
import { beforeEnd, cutAt } from './curve';
import type { DrawnConductor, DrawnContact, PeeledEnd } from './drawn';
import type { Mark, Thing } from './marks';
import { contactMarks } from './shapes/contact';
import { fingerOfContact, housingMarks, insertMarks, seenFromSide } from './shapes/insert';
import { partMarks } from './shapes/part';

/** No conductor is drawn thicker than this, mm: a combed braid is many strands. */
const THICKEST = 1.9;
/** How far a jacket is drawn beyond its mouth, mm. */
const JACKET = 10;
/** How large a finger wants what it touches, mm. */
const TOUCH = 1.5;

/** What a conductor is called, and where it goes. */
export function sayDrawn({ is, colour, lands, left }: DrawnConductor): string {
  const name = is === 'core' ? COLOURS[colour] : is;
  return lands ? `${name} to ${lands}` : `${name}, ${left ?? 'loose'}`;
}

/** A core in its insulation, its end bare; a screen twisted from its strands; a sleeve over an end that is insulated back. */
function conductorMarks(conductor: DrawnConductor): readonly Mark[] {
  const { is, colour, curve, bareMm, left } = conductor;
  const width = Math.min(conductor.width, THICKEST);
  const edge: Mark = { is: 'curve', points: curve, stroke: 'outline', thick: width + 0.45 };
  if (is !== 'core')
    return [
      edge,
      { is: 'curve', points: curve, stroke: 'CU', thick: width },
      { is: 'curve', points: curve, stroke: 'outline', thick: width, strands: true },
    ];
  const [covered, bare] = cutAt(curve, bareMm === 0 ? 1 : beforeEnd(curve, bareMm));
  const insulation: Mark = { is: 'curve', points: covered, stroke: colour, thick: width };
  const stump: readonly Mark[] = left?.startsWith('insulated')
    ? [{ is: 'curve', points: cutAt(curve, beforeEnd(curve, 2.2))[1], stroke: 'dark', thick: width + 0.7 }]
    : [];
  return bareMm === 0
    ? [edge, insulation, ...stump]
    : [
        { is: 'curve', points: covered, stroke: 'outline', thick: width + 0.45 },
        { is: 'curve', points: bare, stroke: 'outline', thick: width * 0.6 + 0.35 },
        { is: 'curve', points: bare, stroke: 'CU', thick: width * 0.6 },
        insulation,
        ...stump,
      ];
}

/** Each jacket from its mouth on, so long that what sits on it is seen. */
function jackets(end: PeeledEnd): readonly Thing[] {
  return end.jackets.map((each): Thing => {
    const on = end.dressings.filter(({ y }) => y === each.y);
    const length = Math.max(JACKET, ...on.map(({ x, length: long }) => Math.abs(x - each.x) + long / 2 + 2));
    return {
      key: `${each.span} at ${end.end}`,
      is: 'jacket',
      says: '',
      terminals: [],
      joints: [],
      marks: [
        {
          is: 'box',
          at: { x: each.x + (end.toward * length) / 2, y: each.y },
          width: length,
          height: each.thickness,
          round: 0.5,
          fill: each.colour,
          stroke: 'outline',
          thick: 0.3,
        },
      ],
    };
  });
}

/** What the contacts are in, and round all of it the box or barrel. */
function holders(end: PeeledEnd): readonly Thing[] {
  const { inserts, contacts, side } = end;
  return [
    ...(end.housing
      ? [
          {
            key: 'housing',
            is: 'insert',
            says: '',
            terminals: [],
            joints: [],
            marks: housingMarks(
              inserts,
              end.housing === 'box',
              Math.max(0, ...end.parts.map(({ at, width }) => Math.abs(at.y) + width / 2 + 3)),
            ),
          } as const,
        ]
      : []),
    ...inserts.map((insert): Thing => ({
      key: insert.end,
      is: 'insert',
      says: '',
      terminals: [contactTerminal(insert.end, 'shell')],
      joints: [],
      marks: insertMarks(insert, contacts, side),
      ring: { at: insert.at, r: Math.max(insert.half.x, insert.half.y) + 2.2 },
    })),
  ];
}

/** How far round a contact nothing else is touched, mm: half way to the next. */
const roomRound = (contact: DrawnContact, contacts: readonly DrawnContact[]): number =>
  Math.min(
    ...contacts.map((other) =>
      other === contact ? Infinity : Math.hypot(other.x - contact.x, other.y - contact.y) / 2,
    ),
  );

function contactsOf(end: PeeledEnd): readonly Thing[] {
  const { inserts, contacts, side, toward } = end;
  const insertOf = (terminal: string) => inserts.find((each) => terminal.startsWith(`${each.end}.`));
  const isSide = side === 'mating' && seenFromSide(inserts[0], contacts);
  return contacts.map((contact): Thing => ({
    key: contact.terminal,
    is: 'contact',
    says: `contact ${contact.terminal}`,
    terminals: [contact.terminal],
    joints: contact.joints,
    marks: [
      ...(isSide
        ? fingerOfContact(inserts[0], contact.id)
        : contactMarks(contact, side, insertOf(contact.terminal)?.toward ?? toward)),
    ],
    ...(isSide
      ? { touch: { at: contact, r: Math.min(4, roomRound(contact, contacts)) } }
      : { ring: { at: contact, r: Math.min(contact.radius + 1.1, roomRound(contact, contacts)) } }),
  }));
}

const linksOf = (end: PeeledEnd): readonly Thing[] =>
  end.links.map((link): Thing => ({
    key: link.joint,
    is: 'link',
    says: 'link',
    terminals: link.terminals,
    joints: [link.joint],
    marks: [
      { is: 'curve', points: link.curve, stroke: 'outline', thick: 1 },
      { is: 'curve', points: link.curve, stroke: 'silver', thick: 0.6 },
    ],
  }));

const conductorsOf = (end: PeeledEnd): readonly Thing[] =>
  end.conductors.map((conductor): Thing => ({
    key: conductor.terminal,
    is: conductor.is,
    says: sayDrawn(conductor),
    terminals: [conductor.terminal],
    joints: conductor.joint === undefined ? [] : [conductor.joint],
    marks: conductorMarks(conductor),
  }));

const partsOf = (end: PeeledEnd): readonly Thing[] =>
  end.parts.flatMap((part): readonly Thing[] => [
    ...part.legs.map(({ terminal, joint, curve }): Thing => ({
      key: terminal,
      is: 'leg',
      says: `leg ${terminal}`,
      terminals: [terminal],
      joints: joint === undefined ? [] : [joint],
      marks: [
        { is: 'curve', points: curve, stroke: 'outline', thick: 0.75 },
        { is: 'curve', points: curve, stroke: 'silver', thick: 0.45 },
        { is: 'disc', at: curve[0], r: TOUCH, unseen: true },
      ],
      ring: { at: curve[0], r: 1.3 },
    })),
    {
      key: part.part,
      is: 'part',
      says: part.part,
      terminals: part.legs.map(({ terminal }) => terminal),
      joints: [],
      marks: partMarks(part),
    },
  ]);

const airOf = (end: PeeledEnd): readonly Thing[] =>
  end.air.map((joint): Thing => ({
    key: joint.joint,
    is: 'air',
    says: '',
    terminals: [],
    joints: [joint.joint],
    marks: joint.sleeved
      ? [
          {
            is: 'box',
            at: joint,
            width: 4,
            height: 1.9,
            round: 0.6,
            fill: 'dark',
            stroke: 'outline',
            thick: 0.2,
          },
        ]
      : [{ is: 'disc', at: joint, r: 0.9, fill: 'silver', stroke: 'outline', thick: 0.2 }],
  }));

/** What sits on the jacket: rings in their colour, tape and labels light, shrink and boots dark, an arrow as an arrow. */
const dressings = (end: PeeledEnd): readonly Thing[] =>
  end.dressings.map(({ id, what, says, colour, x, y, over, length, away }): Thing => {
    const way = away ? end.toward : -end.toward;
    const isLight = what === 'tape' || what === 'label' || what === 'arrow' || what === 'clear-shrink';
    const band: Mark = {
      is: 'box',
      at: { x, y },
      width: length,
      height: over + (what === 'boot' ? 2 : 1),
      round: 0.5,
      fill: colour ?? (isLight ? 'paper' : 'dark'),
      stroke: 'outline',
      thick: 0.25,
    };
    const tip = { x: x + way * 1.5, y };
    const arrow: Mark = {
      is: 'line',
      points: [
        { x: x - way * 1.5, y },
        tip,
        { x: tip.x - way, y: y + 0.9 },
        tip,
        { x: tip.x - way, y: y - 0.9 },
      ],
      stroke: 'ink',
      thick: 0.35,
    };
    return {
      key: `${id} at ${end.end}`,
      is: 'dressing',
      says,
      terminals: [],
      joints: [],
      marks: what === 'arrow' ? [band, arrow] : [band],
    };
  });

/** Everything that is seen of an opened end, the lowest first; y upward. */
export const thingsOf = (end: PeeledEnd): readonly Thing[] =>
  [jackets, dressings, holders, contactsOf, linksOf, conductorsOf, partsOf, airOf].flatMap((of) => of(end));
