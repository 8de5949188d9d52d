import {
  bodyOfEnd,
  inHand,
  connectorOf,
  contactTerminal,
  endById,
  type Assembly,
  type End,
  type Joint,
} from '../assembly';
import { viewOf, type ConnectorEntry, type ContactPlace, type Turned } from '../catalogue';
import type { DrawnContact, DrawnInsert, Form, PeeledEnd } from './drawn';
import type { Point } from './point';
import { fingerOf, profileLength } from './profile';

const FALLBACK_RADIUS = 8;
/** From so many contacts on, in two rows, a connector has a D shell. */
const MANY = 9;
/** From the outermost contacts to the edge of what they sit in, mm (nominal). */
const BEYOND = { rows: { along: 6, across: 3.2 }, block: 3, board: 3.5 } as const;

/** What the contacts of a connector sit in, by what is known of it. */
export function formOf({ gender, shell, views, contacts }: ConnectorEntry): Form {
  if (gender === 'none') return 'board';
  const heights = new Set((views?.mating ?? []).map(({ y }) => y));
  if (contacts.length >= MANY && heights.size === 2) return 'rows';
  const isBored = contacts.every(({ takes }) => takes === 'screw' || takes === 'cup');
  if (views?.keyed === false) return shell || !isBored ? 'side' : 'singles';
  if (heights.size === 1 && contacts.every(({ takes }) => takes === 'screw')) return 'block';
  return 'round';
}

/** How far from one another single plugs, screws and pads lie, one below the other, mm. */
const APART = { singles: 13, block: 5.2, board: 6, loose: 5 } as const;

/**
 * Where the contacts are as a builder holds the end: rows and blocks turned so that the cable comes to their long side, and
 * what is seen from its side with its finger away from the cable.
 */
function placed(
  places: readonly ContactPlace[],
  form: Form,
  side: 'solder' | 'mating',
  toward: 1 | -1,
): readonly ContactPlace[] {
  if (side === 'mating') return places;
  if (form === 'rows') return places.map(({ contact, x, y }) => ({ contact, x: toward * y, y: -toward * x }));
  if (form === 'side') return places.map((each) => ({ ...each, x: toward * each.x }));
  if (form === 'round') return places;
  const apart = APART[form];
  return places.map(({ contact }, n) => ({ contact, x: 0, y: ((places.length - 1) / 2 - n) * apart }));
}

/** Whether its contacts are told apart from its side, and not from the front: they lie behind each other on its finger. */
export function isToldFromSide(connector: ConnectorEntry): boolean {
  const seen = new Set(fingerOf(connector).map(({ contact }) => contact));
  return connector.contacts.every(({ id }) => seen.has(id));
}

/** Where each contact of a finger is, in the middle of what is seen of it, the whole finger round the origin. */
function alongFinger(finger: readonly Turned[], toward: 1 | -1): readonly ContactPlace[] {
  const whole = profileLength(finger);
  const pieces = finger.map((piece, n) => ({
    contact: piece.contact,
    x: profileLength(finger.slice(0, n)) + piece.length / 2 - whole / 2,
  }));
  return [...new Set(finger.flatMap(({ contact }) => contact ?? []))].map((contact) => {
    const own = pieces.filter((piece) => piece.contact === contact);
    return { contact, x: (toward * own.reduce((sum, { x }) => sum + x, 0)) / own.length, y: 0 };
  });
}

/** A connector by itself, from the front or from behind. */
export function faceOf(connector: ConnectorEntry, side: 'solder' | 'mating', end = ''): PeeledEnd {
  const { insert, contacts } = insertOf(end, [], connector, side, 1);
  return { end, side, toward: 1, inserts: [insert], contacts, ...NOTHING_PEELED };
}

/** What a face has none of. */
export const NOTHING_PEELED = {
  links: [],
  conductors: [],
  parts: [],
  air: [],
  jackets: [],
  dressings: [],
  numbers: [],
} as const;

