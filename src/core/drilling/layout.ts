import { bodyOfEnd, endsOf, type Assembly } from '../assembly';
import { bad, capital, good, type Result } from '../quantity';
import { controlsOf, socketAt, type Mounted } from './behind';
import type { BoxInside } from './case';
import { drilledOf } from './drilled';

/** The faces that are drilled, as they are seen from outside: two ends, and the front with the knob. */
export const FACES = ['left end', 'right end', 'front'] as const;
export type FaceName = (typeof FACES)[number];

/** A hole: on which face, from its left and its upper inner edge as it is seen from outside, mm. */
export interface Hole {
  readonly of: Mounted;
  readonly face: FaceName;
  readonly x: number;
  readonly y: number;
}

/** How far two things are from each other, mm; below 0 they stand in each other. */
export interface Clearance {
  readonly a: string;
  readonly b: string;
  readonly mm: number;
}

/** Where a box is drilled. */
export interface Drilling {
  readonly box: BoxInside;
  readonly holes: readonly Hole[];
  /** The least first. */
  readonly clearances: readonly Clearance[];
}

/** A block of room, mm: along the box, across it, and from the front to the lid. */
interface Block {
  readonly id: string;
  readonly from: readonly [number, number, number];
  readonly to: readonly [number, number, number];
}

/** Nearer than this two things are not set, mm (common practice): neither a hole nor a wire is as true as a drawing. */
const LEAST_MM = 1;
/** Where everything stands in its middle this much is kept, mm; below it another place is looked for. */
const ROOMY_MM = 3;

/** The place of a hole’s middle in the room of the box: its length from the left end, its width from one side, its depth from the front. */
function middleOf({ face, x, y }: Hole, box: BoxInside): readonly [number, number, number] {
  if (face === 'front') return [x, y, 0];
  // The front lies up at both ends; from outside the left end is seen with the one side on the left, the right end the other.
  return face === 'left end' ? [0, x, y] : [box.lengthMm, box.widthMm - x, y];
}

/** What stands behind a hole, as the block round it. */
function blockOf(hole: Hole, box: BoxInside): Block {
  const [x, y, z] = middleOf(hole, box);
  const { wideMm, deepMm } = hole.of.behind;
  const r = wideMm / 2;
  const { id } = hole.of;
  if (hole.face === 'front') return { id, from: [x - r, y - r, 0], to: [x + r, y + r, deepMm] };
  const [from, to] = hole.face === 'left end' ? [0, deepMm] : [box.lengthMm - deepMm, box.lengthMm];
  return { id, from: [from, y - r, z - r], to: [to, y + r, z + r] };
}

/** How far two blocks are apart: along a straight line; where they stand in each other by how much, as a figure below 0. */
function apart(a: Block, b: Block): number {
  const gaps = [0, 1, 2].map((axis) =>
    Math.max((b.from[axis] ?? 0) - (a.to[axis] ?? 0), (a.from[axis] ?? 0) - (b.to[axis] ?? 0)),
  );
  const open = gaps.filter((gap) => gap > 0);
  return open.length > 0 ? Math.hypot(...open) : Math.max(...gaps);
}

/** The four posts of the lid’s screws, from the front to the lid. */
function posts({ lengthMm, widthMm, depthMm, bossMm }: BoxInside): readonly Block[] {
  if (bossMm === 0) return [];
  return [0, lengthMm - bossMm].flatMap((x) =>
    [0, widthMm - bossMm].map((y): Block => ({
      id: 'a corner post',
      from: [x, y, 0],
      to: [x + bossMm, y + bossMm, depthMm],
    })),
  );
}

