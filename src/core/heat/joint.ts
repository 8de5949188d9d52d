import {
  cableOf,
  connectorOf,
  isSoldered,
  placeOf,
  type Assembly,
  type Body,
  type Joint,
  type Terminal,
} from '../assembly';
import type { ConnectorContact, ConnectorEntry } from '../catalogue';
import { bad, good, type Result } from '../quantity';
import { heaterHolds, heaterToTip, IRON_TO_ROOM, TIPS, type Iron, type Tip } from './iron';
import { BRASS, COPPER, insertOf, insulationOf, MELTING, PLASTIC, SOLDER, type Softens } from './materials';
import { integrate, type Moment } from './integrate';
import { ROOM, ROOM_C, type ThermalLink, type ThermalNetwork, type ThermalNode } from './network';

/** Something of a joint that must not get too hot, by the node that it is at. */
export interface AtRisk extends Softens {
  readonly node: string;
}

/** A joint as a thermal network without its iron: the node that the tip touches is `joint`. Until the solder is liquid its wires only lie against it. */
export interface HeatedJoint {
  readonly nodes: readonly ThermalNode[];
  readonly links: readonly ThermalLink[];
  /** From the joint into each wire, by how it lies there. */
  readonly wires: { readonly dry: readonly ThermalLink[]; readonly wet: readonly ThermalLink[] };
  readonly risks: readonly AtRisk[];
  /** What it is, in words: “XLR cup with 1 wire”. */
  readonly says: string;
  readonly takes: ConnectorContact['takes'] | 'air';
  /** How wide it is to a tip, mm. */
  readonly wideMm: number;
  /** From wetting on solder is fed and flows, s (from memory). */
  readonly flows: number;
}

const area = (diameter: number): number => (Math.PI * diameter ** 2) / 4;
/** A way through metal, K/W, by its length, mm, its section, mm², and what it carries. */
const along = (mm: number, mm2: number, carries: number): number => mm / (mm2 * carries);

/** From the joint to the first insulation, mm: about one insulated wire (IPC/WHMA-A-620, from memory). */
const GAP = 1.5;
/** Insulation may draw back over two of its diameters, no more: so deep under its edge it has to stand (IPC/WHMA-A-620, from memory). */
const MAY_DRAW_BACK = 2;
/** A core under its insulation beyond that, in pieces that grow away from the joint, mm. */
const BEYOND = [1, 2, 4, 8] as const;
/** A wire that lies against a contact, and one that lies in molten solder, K/W (from memory). */
const DRY = 60;
const WET = 1;
/** From a wire under its insulation to the room, W/(mm²·K): still air (from memory). */
const TO_AIR = 15e-6;
/** A heat-sink clip: what it holds, J/K, and how well it bites, K/W (from memory). */
const CLIP = { holds: 1.5, bites: 12 };

const node = (id: string, joulesPerKelvin: number): ThermalNode => ({ id, joulesPerKelvin, startC: ROOM_C });

interface Piece {
  /** From the joint to a wire: where to, and what lies between once it is wetted, K/W. */
  readonly into?: { readonly to: string; readonly kelvinPerWatt: number };
  readonly nodes: readonly ThermalNode[];
  readonly links: readonly ThermalLink[];
  readonly risks: readonly AtRisk[];
}

/** In the air, and where nothing says how wide it is, mm (nominal). */
const USUAL_WIDE = 2;
/** How wide a contact is to a tip, mm, and how long its solder takes to flow, s: by what it takes (nominal; from memory). */
function faceOf(
  { takes, boreMm = 2 }: ConnectorContact,
  family: string,
): { readonly wideMm: number; readonly flows: number } {
  const small = /s35$/.test(family);
  if (takes === 'cup') return { wideMm: boreMm + 1.2, flows: 0.3 + 0.3 * (boreMm / 2.6) ** 2 };
  if (takes === 'lug') return { wideMm: small ? 4 : 8, flows: small ? 0.5 : 0.8 };
  if (takes === 'pad') return { wideMm: boreMm, flows: 0.5 };
  return { wideMm: small ? 1.8 : 4, flows: 0.5 };
}

