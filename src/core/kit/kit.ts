import {
  bodyOfEnd,
  dressingKind,
  endsOf,
  needsSolder,
  placeOf,
  sayPart,
  sayPartKind,
  sayRatings,
  thingOf,
  ownerOf,
  type Assembly,
  type Body,
  type Dressing,
  type Joint,
  type LooseContact,
  type Part,
} from '../assembly';
import { COLOURS } from '../catalogue';
import { cuts, sayFrom, type Cut } from '../cutting';
import type { Dressed } from '../dressing';
import { formatLength, type LengthSystem } from '../quantity';
import type { KitLine } from './lines';
import { solderMm } from './tools/iron';
import { lengthSystem, sayConnector, type Schools } from '../wiring';

const SOLDER: Readonly<Record<string, string>> = {
  'tin-lead': 'Rosin-cored solder, 63/37 or 60/40 tin-lead',
  'lead-free': 'Lead-free rosin-cored solder',
  silver: 'Silver-bearing rosin-cored solder',
};

/**
 * Everything that goes into a lead: connectors, cable by cut length, parts, and what is put on it; of an assembly that is
 * dressed (`dressed` in the room for that), since a lead’s own document holds only what somebody said.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     kit(dressed(document), {}).find((line) => line.id === 'pair-braid').mm; // → 5966
 */
export function kit(assembly: Dressed, schools: Schools): readonly KitLine[] {
  return [
    ...connectorLines(assembly, schools),
    ...cableLines(assembly, schools),
    ...partLines(assembly),
    ...looseLines(assembly),
    ...wireLines(assembly),
    ...dressingLines(assembly, schools),
    ...solderLines(assembly, schools),
    thingOf(assembly) === 'box'
      ? {
          id: 'label',
          item: 'lid-label',
          what: 'Label for the lid',
          count: 1,
          detail: 'what it is for, number; one at each socket',
        }
      : {
          id: 'label',
          item: 'label',
          what: 'Wrap label',
          count: 1,
          detail: assembly.lengths.length > 0 ? 'length, ends, number' : 'ends, number',
        },
  ];
}

/** Nothing is soldered of what only goes under screws. */
const solderLines = (assembly: Dressed, schools: Schools): readonly KitLine[] =>
  needsSolder(assembly)
    ? [
        {
          id: 'solder',
          item: `solder ${schools.solder ?? 'tin-lead'}`,
          what: SOLDER[schools.solder ?? 'tin-lead'] ?? '',
          count: 1,
          detail: `${solderMm(assembly, schools)}; never acid flux`,
        },
      ]
    : [];

function connectorLines(assembly: Assembly, schools: Schools): readonly KitLine[] {
  return assembly.uses.connectors.flatMap((connector): KitLine[] => {
    const all = endsOf(assembly).filter((end) => end.connector === connector.id);
    const came = all.filter((end) => bodyOfEnd(assembly, end.id)?.asItCame);
    const ends = all.filter((end) => !came.includes(end));
    const line = { item: connector.id, what: sayConnector(connector, schools) };
    return [
      ...(ends.length === 0
        ? []
        : [
            {
              ...line,
              id: connector.id,
              count: ends.length,
              detail: `end ${ends.map((end) => end.id).join(', ')}${connector.mount === 'cable' ? `; ${connector.clamp ?? 'clamp by its own instructions'}` : ''}`,
              ...(ends.every((end) => bodyOfEnd(assembly, end.id)?.kind === 'device') ? { owned: true } : {}),
            },
          ]),
      ...(came.length === 0
        ? []
        : [
            {
              ...line,
              id: `${connector.id}-donor`,
              what: `${line.what}, on the donor lead`,
              count: came.length,
              detail: `end ${came.map((end) => end.id).join(', ')}, as it came`,
              owned: true,
            },
          ]),
    ];
  });
}

/** “cut 5.966 m”; of loose wires each by its colour: “cut red 4.862 m, black 4.862 m, green 4.962 m”. */
const sayCut = ({ total, wires = [] }: Cut, system: LengthSystem): string =>
  wires.length > 1
    ? `cut ${wires.map(({ colour, mm }) => `${COLOURS[colour]} ${formatLength(mm, system)}`).join(', ')}`
    : `cut ${formatLength(total, system)}`;

