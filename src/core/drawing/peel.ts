import {
  bodyOfEnd,
  connectorOf,
  inHand,
  placeOf,
  spansAt,
  type Assembly,
  type Body,
  type End,
  type Joint,
  type Terminal,
} from '../assembly';
import { along, type Curve } from './curve';
import type { DrawnContact, DrawnInsert, PeeledEnd } from './drawn';
import { dressedOf } from './dressed';
import { insertOf, matingFace, tailOf } from './face';
import { fanOf, jacketsOf } from './fan';
import { inside } from './inside';
import type { Point } from './point';

export interface PeelOptions {
  readonly side?: 'solder' | 'mating';
  readonly toward?: 1 | -1;
  /** Joint ids in the order of soldering. */
  readonly order?: readonly string[];
  /** Jacket stripped back, mm: how far from the insert its mouth is drawn. */
  readonly stripMm?: number;
}

/** Jacket stripped back where parts are inside, mm (handbook, section 7: 1½ in). */
const PARTS_MM = 38;
/** A joint in the air is so large, with its sleeve, mm. */
const IN_AIR = 1.2;
/** Between ends that face each other: with nothing, and for each column of parts, mm. */
const FACING = { bare: 22, parts: 44 } as const;

/** An end with its contacts at a place: its insert, or the loose wires of a tail; nothing of a connector whose view is not known. */
function standing(
  assembly: Assembly,
  body: Body,
  end: End,
  side: 'solder' | 'mating',
  toward: 1 | -1,
  at: Point,
) {
  const connector = connectorOf(assembly, end);
  if (!connector) return end.loose ? { ...tailOf(end, body.joints, toward, at), connector } : undefined;
  return connector.views
    ? { ...insertOf(end.id, body.joints, connector, side, toward, at), connector }
    : undefined;
}

/** The inserts of a body with their contacts: its one end, or those of a box or barrel, half of them facing the other half. */
function insertsOf(assembly: Assembly, body: Body, side: 'solder' | 'mating', toward: 1 | -1) {
  const made = body.ends.flatMap((end) => standing(assembly, body, end, side, toward, { x: 0, y: 0 }) ?? []);
  const left = made.length > 1 ? Math.ceil(made.length / 2) : made.length;
  const columns = [made.slice(0, left), made.slice(left)];
  const reach = columns.map((column) => Math.max(0, ...column.map(({ insert }) => insert.half.x)));
  const apart = body.parts.length > 0 ? FACING.parts : FACING.bare;
  return columns.flatMap((column, n) => {
    const x = n === 0 ? 0 : toward * ((reach[0] ?? 0) + (reach[1] ?? 0) + apart);
    const whole = column.reduce((sum, { insert }) => sum + 2 * insert.half.y + 4, -4);
    let top = whole / 2;
    return column.flatMap(({ insert }) => {
      const y = top - insert.half.y;
      top -= 2 * insert.half.y + 4;
      const end = body.ends.find(({ id }) => id === insert.end);
      const way = n === 0 ? toward : (-toward as 1 | -1);
      return (end && standing(assembly, body, end, side, way, { x, y: column.length === 1 ? 0 : y })) ?? [];
    });
  });
}

/** A link keeps so much off a contact that it does not join, mm. */
const CLEAR = 0.4;
/** How far to its sides a link is bowed at the most, tried from straight on, mm. */
const BOWS = [0, 1, 2, 3, 4, 5, 6, 8, 10].flatMap((mm) => (mm === 0 ? [0] : [mm, -mm]));

/** A link from one contact to another: straight, or bowed as little as keeps it off the contacts that it does not join. */
function strapped(
  from: Point,
  to: Point,
  others: readonly Pick<DrawnContact, 'x' | 'y' | 'radius'>[],
): Curve {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const far = Math.hypot(dx, dy) || 1;
  const bowed = (mm: number): Curve => {
    // A cubic comes three quarters of the way to what it is drawn toward.
    const [ox, oy] = [((-dy / far) * mm * 4) / 3, ((dx / far) * mm * 4) / 3];
    const toward = (share: number): Point => ({ x: from.x + dx * share + ox, y: from.y + dy * share + oy });
    return [{ x: from.x, y: from.y }, toward(1 / 3), toward(2 / 3), { x: to.x, y: to.y }];
  };
  const isClear = (curve: Curve): boolean =>
    Array.from({ length: 15 }, (_, n) => along(curve, (n + 1) / 16)).every(({ x, y }) =>
      others.every((other) => Math.hypot(other.x - x, other.y - y) >= other.radius + CLEAR),
    );
  return bowed(BOWS.find((mm) => isClear(bowed(mm))) ?? 0);
}