/** A tip is no wider than its joint by more than this: it would reach the next. */
const WIDER = 1.3;
/** The tips that fit a joint so wide, mm; the finest where none does. */
export function tipsFor(wideMm: number): readonly Tip[] {
  const fit = TIPS.filter((tip) => tip.wideMm <= wideMm * WIDER);
  return fit.length > 0 ? fit : TIPS.slice(0, 1);
}

/** The widest tip that serves every contact of a connector. */
export const tipFor = ({ contacts, family }: ConnectorEntry): Tip['id'] =>
  tipsFor(Math.min(...contacts.map((each) => faceOf(each, family).wideMm))).at(-1)?.id ?? 'needle';

/** What a contact holds of heat by itself, J/K, what stands behind it, and how it hangs on that, mm and mm². */
function contactPiece(
  { takes, boreMm }: ConnectorContact,
  connector: ConnectorEntry,
  n: number,
): Piece & { readonly own: number } {
  const bore = boreMm ?? 2;
  const small = /s35$/.test(connector.family);
  const risk = (at: string): AtRisk => ({ node: at, ...insertOf(connector) });
  const [own, behind, way] =
    takes === 'cup'
      ? [
          // Three quarters of a tube, 5 mm deep, 0.6 mm thick, filled to seven tenths; its pin goes on behind for 12 mm.
          0.75 * (area(bore + 1.2) - area(bore)) * 5 * BRASS.heat + 0.7 * area(bore) * 5 * SOLDER.heat,
          area(bore) * 12 * BRASS.heat,
          along(6, area(bore), BRASS.carries),
        ]
      : takes === 'lug'
        ? [
            5 * 0.5 * (small ? 4 : 8) * BRASS.heat + 6 * SOLDER.heat,
            (small ? 60 : 200) * BRASS.heat,
            along(small ? 4 : 8, small ? 2 : 3, BRASS.carries),
          ]
        : takes === 'pad'
          ? [area(bore) * 0.5 * COPPER.heat + 3 * SOLDER.heat, 0.15, 25]
          : [
              (small ? 2 : 4) * 3 * 0.4 * BRASS.heat + 3 * SOLDER.heat,
              (small ? 20 : 60) * BRASS.heat,
              along(6, small ? 1.2 : 2, BRASS.carries),
            ];
  const pin = `contact${n}`;
  const insert = `insert${n}`;
  return {
    own,
    nodes: [node(pin, behind), node(insert, (small ? 40 : 120) * PLASTIC.heat)],
    links: [
      { from: 'joint', to: pin, kelvinPerWatt: way },
      { from: pin, to: insert, kelvinPerWatt: small ? 40 : 20 },
      { from: insert, to: ROOM, kelvinPerWatt: 150 },
    ],
    risks: [risk(insert)],
  };
}

/** A chassis or a case where something is soldered to it: a tag of sheet steel on a larger one (nominal). */
const CASE: Piece & { readonly own: number; readonly wideMm: number; readonly flows: number } = {
  own: 0.3,
  nodes: [node('chassis', 4)],
  links: [
    { from: 'joint', to: 'chassis', kelvinPerWatt: 12 },
    { from: 'chassis', to: ROOM, kelvinPerWatt: 20 },
  ],
  risks: [],
  wideMm: 8,
  flows: 0.8,
};

