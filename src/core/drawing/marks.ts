import type { Terminal } from '../assembly';
import type { Paint } from './paint';
import type { Point } from './point';

/** A shape, mm. A curve is a cubic: its first point, and then three for each piece. */
export type Shape =
  | { readonly is: 'disc'; readonly at: Point; readonly r: number }
  | {
      readonly is: 'box';
      readonly at: Point;
      readonly width: number;
      readonly height: number;
      readonly round?: number;
    }
  | { readonly is: 'line'; readonly points: readonly Point[]; readonly closed?: boolean }
  | { readonly is: 'curve'; readonly points: readonly Point[] };

/** A shape with what it is painted with. */
export type Mark = Shape & {
  readonly fill?: Paint;
  readonly stroke?: Paint;
  /** Of the stroke, mm. */
  readonly thick?: number;
  /** Drawn in strokes: the strands of a screen. */
  readonly strands?: boolean;
  /** Only gives way to a finger: it is not seen. */
  readonly unseen?: boolean;
};

export const THINGS = [
  'jacket',
  'insert',
  'contact',
  'link',
  'core',
  'screen',
  'drain',
  'part',
  'leg',
  'air',
  'dressing',
] as const;

/** One thing of a picture: it lights, and is taken in hand, as a whole. */
export interface Thing {
  readonly key: string;
  readonly is: (typeof THINGS)[number];
  /** What it says of itself. */
  readonly says: string;
  /** The terminals that it lights with; the first is what it is taken in hand by. */
  readonly terminals: readonly Terminal[];
  /** The joints that are made on it, or that it lands by. */
  readonly joints: readonly string[];
  readonly marks: readonly Mark[];
  /** Where a ring goes round it. */
  readonly ring?: { readonly at: Point; readonly r: number };
  /** Where it is touched, if that is not where its ring is. */
  readonly touch?: { readonly at: Point; readonly r: number };
}

/** How a picture is turned in the vice: quarters of a turn, clockwise. */
export type Quarters = 0 | 1 | 2 | 3;

/** A point turned round the origin; y downward from here on. */
export function turned({ x, y }: Point, quarters: Quarters): Point {
  const [right, down] = [x, -y];
  if (quarters === 1) return { x: -down, y: right };
  if (quarters === 2) return { x: -right, y: -down };
  if (quarters === 3) return { x: down, y: -right };
  return { x: right, y: down };
}

/** A mark with every point of it moved. A box keeps its sides along the page: only quarters of a turn are asked of it. */
function mapped(mark: Mark, to: (point: Point) => Point, isAcross: boolean): Mark {
  if (mark.is === 'disc') return { ...mark, at: to(mark.at) };
  if (mark.is === 'box')
    return {
      ...mark,
      at: to(mark.at),
      ...(isAcross ? { width: mark.height, height: mark.width } : {}),
    };
  return { ...mark, points: mark.points.map(to) };
}

/** Things turned in the vice, y downward. */
export function turnThings(things: readonly Thing[], quarters: Quarters): readonly Thing[] {
  const to = (point: Point): Point => turned(point, quarters);
  return things.map((thing) => ({
    ...thing,
    marks: thing.marks.map((mark) => mapped(mark, to, quarters % 2 === 1)),
    ...(thing.ring ? { ring: { ...thing.ring, at: to(thing.ring.at) } } : {}),
    ...(thing.touch ? { touch: { ...thing.touch, at: to(thing.touch.at) } } : {}),
  }));
}

/** Things moved across the page. */
export function moveThings(things: readonly Thing[], by: Point): readonly Thing[] {
  const to = ({ x, y }: Point): Point => ({ x: x + by.x, y: y + by.y });
  return things.map((thing) => ({
    ...thing,
    marks: thing.marks.map((mark) => mapped(mark, to, false)),
    ...(thing.ring ? { ring: { ...thing.ring, at: to(thing.ring.at) } } : {}),
    ...(thing.touch ? { touch: { ...thing.touch, at: to(thing.touch.at) } } : {}),
  }));
}

