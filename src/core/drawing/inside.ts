import {
  bandsOf,
  jointsOf,
  leadsOf,
  leadTerminal,
  type Band,
  type Body,
  type Joint,
  type Part,
} from '../assembly';
import type { Curve } from './curve';
import type { Point } from './point';

/** A part as it lies in its shell, mm: its body, and each of its legs from the body to where it is joined. */
export interface DrawnPart {
  readonly part: string;
  readonly kind: Part['kind'];
  /** The middle of its body, and which way the cable is. */
  readonly at: Point;
  readonly toward: 1 | -1;
  readonly length: number;
  readonly width: number;
  /** Of a resistor, from the end that they are nearer to. */
  readonly bands: readonly Band[];
  /** Which end its plus, or the band of a diode, or the long leg of a lamp, is at: toward the insert or toward the cable. */
  readonly mark?: 'insert' | 'cable';
  readonly legs: readonly {
    readonly terminal: string;
    readonly joint?: string;
    readonly curve: Curve;
  }[];
}

/** A joint that is made in the air inside the shell. */
export interface DrawnJoint extends Point {
  readonly joint: string;
  readonly sleeved: boolean;
}

/** How large they are, mm: a quarter-watt resistor, a small electrolytic, a 3 mm lamp … (typical, from memory). */
const SIZES: Readonly<Record<string, readonly [length: number, width: number]>> = {
  resistor: [6.3, 2.3],
  capacitor: [7, 4],
  diode: [4, 1.9],
  led: [4.5, 3],
  lamp: [5, 3],
  transformer: [11, 9],
  potentiometer: [10, 9],
  battery: [12, 8],
  switch: [8, 5],
};
/** What lies side by side is this far apart at the least, mm: its name stands between. */
const APART = 2.6;

/** The leg that tells which way round a part lies: its plus, the band of a diode, the long leg of a lamp. */
const markedLeg = (part: Part): string | undefined =>
  part.kind === 'capacitor'
    ? part.plus
    : part.kind === 'diode'
      ? 'cathode'
      : part.kind === 'led'
        ? 'anode'
        : part.kind === 'battery'
          ? 'pos'
          : undefined;

export interface Space {
  /** Where the insert ends and where the jackets begin, mm from the insert's middle, toward the cable. */
  readonly from: number;
  readonly to: number;
  readonly toward: 1 | -1;
  /** How far the contact nearest to the cable is from the insert’s middle, toward the cable, mm. */
  readonly nearest: number;
  /** Where a joint is that lies on a contact here. */
  readonly onContact: (joint: Joint) => Point | undefined;
  /** Whether a conductor is in a joint. */
  readonly hasConductor: (joint: Joint) => boolean;
}

/** A leg of a part, with the joint that it is in. */
interface Leg {
  readonly lead: string;
  readonly joint: Joint | undefined;
}

const sizeOf = ({ kind }: Part): readonly [length: number, width: number] => SIZES[kind] ?? [6, 3];
const mean = (all: readonly number[]): number =>
  all.length === 0 ? 0 : all.reduce((sum, each) => sum + each, 0) / all.length;

/** Transformers and the like lie nearer to the contacts, what stands in a core’s way nearer to the cable: one or two columns. */
const columnsOf = (parts: readonly Part[]): readonly (readonly Part[])[] => {
  const isLarge = (part: Part): boolean => sizeOf(part)[1] > 6;
  return [parts.filter(isLarge), parts.filter((part) => !isLarge(part))].filter(({ length }) => length > 0);
};

/** Where the body of each part lies: in its column, as high beside the others as the contacts that it is on. */
function placesOf(
  columns: readonly (readonly Part[])[],
  legsOf: (part: Part) => readonly Leg[],
  { from, to, toward, onContact }: Space,
): ReadonlyMap<string, Point> {
  const room = (to - from) / columns.length;
  const wanted = (part: Part): number =>
    mean(legsOf(part).flatMap(({ joint }) => (joint && onContact(joint)?.y) ?? []));
  return new Map(
    columns.flatMap((column, n) => {
      const whole = column.reduce((sum, part) => sum + sizeOf(part)[1] + APART, -APART);
      let top = whole / 2;
      return [...column]
        .sort((a, b) => wanted(b) - wanted(a))
        .map((part): [string, Point] => {
          const [, height] = sizeOf(part);
          const y = top - height / 2;
          top -= height + APART;
          return [part.id, { x: toward * (from + room * (n + 0.5)), y }];
        });
    }),
  );
}

/** Where the joints in the air lie: what a core comes to at the cable’s side, what only legs meet in between the columns or at the insert’s. */
function airOf(
  joints: readonly Joint[],
  heightOf: (joint: Joint) => number,
  columns: number,
  { from, to, toward, hasConductor }: Space,
): ReadonlyMap<string, DrawnJoint> {
  const air = joints
    .map((joint): DrawnJoint => ({
      joint: joint.id,
      x: toward * (hasConductor(joint) ? to - 1.5 : columns > 1 ? (from + to) / 2 : from + 1.5),
      y: heightOf(joint),
      sleeved: joint.sleeve !== undefined,
    }))
    .sort((a, b) => b.y - a.y);
  // At one side one above the other, none on another.
  const lowest = new Map<number, number>();
  return new Map(
    air.map((each) => {
      const y = Math.min(each.y, (lowest.get(each.x) ?? Infinity) - 2.2);
      lowest.set(each.x, y);
      return [each.joint, { ...each, y }];
    }),
  );
}