/** A core that goes from the joint under its insulation; 17.241 Ω·mm²/km: IACS, annealed copper. */
function wirePiece(assembly: Assembly, terminal: Terminal, n: number, clip: boolean): Piece | undefined {
  const place = placeOf(assembly, terminal);
  if (place?.kind !== 'conductor') return undefined;
  const { conductor, span } = place;
  const mm2 =
    conductor.ohmsPerKm === undefined ? area(conductor.copperMm ?? 0.6) * 0.75 : 17.241 / conductor.ohmsPerKm;
  const outer = conductor.outerMm ?? Math.sqrt(mm2) * 2.4;
  const cable = cableOf(assembly, span);
  const bare = `bare${n}`;
  const insulated = conductor.is === 'core';
  const insulation = cable && insulated ? insulationOf(cable) : undefined;
  const edge = insulated ? MAY_DRAW_BACK * outer : 1;
  const pieces = [edge / 2, edge / 2, ...BEYOND].map((mm, k) => ({ id: `core${n}.${k + 1}`, mm }));
  const held =
    mm2 * COPPER.heat +
    (insulated ? Math.max(0, area(outer) - mm2) * (PLASTIC.heat + (insulation?.melts ? MELTING : 0)) : 0);
  // Where what it may draw back over ends: between the second piece and the third.
  const at = pieces[2]?.id ?? bare;
  return {
    into: { to: bare, kelvinPerWatt: along(GAP / 2, mm2, COPPER.carries) },
    nodes: [
      node(bare, GAP * mm2 * COPPER.heat),
      ...pieces.map(({ id, mm }) => node(id, mm * held)),
      ...(clip ? [node(`clip${n}`, CLIP.holds)] : []),
    ],
    links: [
      ...pieces.map(({ id, mm }, k) => ({
        from: k === 0 ? bare : (pieces[k - 1]?.id ?? bare),
        to: id,
        kelvinPerWatt: along((mm + (k === 0 ? GAP : (pieces[k - 1]?.mm ?? 0))) / 2, mm2, COPPER.carries),
      })),
      ...pieces.map(({ id, mm }) => ({
        from: id,
        to: ROOM,
        kelvinPerWatt: 1 / (TO_AIR * Math.PI * outer * mm),
      })),
      ...(clip ? [{ from: bare, to: `clip${n}`, kelvinPerWatt: CLIP.bites }] : []),
    ],
    risks: insulation ? [{ node: at, ...insulation }] : [],
  };
}

/** A part’s leg of 0.6 mm, its body 8 mm away. */
const LEG_MM2 = area(0.6);
const legPiece = (n: number): Piece => ({
  nodes: [node(`leg${n}`, 8 * LEG_MM2 * COPPER.heat), node(`part${n}`, 0.1)],
  links: [
    { from: 'joint', to: `leg${n}`, kelvinPerWatt: along(4, LEG_MM2, COPPER.carries) },
    { from: `leg${n}`, to: `part${n}`, kelvinPerWatt: along(4, LEG_MM2, COPPER.carries) },
    { from: `part${n}`, to: ROOM, kelvinPerWatt: 300 },
  ],
  risks: [],
});

const bodyOf = (
  assembly: Assembly,
  id: string,
): { readonly body: Body; readonly joint: Joint } | undefined => {
  for (const body of assembly.bodies) {
    const joint = body.joints.find((each) => each.id === id);
    if (joint) return { body, joint };
  }
  return undefined;
};

/**
 * A joint of a lead as what it takes and passes on of heat: its contact with the solder in it, the insert behind, and each wire to 15 mm beyond what its
 * insulation may draw back (sizes by the catalogue; what that leaves open from memory). Errors: `heat.joint`, of which there is none; `heat.cold`, one that is not soldered.
 */