/** How far a block stays off the walls that it does not go through. */
function offWalls(hole: Hole, block: Block, { lengthMm, widthMm, depthMm }: BoxInside): readonly Clearance[] {
  const room = [lengthMm, widthMm, depthMm];
  const own = hole.face === 'front' ? 2 : 0;
  const at = [0, 1, 2].flatMap((axis) => {
    const [before, behind] = [block.from[axis] ?? 0, (room[axis] ?? 0) - (block.to[axis] ?? 0)];
    if (axis !== own) return [before, behind];
    return [hole.face === 'right end' ? before : behind];
  });
  return [{ a: block.id, b: 'a wall', mm: Math.min(...at) }];
}

/** How far apart nuts and flanges are on a face; and from its outer edge. */
function onFaces(holes: readonly Hole[], box: BoxInside): readonly Clearance[] {
  const edge = ({ face, x, y, of }: Hole): Clearance => {
    const [wide, high] = faceSize(face, box);
    const least = Math.min(x, y, wide - x, high - y) + box.wallMm;
    return { a: `the nut of ${of.id}`, b: 'the edge of its face', mm: least - of.frontMm / 2 };
  };
  return [
    ...holes.map(edge),
    ...holes.flatMap((one, n) =>
      holes.slice(n + 1).flatMap((other): readonly Clearance[] =>
        one.face === other.face
          ? [
              {
                a: `the nut of ${one.of.id}`,
                b: `that of ${other.of.id}`,
                mm: Math.hypot(one.x - other.x, one.y - other.y) - (one.of.frontMm + other.of.frontMm) / 2,
              },
            ]
          : [],
      ),
    ),
  ];
}

/** A face inside its walls, mm: across and high as it is seen from outside. */
export const faceSize = (
  face: FaceName,
  { lengthMm, widthMm, depthMm }: BoxInside,
): readonly [wide: number, high: number] => (face === 'front' ? [lengthMm, widthMm] : [widthMm, depthMm]);

/** All clearances of holes in a box. */
function clearancesOf(holes: readonly Hole[], box: BoxInside): readonly Clearance[] {
  const blocks = holes.map((hole) => blockOf(hole, box));
  return [
    ...holes.flatMap((hole, n) => {
      const block = blocks[n];
      return block
        ? [
            ...offWalls(hole, block, box),
            ...posts(box).map((post) => ({ a: block.id, b: post.id, mm: apart(block, post) })),
            ...blocks.slice(n + 1).map((other) => ({ a: block.id, b: other.id, mm: apart(block, other) })),
          ]
        : [];
    }),
    ...onFaces(holes, box),
  ];
}

/** So many in a row, evenly, between here and there. */
const evenly = (count: number, from: number, to: number): readonly number[] =>
  Array.from({ length: count }, (_, n) => from + ((to - from) * (n + 0.5)) / count);
/** Where else a thing is tried on its face: every millimetre, of a large one fewer. */
const steps = (to: number): readonly number[] => {
  const many = Math.min(40, Math.floor(to));
  return Array.from({ length: many }, (_, n) => ((n + 0.5) * to) / many);
};

/** Sources on the left, what is fed on the right, knobs in front: sockets at one height, knobs at one distance from the side. */
function laid(
  { left, right, front }: Readonly<Record<'left' | 'right' | 'front', readonly Mounted[]>>,
  box: BoxInside,
  socketsY: number,
  knobsY: number,
): readonly Hole[] {
  const row = (all: readonly Mounted[], face: FaceName, y: number): readonly Hole[] => {
    const at = evenly(all.length, 0, faceSize(face, box)[0]);
    return all.map((of, n) => ({ of, face, x: at[n] ?? 0, y }));
  };
  return [
    ...row(left, 'left end', socketsY),
    ...row(right, 'right end', socketsY),
    ...row(front, 'front', knobsY),
  ];
}

interface Found {
  readonly holes: readonly Hole[];
  readonly clearances: readonly Clearance[];
  readonly least: number;
}