/** A leg from the body of its part to where it is joined: round its own part where that lies between, and round a contact that is in the way. */
function curveOf(
  start: Point,
  end: Point,
  {
    at,
    width,
    out,
    behind,
    toward,
  }: {
    readonly at: Point;
    readonly width: number;
    readonly out: number;
    readonly behind: number;
    readonly toward: 1 | -1;
  },
): DrawnPart['legs'][number]['curve'] {
  const back = (end.x - start.x) * out < 0;
  const round = back ? (end.y > at.y ? 1 : -1) * (width / 2 + 1.2) : 0;
  const lift = (end.y < 0 ? -1 : 1) * behind * 0.9;
  return [
    start,
    { x: start.x + out * (back ? 1.6 : 1), y: start.y + round },
    back
      ? { x: at.x, y: at.y + 1.6 * round }
      : { x: behind > 0 ? end.x + toward * 6 : (start.x + end.x) / 2, y: end.y + lift },
    { x: end.x, y: end.y },
  ];
}

/** One part with its legs: those whose joints lie nearer to the insert come out of that end of it. */
function drawnPart(
  part: Part,
  at: Point,
  legs: readonly Leg[],
  pointOf: (joint: Joint) => Point | undefined,
  { toward, nearest, onContact }: Space,
): DrawnPart {
  const [length, width] = sizeOf(part);
  const reach = ({ joint }: Leg): number => ((joint && pointOf(joint))?.x ?? at.x) * toward;
  const sorted = [...legs].sort((a, b) => reach(a) - reach(b));
  const half = Math.ceil(sorted.length / 2);
  const drawn = sorted.map(({ lead, joint }, n) => {
    const inner = n < half;
    const count = inner ? half : sorted.length - half;
    const slot = inner ? n : n - half;
    const way = (inner ? -1 : 1) * toward;
    const start = {
      x: at.x + way * (length / 2),
      y: at.y + (count === 1 ? 0 : (width / 2 - 1) * (1 - (2 * slot) / (count - 1))),
    };
    const end = (joint && pointOf(joint)) ?? { x: start.x + way * 3, y: start.y };
    const behind = joint && onContact(joint) ? Math.max(0, nearest - end.x * toward) : 0;
    return {
      inner,
      lead,
      terminal: leadTerminal(part.id, lead),
      ...(joint ? { joint: joint.id } : {}),
      curve: curveOf(start, end, { at, width, out: way * 2.2, behind, toward }),
    };
  });
  const mark = drawn.find(({ lead }) => lead === markedLeg(part));
  return {
    part: part.id,
    kind: part.kind,
    at,
    toward,
    length,
    width,
    bands: part.kind === 'resistor' && part.ohms !== undefined ? bandsOf(part.ohms, part.tolerance) : [],
    ...(mark ? { mark: mark.inner ? ('insert' as const) : ('cable' as const) } : {}),
    legs: drawn.map(({ inner: _, lead: __, ...leg }) => leg),
  };
}

/**
 * Where the parts of a shell lie between its contacts and the cable, and the joints in the air between them: one above the
 * other, each as high as what it is joined to, so that few legs cross. Between two ends it lies from one to the other.
 */
export function inside(
  body: Body,
  space: Space,
): { readonly parts: readonly DrawnPart[]; readonly joints: readonly DrawnJoint[] } {
  if (body.parts.length === 0) return { parts: [], joints: [] };
  const all = jointsOf(body).filter((joint) => joint.how !== 'link');
  const legsOf = (part: Part): readonly Leg[] =>
    leadsOf(part).map((lead) => ({
      lead,
      joint: all.find(({ terminals }) => terminals.includes(leadTerminal(part.id, lead))),
    }));
  const columns = columnsOf(body.parts);
  const places = placesOf(columns, legsOf, space);
  const partsIn = (joint: Joint): readonly Part[] =>
    body.parts.filter((part) => legsOf(part).some((leg) => leg.joint === joint));
  const air = airOf(
    all.filter((joint) => !space.onContact(joint) && partsIn(joint).length > 0),
    (joint) => mean(partsIn(joint).map(({ id }) => places.get(id)?.y ?? 0)),
    columns.length,
    space,
  );
  const pointOf = (joint: Joint): Point | undefined => space.onContact(joint) ?? air.get(joint.id);
  return {
    parts: body.parts.map((part) =>
      drawnPart(part, places.get(part.id) ?? { x: 0, y: 0 }, legsOf(part), pointOf, space),
    ),
    joints: [...air.values()],
  };
}
