import { frameRound } from './marks';
import { movePicture, type Picture } from './picture';
import type { Point } from './point';

/** Between two cables that face each other, mm: their length stands there. */
const BETWEEN = 6;

/**
 * Two ends of one cable facing each other in one picture, the left one as it is and the other beside it on the same middle;
 * with where the middle of each lies, and of what is between.
 */
export function facing(
  left: Picture,
  right: Picture,
): { readonly picture: Picture; readonly middles: readonly [Point, Point]; readonly between: Point } {
  const by = left.frame.x + left.frame.width + BETWEEN - right.frame.x;
  const moved = movePicture(right, { x: by, y: 0 });
  const frame = frameRound([left.frame, moved.frame]);
  return {
    picture: {
      things: [...left.things, ...moved.things],
      labels: [...left.labels, ...moved.labels],
      frame,
    },
    middles: [
      { x: 0, y: 0 },
      { x: by, y: 0 },
    ],
    between: { x: left.frame.x + left.frame.width + BETWEEN / 2, y: 0 },
  };
}