/** The roomiest place for everything: in the middle where that leaves enough, else the first that does, else the best there is. */
function roomiest(things: Parameters<typeof laid>[0], box: BoxInside, enoughMm = ROOMY_MM): Found {
  const at = (socketsY: number, knobsY: number): Found => {
    const holes = laid(things, box, socketsY, knobsY);
    const clearances = clearancesOf(holes, box);
    return { holes, clearances, least: Math.min(...clearances.map(({ mm }) => mm)) };
  };
  const middle = at(box.depthMm / 2, box.widthMm / 2);
  if (middle.least >= enoughMm) return middle;
  let best = middle;
  for (const socketsY of steps(box.depthMm))
    for (const knobsY of things.front.length > 0 ? steps(box.widthMm) : [box.widthMm / 2]) {
      const one = at(socketsY, knobsY);
      if (one.least > best.least + 1e-9) best = one;
      if (best.least >= enoughMm) return best;
    }
  return best;
}

/** How much longer, wider or deeper a box is looked at where one is too small, mm. */
const MORE_MM = 150;

/** The least of one measure with which everything has room; nothing where more of it does not help. */
function enough(
  things: Parameters<typeof laid>[0],
  box: BoxInside,
  measure: 'lengthMm' | 'widthMm' | 'depthMm',
): number | undefined {
  const isEnough = (more: number): boolean =>
    roomiest(things, { ...box, [measure]: box[measure] + more }, LEAST_MM).least >= LEAST_MM;
  if (!isEnough(MORE_MM)) return undefined;
  let [low, high] = [0, MORE_MM];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (isEnough(middle)) high = middle;
    else low = middle;
  }
  return Math.ceil(box[measure] + high);
}

/**
 * Where a box is drilled: sockets in the middle of its ends, those that are fed on the right, knobs on its front; moved where
 * that is too tight. Errors: `drill.no-box` where there is none, `drill.hole` where a socket’s hole is not known, `drill.collides` where two
 * things would stand in each other or less than 1 mm apart, with how large a box has room.
 */
export function drillingOf(assembly: Assembly, box: BoxInside): Result<Drilling> {
  const drilled = drilledOf(assembly);
  if (drilled?.is !== 'box') return bad('drill.no-box', 'Nothing of this lead is a box that is drilled.');
  const ends = endsOf(assembly).filter((end) => bodyOfEnd(assembly, end.id)?.id === drilled.body.id);
  const sockets = ends.map((end) => socketAt(assembly, end));
  const known = sockets.filter((socket) => socket !== undefined);
  if (known.length < ends.length)
    return bad(
      'drill.hole',
      `The hole for socket ${ends[sockets.indexOf(undefined)]?.id ?? ''} is not known: choose a panel socket.`,
    );
  const [first, ...rest] = known;
  // The first is what it comes from; of several more than it feeds, those stand on the other end.
  const things = { left: first ? [first] : [], right: rest, front: controlsOf(drilled.body) };
  const { holes, least, ...found } = roomiest(things, box);
  const clearances = [...found.clearances].sort((a, b) => a.mm - b.mm);
  const [tightest] = clearances;
  if (least >= LEAST_MM || !tightest) return good({ box, holes, clearances });
  const remedies = (
    [
      ['lengthMm', 'long'],
      ['depthMm', 'deep'],
      ['widthMm', 'wide'],
    ] as const
  ).flatMap(([measure, word]) => {
    const mm = enough(things, box, measure);
    return mm === undefined ? [] : [`${mm} mm ${word}`];
  });
  return bad(
    'drill.collides',
    `${capital(tightest.a)} and ${tightest.b} are ${
      tightest.mm > -0.05
        ? `${Math.max(0, tightest.mm).toFixed(1)} mm apart, less than ${LEAST_MM} mm`
        : `${(-tightest.mm).toFixed(1)} mm into each other`
    }. ${
      remedies.length > 0
        ? `A box that is at least ${remedies.join(', or ')} inside has room.`
        : 'It takes a box that is larger in more than one way.'
    }`,
    'box',
  );
}
