import {
  cableOf,
  conductorsOf,
  conductorTerminal,
  placeOf,
  spanById,
  spansAt,
  type Assembly,
  type Body,
  type Joint,
  type Span,
  type Terminal,
} from '../assembly';
import type { CableConductor } from '../catalogue';
import { along, type Curve } from './curve';
import type { DrawnConductor, DrawnContact, DrawnInsert, PeeledEnd } from './drawn';
import type { DrawnJoint, DrawnPart } from './inside';
import type { Point } from './point';

/** Where along a conductor it is looked at, and how much farther it may swing out. */
const SWUNG = [0.6, 0.68, 0.76, 0.82, 0.87, 0.91, 0.94] as const;
const FARTHER = [1, 1.3, 1.6, 2, 2.5, 3] as const;
/** From the middle of one cable to that of the next, mm. */
const CABLES_APART = 10;
/** How thick a conductor is drawn where nobody knows, and how much of its end is bare, mm. */
const [WIDTH, BARE] = [1.2, 3];

const sign = (value: number): 1 | -1 => (value < 0 ? -1 : 1);

interface Fan {
  readonly insert: DrawnInsert;
  readonly contacts: readonly DrawnContact[];
  readonly parts: readonly DrawnPart[];
  readonly air: readonly DrawnJoint[];
  /** Where the jackets are cut, and how far that is from the insert. */
  readonly mouth: number;
  readonly stripMm: number;
  readonly bareMm: number | undefined;
}

/** Each cable that comes into a body, one below the other. A leg beyond a break-out is as thick as its share of the cable. */
export function jacketsOf(assembly: Assembly, body: Body, x: number): PeeledEnd['jackets'] {
  const spans = spansAt(assembly, body.id);
  return spans.map((span, n) => {
    const cable = cableOf(assembly, span);
    return {
      span: span.id,
      x,
      y: (spans.length - 1 - 2 * n) * (CABLES_APART / 2),
      thickness:
        (cable?.jacketMm ?? 6) *
        Math.sqrt((span.carries?.length ?? 1) / (span.carries ? (cable?.conductors.length ?? 1) : 1)),
      colour: cable?.jacketColour ?? ('BK' as const),
    };
  });
}

/** How far a conductor swings out on its way to a contact: farther where it would lie on others that are nearer the cable. */
function liftTo(contact: DrawnContact, { insert, contacts, stripMm }: Fan): number {
  // Between rows that stand across the cable each goes straight in, between those in front of it.
  if (insert.form !== 'round' && insert.form !== 'side') return 0;
  const { toward, half } = insert;
  const nearest = Math.max(...contacts.map(({ x }) => x * toward));
  const lift = sign(contact.y) * (nearest - contact.x * toward) * 0.9;
  const beside = contacts.filter((each) => each !== contact && each.x * toward > contact.x * toward);
  const isClear = (factor: number): boolean => {
    const curve: Curve = [
      { x: toward * (half.x + stripMm), y: 0 },
      { x: toward * (half.x + stripMm * 0.45), y: 0 },
      { x: contact.x + toward * stripMm * 0.42, y: contact.y + lift * factor },
      contact,
    ];
    return SWUNG.every((t) => {
      const { x, y } = along(curve, t);
      return beside.every((each) => Math.hypot(x - each.x, y - each.y) > each.radius + 0.9);
    });
  };
  return lift * (FARTHER.find(isClear) ?? 1);
}

/** What a conductor goes to that is no contact: the part whose leg is in its joint. */
function inAir(assembly: Assembly, joint: Joint | undefined): string | undefined {
  const place = joint?.terminals.map((each) => placeOf(assembly, each)).find((each) => each?.kind === 'lead');
  return place?.kind === 'lead' ? `to ${place.part.id}` : undefined;
}

/** What is said of a conductor that is on no contact. */
const leftAs = (assembly: Assembly, terminal: Terminal, joint: Joint | undefined): string =>
  inAir(assembly, joint) ??
  (joint?.terminals.some((each) => placeOf(assembly, each)?.kind === 'case')
    ? 'to the case'
    : (assembly.unjoined.find((each) => each.at === terminal)?.is ??
      (joint ? 'joined in the air' : 'loose')));

/** What is known of a conductor at its end. */
interface Known {
  readonly conductor: CableConductor;
  readonly terminal: Terminal;
  readonly joint: Joint | undefined;
  readonly contact: DrawnContact | undefined;
}

