import {
  bodyOfEnd,
  cableOf,
  conductorsOf,
  conductorTerminal,
  connectorOf,
  endById,
  placeOf,
  spansAt,
  type Assembly,
  type Joint,
  type Terminal,
} from '../assembly';
import { along, lettered, type Unlettered } from './letters';
import type { Inside } from './inside';
import type { DrawnConductor, DrawnContact, PeeledEnd } from './drawn';
import { baseOf, NOTHING_PEELED } from './face';
import type { Point } from './point';

export type { Point } from './point';

export interface PeelOptions {
  readonly side?: 'solder' | 'mating';
  readonly toward?: 1 | -1;
  /** Joint ids in the order of soldering. */
  readonly order?: readonly string[];
  /** Draws what is inside the shell; left out where nothing of that is looked at. */
  readonly inside?: Inside;
  /** Jacket stripped back, mm: how far from the insert its mouth is drawn. */
  readonly stripMm?: number;
}

/** Where along a conductor it is looked at, and how much farther it may swing out. */
const SWUNG = [0.6, 0.68, 0.76, 0.82, 0.87, 0.91, 0.94] as const;
const FARTHER = [1, 1.3, 1.6, 2, 2.5, 3] as const;
const NOTHING = { parts: [], joints: [] };
/** Jacket stripped back where parts are inside, mm (handbook, section 7: 1½ in). */
const PARTS_MM = 38;

/**
 * Lays out one end as the builder holds it: the insert facing the viewer, key up, to scale from the connector's entry;
 * the cable peeled back beside it, its conductors fanned to their contacts so that they cross as little as they can.
 * Undefined for an end with no connector or a connector whose view is not known.
 */