/** Cable by kind: all its cut lengths. */
function cableLines(assembly: Assembly, schools: Schools): readonly KitLine[] {
  const system = lengthSystem(schools);
  return assembly.uses.cables.flatMap((cable): KitLine[] => {
    const all = cuts(assembly, schools).filter((cut) => cut.cable === cable.id);
    const [donors, pieces] = [all.filter((cut) => cut.from), all.filter((cut) => !cut.from)];
    const line = (id: string, of: typeof all): KitLine[] =>
      of.length === 0
        ? []
        : [
            {
              id,
              item: cable.id,
              what: cable.name,
              count: of.length,
              mm: of.reduce((sum, cut) => sum + cut.total, 0),
              detail: of.map((cut) => sayCut(cut, system)).join(', '),
            },
          ];
    return [
      ...line(cable.id, pieces),
      ...line(`${cable.id}-donor`, donors).map((each) => ({
        ...each,
        what: `${cable.name}, of the donor lead`,
        detail: donors
          .map(
            (cut) =>
              `at least ${formatLength(cut.total, system)} of it, from ${cut.from ? sayFrom(cut.from) : ''}`,
          )
          .join('; '),
        owned: true,
      })),
    ];
  });
}

/** Whether a part came with the device that it is in: every joint of it was there before. */
const isThere = ({ joints, existing = [] }: Body, { id }: Part): boolean => {
  const has = ({ terminals }: Joint): boolean => terminals.some((each) => ownerOf(each) === id);
  return existing.some(has) && !joints.some(has);
};

/** Parts alike are counted once. */
function partLines(assembly: Assembly): readonly KitLine[] {
  const parts = new Map<string, KitLine>();
  for (const { body, part } of assembly.bodies.flatMap((each) =>
    each.parts.map((of) => ({ body: each, part: of })),
  )) {
    const says = [sayPartKind(part), sayPart(part)].filter(Boolean).join(' ');
    const owned = isThere(body, part);
    const id = owned ? `${says}-owned` : says;
    const before = parts.get(id);
    const what = [says, sayRatings(part)].filter(Boolean).join(', ');
    parts.set(id, {
      id,
      item: what,
      what,
      count: (before?.count ?? 0) + 1,
      detail: [before?.detail, part.id].filter(Boolean).join(', '),
      ...(owned ? { owned } : {}),
    });
  }
  return [...parts.values()];
}

const LOOSE: Readonly<Record<NonNullable<LooseContact['finish']>, string>> = {
  bare: 'Loose wire, bare, sleeved',
  tinned: 'Loose wire, tinned, sleeved',
  spade: 'Spade for the screw it goes under, crimped, sleeved',
  ferrule: 'Ferrule for the wire, crimped, sleeved',
  pin: 'Pin, soldered, sleeved',
  ring: 'Ring terminal for the screw it goes under, crimped, sleeved',
};
const sayLoose = (wire: LooseContact | undefined): string =>
  wire?.finish ? LOOSE[wire.finish] : 'Loose wire, finished and sleeved';

function looseLines(assembly: Assembly): readonly KitLine[] {
  return endsOf(assembly).flatMap((end): KitLine[] =>
    end.loose
      ? [
          {
            id: `loose-${end.id}`,
            item: `loose ${end.loose[0]?.finish ?? 'wire'}`,
            what:
              end.loose.length === 1 && end.loose[0]?.finish === 'spade'
                ? end.loose[0].name
                : sayLoose(end.loose[0]),
            count: end.loose.length,
            detail: `end ${end.id}: ${end.loose.map((wire) => wire.id).join(', ')}`,
          },
        ]
      : [],
  );
}

/** Of hook-up wire for a run inside a box, with what is left slack; of bare wire for a link; mm (nominal). */
const [A_RUN, A_LINK] = [100, 15];

