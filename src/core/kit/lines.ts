import { COLOURS, type ColourCode } from '../catalogue';

/** One line of what to lay out before starting. */
export interface KitLine {
  readonly id: string;
  /** What it is on the shelf and in a price list, whatever its length here: the same wherever the same is taken. */
  readonly item: string;
  readonly what: string;
  /** What it is, without how long it is cut here; `what` where nothing is said. */
  readonly name?: string;
  readonly count: number;
  /** For cable, sleeve and shrink: how much, mm, for all of `count` together. */
  readonly mm?: number;
  readonly detail: string;
  /** It is what the builder has and brings to the work: nothing is taken from the shelf for it. */
  readonly owned?: boolean;
  /** The dressings that it is for. */
  readonly dressings?: readonly string[];
}

/** How many are made of one kit. */
export interface Many {
  /** How many, or how many pairs. */
  readonly count: number;
  /** As pairs, left and right, each with a ring of its colour at both ends. */
  readonly pairs?: boolean;
}

/** How many leads that is. */
export const unitsOf = ({ count, pairs }: Many): number => (pairs ? 2 * count : count);

/** Left is white and right is red, on rings as on phono plugs (CTA-863, from memory). */
const SIDES: readonly (readonly [string, ColourCode])[] = [
  ['left', 'WH'],
  ['right', 'RD'],
];

/** The lines of one lead for so many of it: a reel of solder is one, and pairs get rings that tell left from right at each of its ends. */
export const manyOf = (lines: readonly KitLine[], many: Many, ends: number): readonly KitLine[] => [
  ...lines.map((line) =>
    line.id === 'solder'
      ? line
      : {
          ...line,
          count: line.count * unitsOf(many),
          ...(line.mm === undefined ? {} : { mm: line.mm * unitsOf(many) }),
        },
  ),
  ...(many.pairs
    ? SIDES.map(([side, colour]) => ({
        id: `pair-ring-${side}`,
        item: `ring ${colour}`,
        what: `Marking ring, ${COLOURS[colour]}`,
        count: many.count * ends,
        detail: `${side}, at ${ends === 1 ? 'its end' : 'every end'}`,
      }))
    : []),
];