/** Links of a body: straight within one insert or past what is not joined, to its ring where one goes to the shell, and round what lies between two. */
function linksOf(
  assembly: Assembly,
  body: Body,
  inserts: readonly DrawnInsert[],
  contacts: readonly DrawnContact[],
  beyond: number,
): PeeledEnd['links'] {
  const at = (terminal: Terminal): DrawnContact | undefined =>
    contacts.find((contact) => contact.terminal === terminal);
  const insertAt = (terminal: Terminal): DrawnInsert | undefined => {
    const place = placeOf(assembly, terminal);
    return place?.kind === 'contact' ? inserts.find(({ end }) => end === place.end.id) : undefined;
  };
  let lanes = 0;
  return body.joints
    .filter((joint) => joint.how === 'link')
    .flatMap((joint) => {
      const points = joint.terminals.flatMap((terminal): (Point & { insert: DrawnInsert })[] => {
        const insert = insertAt(terminal);
        if (!insert) return [];
        const contact = at(terminal);
        if (contact) return [{ x: contact.x, y: contact.y, insert }];
        const other = joint.terminals.map(at).find((each) => each !== undefined) ?? { x: 0, y: 1 };
        const [dx, dy] = [other.x - insert.at.x, other.y - insert.at.y];
        const far = Math.hypot(dx, dy) || 1;
        return [
          {
            x: insert.at.x + (dx / far) * insert.radius,
            y: insert.at.y + (dy / far) * insert.radius,
            insert,
          },
        ];
      });
      return points.slice(1).flatMap((to, n): PeeledEnd['links'] => {
        const from = points[n];
        if (!from) return [];
        // Round the parts, each in a lane of its own; straight across where nothing lies between.
        const isRound = from.insert !== to.insert && beyond > 0;
        const y = isRound ? -(4 / 3) * (beyond + 2 * lanes++) : 0;
        const bent = (point: Point, other: Point): Point => ({
          x: point.x + (other.x - point.x) * 0.2,
          y,
        });
        const others = contacts.filter(({ terminal }) => !joint.terminals.includes(terminal));
        const curve: Curve = isRound
          ? [{ x: from.x, y: from.y }, bent(from, to), bent(to, from), { x: to.x, y: to.y }]
          : strapped(from, to, others);
        return [{ joint: joint.id, curve, terminals: joint.terminals }];
      });
    });
}

/**
 * Lays out one end as the builder holds it: the insert facing the viewer, key up, to scale from the connector's entry;
 * the cable peeled back beside it, its conductors fanned to their contacts; what is inside between. An end of a box or a barrel
 * is drawn with all that is in it, and a tail by its loose wires. Undefined for an end whose view is not known.
 */
export function peel(assembly: Assembly, endId: string, options: PeelOptions = {}): PeeledEnd | undefined {
  const { side = 'solder', toward = 1, order = [], stripMm = 22 } = options;
  if (side === 'mating') return matingFace(assembly, endId, toward);
  const found = bodyOfEnd(assembly, endId);
  const body = found && inHand(found);
  const made = body ? insertsOf(assembly, body, side, toward) : [];
  const [first] = made;
  if (!body || !first || !made.some(({ insert }) => insert.end === endId)) return undefined;
  const inserts = made.map(({ insert }) => insert) as [DrawnInsert, ...DrawnInsert[]];
  const contacts = made.flatMap((each) => each.contacts);
  const onContact = (joint: Joint): DrawnContact | undefined =>
    joint.terminals
      .map((terminal) => contacts.find((contact) => contact.terminal === terminal))
      .find((contact) => contact !== undefined);
  const { half } = first.insert;
  const facing = inserts.find(({ toward: way }) => way !== toward);
  // With parts between, the cable is drawn as far off as they need.
  const isWithin = body.parts.length > 0 && spansAt(assembly, body.id).length > 0;
  const mouth = toward * (half.x + (isWithin ? Math.max(stripMm, PARTS_MM) : stripMm));
  const { parts, joints: air } = inside(body, {
    from: half.x + 1.5,
    to: facing ? Math.abs(facing.at.x) - facing.half.x - 1.5 : Math.max(Math.abs(mouth) - 4, half.x + 20),
    toward,
    nearest: Math.max(...first.contacts.map(({ x }) => x * toward)),
    onContact,
    hasConductor: (joint) => joint.terminals.some((each) => placeOf(assembly, each)?.kind === 'conductor'),
  });
  const jackets = jacketsOf(assembly, body, mouth);
  const beyond = Math.max(0, ...parts.map(({ at, width }) => Math.abs(at.y) + width / 2 + 2));
  return {
    end: first.insert.end,
    side,
    toward,
    inserts,
    ...(inserts.length > 1 ? { housing: body.kind === 'box' ? ('box' as const) : ('barrel' as const) } : {}),
    contacts,
    links: linksOf(assembly, body, inserts, contacts, beyond),
    conductors: fanOf(assembly, body, jackets, {
      insert: first.insert,
      contacts,
      parts,
      air,
      mouth,
      stripMm,
      bareMm: first.connector?.strip?.bareMm.usual,
    }),
    parts,
    air,
    jackets,
    dressings: dressedOf(assembly, body, jackets, toward),
    numbers: order.flatMap((id, n): PeeledEnd['numbers'] => {
      const joint = body.joints.find((each) => each.id === id);
      const contact = joint && onContact(joint);
      if (contact) {
        const { x, y, radius, terminal } = contact;
        return [{ n: n + 1, joint: id, x, y, radius, contact: terminal }];
      }
      const node = air.find((each) => each.joint === id);
      return node ? [{ n: n + 1, joint: id, x: node.x, y: node.y, radius: IN_AIR }] : [];
    }),
  };
}
