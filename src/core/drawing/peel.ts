import {
  bodyOfEnd,
  cableOf,
  conductorsOf,
  conductorTerminal,
  connectorOf,
  contactTerminal,
  endById,
  placeOf,
  spansAt,
  type Assembly,
  type Terminal,
} from '../assembly';
import { viewOf, type ColourCode } from '../catalogue';

export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface DrawnContact extends Point {
  readonly id: string;
  readonly terminal: Terminal;
  readonly radius: number;
  /** The joints made on it, links among them. */
  readonly joints: readonly string[];
}

/** A conductor from the jacket's mouth: a cubic curve of four points, or a stub where it is not joined. */
export interface DrawnConductor {
  readonly terminal: Terminal;
  readonly is: 'core' | 'screen' | 'drain';
  readonly colour: ColourCode;
  readonly width: number;
  readonly curve: readonly [Point, Point, Point, Point];
  /** The contact it lands on, or undefined for a stub. */
  readonly lands?: Terminal;
  /** The joint that it lands by. */
  readonly joint?: string;
  readonly left?: string;
}

/** One end, peeled back and seen from the solder side or the mating face. All in mm, y upward, insert at the origin. */
export interface PeeledEnd {
  readonly end: string;
  readonly side: 'solder' | 'mating';
  /** Which way the cable leaves: +1 to the right of the insert, −1 to the left. */
  readonly toward: 1 | -1;
  readonly insertRadius: number;
  readonly keyed: boolean;
  readonly contacts: readonly DrawnContact[];
  /** Links inside the connector: straight pieces between contacts, or from a contact to the shell ring. */
  readonly links: readonly { readonly joint: string; readonly from: Point; readonly to: Point }[];
  readonly conductors: readonly DrawnConductor[];
  /** Each cable that comes in: where its jacket is cut, how thick it is. */
  readonly jackets: readonly {
    readonly span: string;
    readonly x: number;
    readonly y: number;
    readonly thickness: number;
    readonly colour: ColourCode;
  }[];
  /** Joints in the order given, with where to write their number. */
  readonly numbers: readonly (Point & { readonly n: number; readonly joint: string })[];
}

export interface PeelOptions {
  readonly side?: 'solder' | 'mating';
  readonly toward?: 1 | -1;
  /** Joint ids in the order of soldering. */
  readonly order?: readonly string[];
  /** Jacket stripped back, mm: how far from the insert its mouth is drawn. */
  readonly stripMm?: number;
}

const FALLBACK_RADIUS = 8;

/**
 * Lays out one end as the builder holds it: the insert facing the viewer, key up, to scale from the connector's entry;
 * the cable peeled back beside it, its conductors fanned to their contacts so that they cross as little as they can.
 * Undefined for an end with no connector or a connector whose view is not known.
 */
// eslint-disable-next-line max-lines-per-function -- one drawing, from the jacket outward to the contacts.
export function peel(assembly: Assembly, endId: string, options: PeelOptions = {}): PeeledEnd | undefined {
  const { side = 'solder', toward = 1, order = [], stripMm = 22 } = options;
  const end = endById(assembly, endId);
  const body = bodyOfEnd(assembly, endId);
  const connector = end && connectorOf(assembly, end);
  if (!end || !body || !connector?.views) return undefined;
  const insertRadius = connector.views.insertRadiusMm ?? FALLBACK_RADIUS;
  const contacts = viewOf(connector, side).map((place): DrawnContact => {
    const bore = connector.contacts.find((each) => each.id === place.contact)?.boreMm ?? 2;
    return {
      id: place.contact,
      terminal: contactTerminal(end.id, place.contact),
      x: place.x,
      y: place.y,
      radius: bore / 2,
      joints: body.joints
        .filter((joint) => joint.terminals.includes(contactTerminal(end.id, place.contact)))
        .map((joint) => joint.id),
    };
  });
  const at = (terminal: Terminal): DrawnContact | undefined =>
    contacts.find((contact) => contact.terminal === terminal);
  const base = { end: end.id, side, toward, insertRadius, keyed: connector.views.keyed, contacts };
  if (side === 'mating') return { ...base, links: [], conductors: [], jackets: [], numbers: [] };

  const landing = (terminal: Terminal): DrawnContact | undefined => {
    const joint = body.joints.find((each) => each.terminals.includes(terminal));
    return joint?.terminals.map(at).find((contact) => contact !== undefined);
  };
  const mouth = toward * (insertRadius + stripMm);
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
  const nearest = Math.max(...contacts.map((contact) => contact.x * toward));
  const conductors = jackets.flatMap((jacket) => {
    const span = spans.find((each) => each.id === jacket.span);
    if (!span) return [];
    const all = conductorsOf(assembly, span).map((conductor) => {
      const terminal = conductorTerminal(span.id, conductor.id, body.id);
      return { conductor, terminal, contact: landing(terminal) };
    });
    // Top to bottom at the mouth as on the insert: no two curves then have to cross.
    const height = (contact: DrawnContact | undefined): number =>
      contact ? contact.y + sign(contact.y) * (nearest - contact.x * toward) * 0.7 : -insertRadius * 2;
    const sorted = [...all].sort((a, b) => height(b.contact) - height(a.contact));
    return sorted.map(({ conductor, terminal, contact }, n): DrawnConductor => {
      const spread = jacket.thickness * 0.7;
      const start = {
        x: mouth,
        y: jacket.y + (sorted.length === 1 ? 0 : spread / 2 - (spread * n) / (sorted.length - 1)),
      };
      const facts = { terminal, is: conductor.is, colour: conductor.colour, width: conductor.outerMm ?? 1.2 };
      const joint = body.joints.find((each) => each.terminals.includes(terminal));
      if (!contact) {
        const tip = { x: mouth - toward * 4, y: start.y + sign(start.y - jacket.y) * 1.6 };
        const part = joint?.terminals
          .map((each) => placeOf(assembly, each))
          .find((place) => place?.kind === 'lead');
        const left =
          part?.kind === 'lead'
            ? `to ${part.part.id}`
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
      const lift = sign(contact.y) * (nearest - contact.x * toward) * 0.9;
      const tip = { x: contact.x, y: contact.y + aside * contact.radius * 0.8 };
      return {
        ...facts,
        lands: contact.terminal,
        ...(joint ? { joint: joint.id } : {}),
        curve: [
          start,
          { x: mouth - toward * stripMm * 0.55, y: start.y },
          { x: contact.x + toward * stripMm * 0.42, y: tip.y + lift },
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
  return { ...base, links, conductors, jackets, numbers };
}

const sign = (value: number): 1 | -1 => (value < 0 ? -1 : 1);