/** A rectangle, mm: left, top, width and height. */
export interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What a mark covers, with half its stroke. Of a curve the hull of its points: it never leaves that. */
export function coveredBy(mark: Mark): Frame {
  const half = mark.stroke === undefined ? 0 : (mark.thick ?? 0) / 2;
  if (mark.is === 'disc')
    return {
      x: mark.at.x - mark.r - half,
      y: mark.at.y - mark.r - half,
      width: 2 * (mark.r + half),
      height: 2 * (mark.r + half),
    };
  if (mark.is === 'box')
    return {
      x: mark.at.x - mark.width / 2 - half,
      y: mark.at.y - mark.height / 2 - half,
      width: mark.width + 2 * half,
      height: mark.height + 2 * half,
    };
  const xs = mark.points.map(({ x }) => x);
  const ys = mark.points.map(({ y }) => y);
  const [left, top] = [Math.min(...xs) - half, Math.min(...ys) - half];
  return { x: left, y: top, width: Math.max(...xs) + half - left, height: Math.max(...ys) + half - top };
}

/** The rectangle round them all. */
export function frameRound(frames: readonly Frame[], margin = 0): Frame {
  const left = Math.min(...frames.map(({ x }) => x)) - margin;
  const top = Math.min(...frames.map(({ y }) => y)) - margin;
  return {
    x: left,
    y: top,
    width: Math.max(...frames.map(({ x, width }) => x + width)) + margin - left,
    height: Math.max(...frames.map(({ y, height }) => y + height)) + margin - top,
  };
}

const inMicrometres = (value: number): string => `${Math.round(value * 1000) / 1000 || 0}`;
const at = ({ x, y }: Point): string => `${inMicrometres(x)} ${inMicrometres(y)}`;

/** The outline of a line or a curve in the notation of path data, to a thousandth of a mm. */
export const pathOf = (mark: Extract<Shape, { is: 'line' | 'curve' }>): string => {
  const [first, ...rest] = mark.points;
  if (!first) return '';
  if (mark.is === 'line') return `M${at(first)} L${rest.map(at).join(' ')}${mark.closed ? ' Z' : ''}`;
  return `M${at(first)} C${rest.map(at).join(' ')}`;
};

/** The outline of any shape in the notation of path data. */
export function outlineOf(shape: Shape): string {
  if (shape.is === 'line' || shape.is === 'curve') return pathOf(shape);
  const arc = (r: number, to: Point): string => `A${inMicrometres(r)} ${inMicrometres(r)} 0 0 1 ${at(to)}`;
  const { x, y } = shape.at;
  if (shape.is === 'disc')
    return `M${at({ x: x - shape.r, y })} ${arc(shape.r, { x: x + shape.r, y })} ${arc(shape.r, { x: x - shape.r, y })} Z`;
  const [w, h] = [shape.width / 2, shape.height / 2];
  const r = Math.min(shape.round ?? 0, w, h);
  if (r === 0)
    return `M${at({ x: x - w, y: y - h })} L${[
      { x: x + w, y: y - h },
      { x: x + w, y: y + h },
      { x: x - w, y: y + h },
    ]
      .map(at)
      .join(' ')} Z`;
  return [
    `M${at({ x: x - w + r, y: y - h })} L${at({ x: x + w - r, y: y - h })} ${arc(r, { x: x + w, y: y - h + r })}`,
    `L${at({ x: x + w, y: y + h - r })} ${arc(r, { x: x + w - r, y: y + h })}`,
    `L${at({ x: x - w + r, y: y + h })} ${arc(r, { x: x - w, y: y + h - r })}`,
    `L${at({ x: x - w, y: y - h + r })} ${arc(r, { x: x - w + r, y: y - h })} Z`,
  ].join(' ');
}