/** Wire that is no cable: between what is screwed into a box, and of links that no leg of a part makes. */
function wireLines(assembly: Assembly): readonly KitLine[] {
  const isLeg = (terminal: string): boolean => placeOf(assembly, terminal)?.kind === 'lead';
  const joints = assembly.bodies.flatMap((body) => body.joints.map((joint) => ({ body, joint })));
  // A part’s leg that comes to one of its contacts goes on to the other: it is the link.
  const isMadeByLeg = ({ body, joint }: (typeof joints)[number]): boolean =>
    body.joints.some(
      ({ terminals }) => terminals.some(isLeg) && terminals.some((each) => joint.terminals.includes(each)),
    );
  const links = joints.filter((each) => each.joint.how === 'link' && !isMadeByLeg(each));
  // In a box nothing reaches from one lug to another by its own leg: each joint takes a wire to all but one of its places.
  const runs = joints
    .filter(({ body, joint }) => body.kind === 'box' && joint.how !== 'link')
    .reduce((sum, { joint }) => sum + joint.terminals.length - 1, 0);
  return [
    ...(runs > 0
      ? [
          {
            id: 'box-wire',
            item: 'box-wire',
            what: 'Stranded hook-up wire',
            count: runs,
            mm: runs * A_RUN,
            detail: `${runs} runs inside the box of about ${A_RUN} mm, with slack`,
          },
        ]
      : []),
    ...(links.length > 0
      ? [
          {
            id: 'link-wire',
            item: 'link-wire',
            what: 'Bare wire, a clipped component leg will do',
            count: links.length,
            mm: links.length * A_LINK,
            detail: `${links.length === 1 ? 'a link' : `${links.length} links`} at end ${[...new Set(links.flatMap(({ body }) => body.ends.map(({ id }) => id)))].join(', ')}`,
          },
        ]
      : []),
  ];
}

/** Tubing of one kind that goes by several names, by what it does. */
const MADE_OF: Partial<Readonly<Record<Dressing['what'], Dressing['what']>>> = {
  'joint-sleeve': 'heat-shrink',
  'drain-sleeve': 'heat-shrink',
  'stump-sleeve': 'heat-shrink',
};

/** What is put on, those alike together: one bore, one length, one colour. How wires are laid takes nothing. */
function dressingLines(assembly: Assembly, schools: Schools): readonly KitLine[] {
  const system = lengthSystem(schools);
  const groups = new Map<string, Dressing[]>();
  for (const dressing of assembly.dressings) {
    if (dressingKind(dressing.what)?.is === 'construction') continue;
    const { what, size, lengthMm, colour, owned } = dressing;
    const key = JSON.stringify([what, size, lengthMm, colour, owned]);
    groups.set(key, [...(groups.get(key) ?? []), dressing]);
  }
  return [...groups.values()].flatMap((alike): KitLine[] => {
    const [first] = alike;
    const kind = first && dressingKind(first.what);
    if (!kind) return [];
    const { size, lengthMm, colour, owned } = first;
    const bore = size
      ? `${size.suppliedMm}${size.recoveredMm === undefined ? '' : `/${size.recoveredMm}`} mm`
      : undefined;
    const long = lengthMm === undefined ? undefined : formatLength(lengthMm, system);
    return [
      {
        id: `dressing-${first.id}`,
        // What goes by the metre is the same whatever it is put on; a ring is told by its colour.
        item: [MADE_OF[first.what] ?? first.what, bore, colour].filter(Boolean).join(' '),
        what: [
          kind.name,
          bore,
          colour && COLOURS[colour],
          long && `${long}${alike.length > 1 ? ' each' : ''}`,
        ]
          .filter(Boolean)
          .join(', '),
        ...(lengthMm === undefined
          ? {}
          : {
              name: [dressingKind(MADE_OF[first.what] ?? first.what)?.name, bore, colour && COLOURS[colour]]
                .filter(Boolean)
                .join(', '),
            }),
        count: alike.length,
        ...(lengthMm === undefined ? {} : { mm: lengthMm * alike.length }),
        detail: alike.map(({ says }) => says).join('; '),
        ...(owned ? { owned } : {}),
        dressings: alike.map(({ id }) => id),
      },
    ];
  });
}