/** How far an insert reaches from its middle: across and upward. */
function halfOf(form: Form, side: 'solder' | 'mating', radius: number, contacts: readonly Point[]): Point {
  const reach = {
    x: Math.max(...contacts.map(({ x }) => Math.abs(x))),
    y: Math.max(...contacts.map(({ y }) => Math.abs(y))),
  };
  if (form === 'rows') {
    const { along, across } = BEYOND.rows;
    return side === 'solder'
      ? { x: reach.x + across, y: reach.y + along }
      : { x: reach.x + along, y: reach.y + across };
  }
  if (side === 'mating' || form === 'round') return { x: radius, y: radius };
  if (form === 'block') return { x: reach.x + 2 * BEYOND.block, y: reach.y + BEYOND.block };
  if (form === 'board') return { x: reach.x + 2 * BEYOND.board, y: reach.y + BEYOND.board };
  if (form === 'singles') return { x: 4, y: reach.y + 6 };
  return { x: radius, y: radius };
}

/** The insert of an end with its contacts, from one side, to scale, its middle where it is said. */
export function insertOf(
  end: string,
  joints: readonly Joint[],
  connector: ConnectorEntry,
  side: 'solder' | 'mating',
  toward: 1 | -1,
  at: Point = { x: 0, y: 0 },
): { readonly insert: DrawnInsert; readonly contacts: readonly DrawnContact[] } {
  const form = formOf(connector);
  const finger = form === 'side' || form === 'singles' ? fingerOf(connector) : [];
  const places =
    side === 'mating' && form === 'side' && isToldFromSide(connector)
      ? alongFinger(finger, toward)
      : placed(viewOf(connector, side), form, side, toward);
  const radius = connector.views?.insertRadiusMm ?? FALLBACK_RADIUS;
  return {
    insert: {
      end,
      at,
      toward,
      radius,
      keyed: (connector.views?.keyed ?? false) && form === 'round',
      form,
      inPanel: connector.mount === 'panel',
      half: halfOf(form, side, radius, places),
      finger,
    },
    contacts: places.map((place): DrawnContact => {
      const entry = connector.contacts.find((each) => each.id === place.contact);
      const terminal = contactTerminal(end, place.contact);
      return {
        id: place.contact,
        terminal,
        x: at.x + place.x,
        y: at.y + place.y,
        radius: (entry?.boreMm ?? 2) / 2,
        takes: entry?.takes ?? 'cup',
        joints: joints.filter(({ terminals }) => terminals.includes(terminal)).map(({ id }) => id),
      };
    }),
  };
}

/** A tail: its loose wires one below the other, each with its pin. */
export function tailOf(
  end: End,
  joints: readonly Joint[],
  toward: 1 | -1,
  at: Point,
): { readonly insert: DrawnInsert; readonly contacts: readonly DrawnContact[] } {
  const wires = end.loose ?? [];
  const height = (n: number): number => ((wires.length - 1) / 2 - n) * APART.loose;
  return {
    insert: {
      end: end.id,
      at,
      toward,
      radius: 2,
      keyed: false,
      form: 'loose',
      inPanel: false,
      half: { x: 2, y: (wires.length / 2) * APART.loose },
      finger: [],
    },
    contacts: wires.map(({ id }, n): DrawnContact => {
      const terminal = contactTerminal(end.id, id);
      return {
        id,
        terminal,
        x: at.x,
        y: at.y + height(n),
        radius: 0.8,
        takes: 'pin',
        joints: joints.filter(({ terminals }) => terminals.includes(terminal)).map((each) => each.id),
      };
    }),
  };
}

/** An end from the front, as the closed lead is looked at. Undefined for one with no connector, or whose view is not known. */
export function matingFace(assembly: Assembly, endId: string, toward: 1 | -1 = 1): PeeledEnd | undefined {
  const end = endById(assembly, endId);
  const body = bodyOfEnd(assembly, endId);
  const connector = end && connectorOf(assembly, end);
  if (!end || !body || !connector?.views) return undefined;
  const { insert, contacts } = insertOf(end.id, inHand(body).joints, connector, 'mating', toward);
  return { end: end.id, side: 'mating', toward, inserts: [insert], contacts, ...NOTHING_PEELED };
}