// eslint-disable-next-line max-lines-per-function -- one drawing, from the jacket outward to the contacts.
export function peel(assembly: Assembly, endId: string, options: PeelOptions = {}): PeeledEnd | undefined {
  const { side = 'solder', toward = 1, order = [], stripMm = 22, inside } = options;
  const end = endById(assembly, endId);
  const body = bodyOfEnd(assembly, endId);
  const connector = end && connectorOf(assembly, end);
  if (!end || !body || !connector?.views) return undefined;
  const base = baseOf(end, body, connector, side, toward);
  const { insertRadius, contacts } = base;
  const at = (terminal: Terminal): DrawnContact | undefined =>
    contacts.find((contact) => contact.terminal === terminal);
  if (side === 'mating') return { ...base, ...NOTHING_PEELED };

  const landing = (terminal: Terminal): DrawnContact | undefined => {
    const joint = body.joints.find((each) => each.terminals.includes(terminal));
    return joint?.terminals.map(at).find((contact) => contact !== undefined);
  };
  const nearest = Math.max(...contacts.map((contact) => contact.x * toward));
  /** How far a conductor swings out on its way to a contact: farther where it would lie on others that are nearer the cable. */
  const liftTo = (contact: DrawnContact): number => {
    const lift = sign(contact.y) * (nearest - contact.x * toward) * 0.9;
    if (base.rows) return lift;
    const beside = contacts.filter((each) => each !== contact && each.x * toward > contact.x * toward);
    const isClear = (factor: number): boolean => {
      const curve: DrawnConductor['curve'] = [
        { x: toward * (insertRadius + stripMm), y: 0 },
        { x: toward * (insertRadius + stripMm * 0.45), y: 0 },
        { x: contact.x + toward * stripMm * 0.42, y: contact.y + lift * factor },
        contact,
      ];
      return SWUNG.every((t) => {
        const { x, y } = along(curve, t);
        return beside.every((each) => Math.hypot(x - each.x, y - each.y) > each.radius + 0.9);
      });
    };
    return lift * (FARTHER.find(isClear) ?? 1);
  };
  // With parts between, the cable is drawn as far off as they need.
  const within = inside !== undefined && body.parts.length > 0 && spansAt(assembly, body.id).length > 0;
  const mouth = toward * (insertRadius + (within ? Math.max(stripMm, PARTS_MM) : stripMm));
  const { parts, joints: air } =
    inside?.(body, {
      from: insertRadius + 1.5,
      to: Math.max(Math.abs(mouth) - 4, insertRadius + 20),
      toward,
      nearest,
      onContact: (joint) => joint.terminals.map(at).find((contact) => contact !== undefined),
      hasConductor: (joint) => joint.terminals.some((each) => placeOf(assembly, each)?.kind === 'conductor'),
    }) ?? NOTHING;
  /** What goes past the parts goes above or below them all; a cubic reaches three quarters of the way to its controls. */
  const lane = (4 / 3) * Math.max(0, ...parts.map(({ at: { y }, width }) => Math.abs(y) + width / 2 + 2.4));
  const spans = spansAt(assembly, body.id);
  const jackets = spans.map((span, n) => {
    const cable = cableOf(assembly, span);
    return {
      span: span.id,
      x: mouth,
      y: (spans.length - 1 - 2 * n) * 5,
      // A leg beyond a break-out is a few of the cable's cores, in proportion to what it carries.
      thickness:
        (cable?.jacketMm ?? 6) *
        Math.sqrt((span.carries?.length ?? 1) / (span.carries ? (cable?.conductors.length ?? 1) : 1)),
      colour: cable?.jacketColour ?? ('BK' as const),
    };
  });
  /** What a conductor goes to that is no contact: the part whose leg is in its joint. */
  const inAir = (joint: Joint | undefined): string | undefined => {
    const place = joint?.terminals
      .map((each) => placeOf(assembly, each))
      .find((each) => each?.kind === 'lead');
    return place?.kind === 'lead' ? `to ${place.part.id}` : undefined;
  };
  const conductors = jackets.flatMap((jacket) => {
    const span = spans.find((each) => each.id === jacket.span);
    if (!span) return [];
    const all = conductorsOf(assembly, span).map((conductor) => {
      const terminal = conductorTerminal(span.id, conductor.id, body.id);
      return { conductor, terminal, contact: landing(terminal) };
    });
    // Top to bottom at the mouth as on the insert: no two curves then have to cross.
    const height = (contact: DrawnContact | undefined): number =>
      contact ? contact.y + liftTo(contact) * 0.78 : -insertRadius * 2;
    const sorted = [...all].sort((a, b) => height(b.contact) - height(a.contact));
    return sorted.map(({ conductor, terminal, contact }, n): Unlettered => {
      const spread = jacket.thickness * 0.7;
      const start = {
        x: mouth,
        y: jacket.y + (sorted.length === 1 ? 0 : spread / 2 - (spread * n) / (sorted.length - 1)),
      };
      const facts = { terminal, is: conductor.is, colour: conductor.colour, width: conductor.outerMm ?? 1.2 };
      const joint = body.joints.find((each) => each.terminals.includes(terminal));
      const node = air.find((each) => each.joint === joint?.id);
      if (!contact && node)
        return {
          ...facts,
          ...(joint ? { joint: joint.id } : {}),
          left: inAir(joint) ?? 'joined in the air',
          curve: [
            start,
            { x: mouth - toward * 1.2, y: start.y },
            { x: node.x + toward * 1.2, y: node.y },
            { x: node.x, y: node.y },
          ],
        };
      if (!contact) {
        const tip = { x: mouth - toward * 4, y: start.y + sign(start.y - jacket.y) * 1.6 };
        const to = inAir(joint);
        const left =
          to !== undefined
            ? to
            : joint?.terminals.some((each) => placeOf(assembly, each)?.kind === 'case')
              ? 'to the case'
              : (assembly.unjoined.find((each) => each.at === terminal)?.is ??
                (joint ? 'joined in the air' : 'loose'));
        return {
          ...facts,
          left,
          curve: [start, { x: mouth - toward * 1.5, y: start.y }, { x: mouth - toward * 2.5, y: tip.y }, tip],
        };
      }
      const twins = sorted.filter((each) => each.contact?.id === contact.id);
      const aside = (twins.length - 1) / 2 - twins.findIndex((each) => each.terminal === terminal);
      const tip = { x: contact.x, y: contact.y + aside * contact.radius * 0.8 };
      return {
        ...facts,
        lands: contact.terminal,
        ...(joint ? { joint: joint.id } : {}),
        curve: within
          ? [
              start,
              { x: mouth - toward * 8, y: sign(contact.y) * lane },
              { x: insertRadius * toward + toward * 4, y: sign(contact.y) * lane },
              tip,
            ]
          : [
              start,
              { x: mouth - toward * stripMm * 0.55, y: start.y },
              { x: contact.x + toward * stripMm * 0.42, y: tip.y + liftTo(contact) },
              tip,
            ],
      };
    });
  });
  const links = body.joints
    .filter((joint) => joint.how === 'link')
    .flatMap((joint) => {
      const points = joint.terminals.flatMap((terminal): Point[] => {
        const contact = at(terminal);
        if (contact) return [contact];
        const place = placeOf(assembly, terminal);
        if (place?.kind !== 'contact' || place.contact !== 'shell') return [];
        const other = joint.terminals.map(at).find((each) => each !== undefined) ?? { x: 0, y: 1 };
        const reach = Math.hypot(other.x, other.y) || 1;
        return [{ x: (other.x / reach) * insertRadius, y: (other.y / reach) * insertRadius }];
      });
      const [from, to] = points;
      return from && to
        ? [{ joint: joint.id, from: { x: from.x, y: from.y }, to: { x: to.x, y: to.y } }]
        : [];
    });
  const numbers = order.flatMap((id, n) => {
    const contact = body.joints
      .find((joint) => joint.id === id)
      ?.terminals.map(at)
      .find((each) => each !== undefined);
    if (!contact) return [];
    const reach = Math.hypot(contact.x, contact.y) || 1;
    const out = contact.radius + 2.1;
    return [
      {
        n: n + 1,
        joint: id,
        x: contact.x + (contact.x / reach) * out * (contact.x === 0 && contact.y === 0 ? 0 : 1),
        y: contact.y + (contact.y / reach) * out,
      },
    ];
  });
  return {
    ...base,
    links,
    conductors: lettered(conductors, contacts),
    parts,
    air,
    jackets,
    numbers,
  };
}

const sign = (value: number): 1 | -1 => (value < 0 ? -1 : 1);
