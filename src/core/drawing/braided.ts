import type { ColourCode } from '../catalogue';
import type { Mark, Thing } from './marks';
import type { Paint } from './paint';
import { frameOf, type Picture } from './picture';
import type { Point } from './point';

/** A wire that is worked with others: its name, its colour, and how thick it is, mm. */
export interface Worked {
  readonly says: string;
  readonly colour: ColourCode;
  readonly mm: number;
}

/** Two wires that change places side by side: the one that goes over the other, and between which places, from the left. */
export interface Crossing {
  readonly over: number;
  readonly under: number;
  readonly left: number;
}

/**
 * The first crossings of a braid of three or a twist of two, by the numbers of the wires as they lie at the start, from the left. Of three
 * the left one goes over the middle, then the right one, by turns; of two each in its turn goes over the other.
 */
export function crossings(wires: 2 | 3, many: number): readonly Crossing[] {
  const lie = Array.from({ length: wires }, (_, n) => n);
  return Array.from({ length: many }, (_, n): Crossing => {
    // From the right it is the right one that goes over.
    const isRight = wires === 3 && n % 2 === 1;
    const left = isRight ? 1 : 0;
    const [one = 0, other = 0] = lie.slice(left, left + 2);
    [lie[left], lie[left + 1]] = [other, one];
    return isRight ? { over: other, under: one, left } : { over: one, under: other, left };
  });
}

/** So many crossings are drawn, and how much of the wires below lies loose; along the work a crossing takes so many wires, across they lie so far apart. */
const [MANY, LOOSE, LONG, APART] = [6, 1, 2, 1.5];
/** A wire has an edge of so much of it on both sides, so that what goes over is seen to. */
const EDGE = 0.16;

/**
 * The start of a braid or twist in the colours of its wires, gathered at the top: what goes over what. Undefined of other than two
 * or three wires. mm.
 */
export function braided(wires: readonly Worked[]): Picture | undefined {
  if (wires.length !== 2 && wires.length !== 3) return undefined;
  const mm = Math.max(...wires.map((each) => each.mm));
  const [step, apart] = [LONG * mm, APART * mm];
  const x = (place: number): number => (place - (wires.length - 1) / 2) * apart;
  /** One wire between two places, a crossing further down. */
  const piece = (wire: number, row: number, from: number, to: number): Thing => {
    const { says, colour, mm: thick } = wires[wire] as Worked;
    const [top, bottom] = [row * step, (row + 1) * step];
    const middle = (top + bottom) / 2;
    const points: readonly Point[] = [
      { x: x(from), y: top },
      { x: x(from), y: middle },
      { x: x(to), y: middle },
      { x: x(to), y: bottom },
    ];
    const stroke = (paint: Paint, wide: number): Mark => ({
      is: 'curve',
      points,
      stroke: paint,
      thick: wide,
    });
    const inside = thick * (1 - 2 * EDGE);
    // Where it goes on from the piece above there is no edge across it.
    const on: Mark = {
      is: 'line',
      points: [
        { x: x(from), y: top - thick / 2 },
        { x: x(from), y: top },
      ],
      stroke: colour,
      thick: inside,
    };
    return {
      key: `${says} ${row}`,
      is: 'core',
      says,
      terminals: [],
      joints: [],
      marks: [stroke('outline', thick), stroke(colour, inside), ...(row > 0 ? [on] : [])],
    };
  };
  const lie = wires.map((_, n) => n);
  const things: Thing[] = [];
  for (const [row, { over, under, left }] of crossings(wires.length, MANY).entries()) {
    const [one, other] = [left, left + 1];
    const isFromLeft = lie[left] === over;
    for (const [place, wire] of lie.entries())
      if (wire !== over && wire !== under) things.push(piece(wire, row, place, place));
    things.push(
      piece(under, row, isFromLeft ? other : one, isFromLeft ? one : other),
      piece(over, row, isFromLeft ? one : other, isFromLeft ? other : one),
    );
    [lie[one], lie[other]] = [lie[other] ?? 0, lie[one] ?? 0];
  }
  for (const [place, wire] of lie.entries())
    for (let row = MANY; row < MANY + LOOSE; row++) things.push(piece(wire, row, place, place));
  const gathered: Thing = {
    key: 'gathered',
    is: 'dressing',
    says: 'gathered',
    terminals: [],
    joints: [],
    marks: [
      {
        is: 'box',
        at: { x: 0, y: -0.2 * step },
        width: (wires.length - 1) * apart + 1.6 * mm,
        height: 0.7 * step,
        round: 0.3 * mm,
        fill: 'dark',
        stroke: 'outline',
        thick: 0.12 * mm,
      },
    ],
  };
  const all = [...things, gathered];
  return { things: all, labels: [], frame: frameOf(all, []) };
}

/** The same in words. */
export const sayBraided = (wires: readonly Worked[]): string =>
  wires.length === 2
    ? `${wires.map(({ says }) => says).join(' and ')}, gathered at the top and twisted, each in its turn over the other.`
    : `${wires.map(({ says }) => says).join(', ')}, from the left, gathered at the top: the left one over the middle, then the right one over the middle, by turns.`;