export function heatedJoint(
  assembly: Assembly,
  id: string,
  { clip = false }: { readonly clip?: boolean } = {},
): Result<HeatedJoint> {
  const found = bodyOf(assembly, id);
  if (!found) {
    const known = assembly.bodies.flatMap(({ joints }) =>
      joints.filter((each) => isSoldered(assembly, each)),
    );
    return bad(
      'heat.joint',
      `There is no joint “${id}” in this lead: ${known.map((each) => each.id).join(', ') || 'none is soldered'}.`,
      'joint',
    );
  }
  const { joint } = found;
  if (!isSoldered(assembly, joint))
    return bad('heat.cold', `The joint “${id}” is not soldered: nothing is heated there.`, 'joint');
  const contacts = joint.terminals.flatMap((terminal) => {
    const place = placeOf(assembly, terminal);
    const connector = place?.kind === 'contact' ? connectorOf(assembly, place.end) : undefined;
    const contact = connector?.contacts.find(
      (each) => place?.kind === 'contact' && each.id === place.contact,
    );
    return connector && contact ? [{ connector, contact }] : [];
  });
  const wires = joint.terminals.filter((each) => placeOf(assembly, each)?.kind === 'conductor');
  const legs = joint.terminals.filter((each) => placeOf(assembly, each)?.kind === 'lead');
  // A link is soldered place by place: what has to be warmed is the heaviest of them.
  const places = [
    ...contacts.map(({ contact, connector }, n) => ({
      ...contactPiece(contact, connector, n + 1),
      ...faceOf(contact, connector.family),
    })),
    ...(joint.terminals.some((each) => placeOf(assembly, each)?.kind === 'case') ? [CASE] : []),
  ];
  const metal = places.reduce<typeof places>(
    (heaviest, each) => (each.own > (heaviest[0]?.own ?? 0) ? [each] : heaviest),
    [],
  );
  const pieces = [
    ...metal,
    ...wires.flatMap((each, n) => wirePiece(assembly, each, n + 1, clip) ?? []),
    ...legs.map((_, n) => legPiece(n + 1)),
  ];
  const strands = wires.length * 0.25 * 5 * COPPER.heat + legs.length * LEG_MM2 * 6 * COPPER.heat;
  const own =
    metal.reduce((sum, each) => sum + each.own, 0) + strands + (metal.length === 0 ? 6 * SOLDER.heat : 0);
  const into = (more: number): readonly ThermalLink[] =>
    pieces.flatMap(({ into: way }) =>
      way ? [{ from: 'joint', to: way.to, kelvinPerWatt: way.kelvinPerWatt + more }] : [],
    );
  const [first] = contacts;
  return good({
    nodes: [node('joint', own), ...pieces.flatMap(({ nodes }) => nodes)],
    links: pieces.flatMap(({ links }) => links),
    wires: { dry: into(DRY), wet: into(WET) },
    risks: pieces.flatMap(({ risks }) => risks),
    says: `${first ? `${first.connector.familyName ?? first.connector.name} ${first.contact.takes ?? 'contact'}` : 'joint in the air'} with ${
      [
        wires.length > 0 ? `${wires.length} ${wires.length === 1 ? 'wire' : 'wires'}` : '',
        legs.length > 0 ? `${legs.length} ${legs.length === 1 ? 'leg' : 'legs'}` : '',
      ]
        .filter(Boolean)
        .join(' and ') || 'a link'
    }`,
    takes: first ? first.contact.takes : 'air',
    wideMm: metal[0]?.wideMm ?? USUAL_WIDE,
    flows: metal[0]?.flows ?? 0.5,
  });
}

/** A joint with an iron on it, that was hot before it came; its wires dry or in molten solder. */
export const withIron = (
  { nodes, links, wires }: HeatedJoint,
  { watts, settingC, tip }: Iron,
  solder: 'dry' | 'wet',
): ThermalNetwork => ({
  nodes: [
    { id: 'heater', joulesPerKelvin: heaterHolds(watts), startC: settingC },
    { id: 'tip', joulesPerKelvin: tip.joulesPerKelvin, startC: settingC },
    ...nodes,
  ],
  links: [
    { from: 'heater', to: 'tip', kelvinPerWatt: heaterToTip(watts, tip) },
    { from: 'heater', to: ROOM, kelvinPerWatt: IRON_TO_ROOM },
    { from: 'tip', to: 'joint', kelvinPerWatt: tip.toJoint.usual },
    ...links,
    ...wires[solder],
  ],
  heater: { node: 'heater', watts, settingC },
});

/** The joint under an iron from the touch on: dry until its solder is liquid, then with its wires in it. */
export function heated(
  joint: HeatedJoint,
  iron: Iron,
  {
    liquidC,
    seconds,
    step = 0.01,
  }: { readonly liquidC: number; readonly seconds: number; readonly step?: number },
): readonly Moment[] {
  const dry = withIron(joint, iron, 'dry');
  const index = dry.nodes.findIndex(({ id }) => id === 'joint');
  const first = integrate(dry, { seconds, step, until: ({ celsius }) => (celsius[index] ?? 0) >= liquidC });
  const last = first.at(-1);
  if (!last || (last.celsius[index] ?? 0) < liquidC || last.s >= seconds) return first;
  const wet = withIron(joint, iron, 'wet');
  const then = integrate(
    { ...wet, nodes: wet.nodes.map((each, n) => ({ ...each, startC: last.celsius[n] ?? each.startC })) },
    { seconds: seconds - last.s, step },
  );
  return [...first, ...then.slice(1).map(({ s, celsius }) => ({ s: last.s + s, celsius }))];
}