/** Each conductor of a cable with what it is joined by here. */
function knownOf(
  assembly: Assembly,
  body: Body,
  span: Span,
  contacts: readonly DrawnContact[],
): readonly Known[] {
  return conductorsOf(assembly, span).map((conductor) => {
    const terminal = conductorTerminal(span.id, conductor.id, body.id);
    const joint = body.joints.find((each) => each.terminals.includes(terminal));
    const contact = joint?.terminals
      .map((each) => contacts.find((other) => other.terminal === each))
      .find((each) => each !== undefined);
    return { conductor, terminal, joint, contact };
  });
}

/** From the jacket to a contact: past the parts in a lane above or below them all; a cubic reaches three quarters of the way to its controls. */
function curveTo(contact: DrawnContact, start: Point, tip: Point, lift: number, fan: Fan): Curve {
  const { insert, parts, mouth, stripMm } = fan;
  const { toward, half } = insert;
  // Rows that stand across the cable: all go straight in from the same distance, else those of the far row cut across the near.
  if (parts.length === 0 && insert.form === 'rows')
    return [
      start,
      { x: mouth - toward * stripMm * 0.55, y: start.y },
      { x: toward * (half.x + stripMm * 0.35), y: tip.y },
      tip,
    ];
  if (parts.length === 0)
    return [
      start,
      { x: mouth - toward * stripMm * 0.55, y: start.y },
      { x: contact.x + toward * stripMm * 0.42, y: tip.y + lift },
      tip,
    ];
  const lane = (4 / 3) * Math.max(0, ...parts.map(({ at: { y }, width }) => Math.abs(y) + width / 2 + 2.4));
  return [
    start,
    { x: mouth - toward * 8, y: sign(contact.y) * lane },
    { x: half.x * toward + toward * 4, y: sign(contact.y) * lane },
    tip,
  ];
}

/** From the jacket to a joint in the air. */
const curveToAir = (node: Point, start: Point, toward: 1 | -1): Curve => [
  start,
  { x: start.x - toward * 1.2, y: start.y },
  { x: node.x + toward * 1.2, y: node.y },
  { x: node.x, y: node.y },
];

/** A stub beside its jacket. */
function stub(start: Point, middle: number, toward: 1 | -1): Curve {
  const tip = { x: start.x - toward * 4, y: start.y + sign(start.y - middle) * 1.6 };
  return [start, { x: start.x - toward * 1.5, y: start.y }, { x: start.x - toward * 2.5, y: tip.y }, tip];
}

/** The conductors of every cable that comes in, fanned from its jacket to their contacts so that they cross as little as they can. */
export function fanOf(
  assembly: Assembly,
  body: Body,
  jackets: PeeledEnd['jackets'],
  fan: Fan,
): readonly DrawnConductor[] {
  const { insert, contacts, air, mouth, bareMm } = fan;
  const { toward, half } = insert;
  const lifts = new Map(contacts.map((contact) => [contact, liftTo(contact, fan)]));
  // Top to bottom at the mouth as on the insert: no two curves then have to cross.
  const height = ({ contact }: Known): number =>
    contact ? contact.y + (lifts.get(contact) ?? 0) * 0.78 : -half.y * 2;
  return jackets.flatMap((jacket) => {
    const span = spanById(assembly, jacket.span);
    if (!span) return [];
    const sorted = [...knownOf(assembly, body, span, contacts)].sort((a, b) => height(b) - height(a));
    const spread = jacket.thickness * 0.7;
    return sorted.map(({ conductor, terminal, joint, contact }, n): DrawnConductor => {
      const start: Point = {
        x: mouth,
        y: jacket.y + (sorted.length === 1 ? 0 : spread / 2 - (spread * n) / (sorted.length - 1)),
      };
      const { is, colour, pair = '', outerMm = WIDTH } = conductor;
      const isShared = sorted.some(
        (other) => other.conductor !== conductor && other.conductor.colour === colour,
      );
      const facts = {
        terminal,
        is,
        colour,
        width: outerMm,
        bareMm: bareMm ?? BARE,
        ...(isShared && /^\d+$/.test(pair) ? { pair } : {}),
      };
      const left = leftAs(assembly, terminal, joint);
      if (contact) {
        const twins = sorted.filter((each) => each.contact === contact);
        const aside = (twins.length - 1) / 2 - twins.findIndex((each) => each.terminal === terminal);
        const tip = { x: contact.x, y: contact.y + aside * contact.radius * 0.8 };
        return {
          ...facts,
          ...(joint ? { joint: joint.id } : {}),
          lands: contact.terminal,
          curve: curveTo(contact, start, tip, lifts.get(contact) ?? 0, fan),
        };
      }
      const node = air.find((each) => each.joint === joint?.id);
      if (node && joint) return { ...facts, joint: joint.id, left, curve: curveToAir(node, start, toward) };
      return { ...facts, bareMm: 0, left, curve: stub(start, jacket.y, toward) };
    });
  });
}
