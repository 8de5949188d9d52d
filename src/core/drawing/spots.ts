import { along } from './curve';
import type { PeeledEnd } from './drawn';
import type { Spot } from './labels';
import type { Point } from './point';

/** How close along a core it is looked at. */
const SAMPLES = 24;

/** A few spots along a line. */
const row = (from: Point, to: Point, r: number, of: string): readonly Spot[] =>
  [0, 0.25, 0.5, 0.75, 1].map((t) => ({
    x: from.x + (to.x - from.x) * t,
    y: from.y + (to.y - from.y) * t,
    r,
    of,
  }));

/** What a label had better not hide. */
export const spotsOf = (end: PeeledEnd): readonly Spot[] => [
  ...end.contacts.flatMap(({ x, y, radius, terminal, takes }) => {
    const toward = end.inserts.find((each) => terminal.startsWith(`${each.end}.`))?.toward ?? 1;
    const reach = takes === 'tab' ? radius * 3 : takes === 'lug' ? radius * 3.5 : takes === 'pin' ? 9 : 0;
    return end.side === 'mating'
      ? []
      : row({ x, y }, { x: x - toward * reach, y }, radius * 0.8, `over ${terminal}`);
  }),
  ...end.inserts.flatMap(({ form, at, radius, toward, end: id }) =>
    form === 'side'
      ? row(
          { x: at.x - toward * (radius - 1.2), y: at.y - radius },
          { x: at.x - toward * (radius - 1.2), y: at.y + radius },
          1.4,
          `collar ${id}`,
        )
      : [],
  ),
  ...end.conductors.flatMap(({ curve, width, terminal }) =>
    Array.from({ length: SAMPLES }, (_, n) => ({
      ...along(curve, (n + 0.5) / SAMPLES),
      r: Math.min(width, 1.9) / 2,
      of: `letters ${terminal}`,
    })),
  ),
  ...end.parts.flatMap(({ at, length, width, part, legs }) => [
    ...Array.from({ length: 5 }, (_, n) => ({
      x: at.x + ((n - 2) / 5) * length,
      y: at.y,
      r: width / 2 - 0.2,
      of: `inside ${part}`,
    })),
    ...legs.flatMap(({ curve }) =>
      Array.from({ length: 8 }, (_, n) => ({ ...along(curve, n / 8), r: 0.3, of: `leg ${part}` })),
    ),
  ]),
  ...end.links.flatMap(({ curve, joint }) =>
    Array.from({ length: 12 }, (_, n) => ({ ...along(curve, (n + 0.5) / 12), r: 0.5, of: `link ${joint}` })),
  ),
  ...end.air.map(({ x, y, joint }) => ({ x, y, r: 1, of: `air ${joint}` })),
];
