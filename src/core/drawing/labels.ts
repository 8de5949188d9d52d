import type { ColourCode } from '../catalogue';
import type { Terminal } from '../assembly';
import type { Frame } from './marks';
import type { Point } from './point';

/** What is written in a picture. */
export interface Label {
  readonly key: string;
  readonly text: string;
  readonly is: 'contact' | 'letters' | 'part' | 'order' | 'plus';
  /** Its middle, and how high its letters are set (the size of its type), mm. */
  readonly at: Point;
  readonly size: number;
  /** The terminals of what it is written on. */
  readonly terminals: readonly Terminal[];
  /** The insulation that it stands on. */
  readonly on?: ColourCode;
  /** From the label to what it is of, where it does not stand there. */
  readonly leader?: readonly [Point, Point];
}

/** A label that is to be placed: where it may stand, the best first; what it is of is at its anchor. */
export interface Wish extends Omit<Label, 'at' | 'leader'> {
  readonly anchor: Point;
  readonly candidates: readonly Point[];
}

/** Something that a label had better not hide: a spot of it. */
export interface Spot extends Point {
  readonly r: number;
  /** What it is a spot of. */
  readonly of: string;
}

/** How wide letters are beside how high they are set: capitals, figures, and the wide ones. */
const WIDTHS = { wide: 0.95, capital: 0.72, figure: 0.64, small: 0.6, narrow: 0.36 } as const;
const widthOf = (letter: string): number =>
  /[WM@]/.test(letter)
    ? WIDTHS.wide
    : /[A-Z+−?]/.test(letter)
      ? WIDTHS.capital
      : /[0-9]/.test(letter)
        ? WIDTHS.figure
        : /[ .,:|iljI'-]/.test(letter)
          ? WIDTHS.narrow
          : WIDTHS.small;
/** The box of a label beside the size of its type: a little more than its letters. */
const [BOX_HEIGHT, BOX_SIDES] = [1.16, 0.5];

/** How much room a label takes, mm. */
export const roomOf = ({ text, size }: Pick<Label, 'text' | 'size'>): Point => ({
  x: size * ([...text].reduce((sum, letter) => sum + widthOf(letter), 0) + BOX_SIDES),
  y: size * BOX_HEIGHT,
});

/** The rectangle that a label covers. */
export function boxOf(label: Pick<Label, 'text' | 'size' | 'at'>): Frame {
  const { x, y } = roomOf(label);
  return { x: label.at.x - x / 2, y: label.at.y - y / 2, width: x, height: y };
}

const overlaps = (a: Frame, b: Frame): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

const isOn = ({ x, y, r }: Spot, box: Frame): boolean =>
  x > box.x - r && x < box.x + box.width + r && y > box.y - r && y < box.y + box.height + r;

/** Letters on a core may hide so many spots of its neighbours, which are seen again beside them. */
const MOST_HIDDEN = 9;
/** How wide a square is in which spots are looked up together, mm. */
const SQUARE = 4;
const squareOf = (value: number): number => Math.floor(value / SQUARE);

/** Spots by the square that they are in. */
function mapOf(spots: readonly Spot[]): (box: Frame) => readonly Spot[] {
  const squares = new Map<string, Spot[]>();
  let largest = 0;
  for (const spot of spots) {
    const key = `${squareOf(spot.x)} ${squareOf(spot.y)}`;
    largest = Math.max(largest, spot.r);
    const there = squares.get(key);
    if (there) there.push(spot);
    else squares.set(key, [spot]);
  }
  return ({ x, y, width, height }) => {
    const found: Spot[] = [];
    for (let i = squareOf(x - largest); i <= squareOf(x + width + largest); i++)
      for (let k = squareOf(y - largest); k <= squareOf(y + height + largest); k++)
        found.push(...(squares.get(`${i} ${k}`) ?? []));
    return found;
  };
}

/** Where else a label is tried: ever farther from what it is of, all round. */
const AWAY = [
  2.5,
  4,
  5.5,
  7,
  9,
  11,
  13,
  16,
  19,
  22,
  26,
  30,
  36,
  42,
  // Of a cable with a hundred cores in one plug, so far that there is room.
  ...Array.from({ length: 40 }, (_, n) => 50 + 8 * n),
];
const ROUND = Array.from({ length: 24 }, (_, n) => (n * Math.PI) / 12);

/** Where a leader leaves a label: at the edge of its box, toward what it is of. */
function edgeOf(box: Frame, anchor: Point): Point {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const [dx, dy] = [anchor.x - middle.x, anchor.y - middle.y];
  const share = Math.min(
    dx === 0 ? Infinity : box.width / 2 / Math.abs(dx),
    dy === 0 ? Infinity : box.height / 2 / Math.abs(dy),
    1,
  );
  return { x: middle.x + dx * share, y: middle.y + dy * share };
}

/**
 * Gives every label a place, in the order given: where it is wished for if nothing is hidden there, else where least is; beside
 * it on a leader where it would lie on another label. No two labels overlap.
 */
export function placed(wishes: readonly Wish[], spots: readonly Spot[]): readonly Label[] {
  const taken: Frame[] = [];
  const near = mapOf(spots);
  return wishes.map(({ anchor, candidates, ...label }): Label => {
    const room = roomOf(label);
    const boxAt = ({ x, y }: Point): Frame => ({
      x: x - room.x / 2,
      y: y - room.y / 2,
      width: room.x,
      height: room.y,
    });
    const isFree = (box: Frame): boolean => !taken.some((other) => overlaps(box, other));
    const hides = (box: Frame): number =>
      near(box).reduce((sum, spot) => sum + (spot.of !== label.key && isOn(spot, box) ? 1 : 0), 0);
    let best: { readonly at: Point; readonly hidden: number; readonly isNear: boolean } | undefined;
    const tryAt = (at: Point, isNear: boolean): void => {
      const box = boxAt(at);
      if (!isFree(box)) return;
      const hidden = hides(box);
      if (!best || hidden < best.hidden) best = { at, hidden, isNear };
    };
    for (const at of candidates) {
      tryAt(at, true);
      if (best?.hidden === 0) break;
    }
    // Letters stand on their core even where they hide a little of another; a name goes where it hides nothing.
    const enough = label.is === 'letters' ? MOST_HIDDEN : 0;
    if (!best || best.hidden > enough)
      for (const far of AWAY) {
        for (const angle of ROUND)
          tryAt({ x: anchor.x + far * Math.cos(angle), y: anchor.y + far * Math.sin(angle) }, false);
        if (best && best.hidden <= enough) break;
      }
    const { at, isNear } = best ?? { at: anchor, isNear: true };
    const box = boxAt(at);
    taken.push(box);
    return { ...label, at, ...(isNear ? {} : { leader: [edgeOf(box, anchor), anchor] as const }) };
  });
}
