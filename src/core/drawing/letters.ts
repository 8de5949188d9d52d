import type { DrawnConductor, DrawnContact } from './drawn';
import type { Point } from './point';

export type Unlettered = Omit<DrawnConductor, 'letters'>;

/** How much room two letters take, mm. */
export const LETTERS = { width: 2.6, height: 1.7 } as const;
/** Where along a conductor they may stand, the best first; 0 is the jacket, 1 the contact. */
const ALONG = [
  0.5, 0.46, 0.54, 0.42, 0.58, 0.38, 0.62, 0.34, 0.66, 0.3, 0.7, 0.26, 0.74, 0.22, 0.78, 0.18, 0.82, 0.14,
] as const;

/** A point on a cubic curve. */
export function along([p0, p1, p2, p3]: DrawnConductor['curve'], t: number): Point {
  const u = 1 - t;
  const mix = (a: number, b: number, c: number, d: number): number =>
    u ** 3 * a + 3 * u * u * t * b + 3 * u * t * t * c + t ** 3 * d;
  return { x: mix(p0.x, p1.x, p2.x, p3.x), y: mix(p0.y, p1.y, p2.y, p3.y) };
}

const overlap = (a: Point, b: Point): boolean =>
  Math.abs(a.x - b.x) < LETTERS.width && Math.abs(a.y - b.y) < LETTERS.height;

/** How much letters are in the way of others, and of contacts, there; nothing at best. */
const inTheWay = (at: Point, placed: readonly Point[], contacts: readonly DrawnContact[]): number =>
  placed.filter((other) => overlap(at, other)).length * 10 +
  contacts.filter(({ x, y, radius }) => Math.hypot(at.x - x, at.y - y) < radius + 1).length;

/** Gives every core its letters a place on itself where they lie on no others, as far as there is one. */
export function lettered(
  conductors: readonly Unlettered[],
  contacts: readonly DrawnContact[],
): readonly DrawnConductor[] {
  const placed: Point[] = [];
  return conductors.map((conductor): DrawnConductor => {
    const places = ALONG.map((t) => along(conductor.curve, t));
    const best = places.reduce((found, each) =>
      inTheWay(each, placed, contacts) < inTheWay(found, placed, contacts) ? each : found,
    );
    // Where they would lie on others they are left out: the table says which it is.
    if (conductor.is !== 'core' || inTheWay(best, placed, []) > 0) return conductor;
    placed.push(best);
    return { ...conductor, letters: best };
  });
}
