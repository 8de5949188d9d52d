import type { Point } from './point';

/** A cubic curve: where it starts, two points that it is drawn toward, where it ends. */
export type Curve = readonly [Point, Point, Point, Point];

/** A point on a cubic curve; 0 is its start, 1 its end. */
export function along([p0, p1, p2, p3]: Curve, t: number): Point {
  const u = 1 - t;
  const mix = (a: number, b: number, c: number, d: number): number =>
    u ** 3 * a + 3 * u * u * t * b + 3 * u * t * t * c + t ** 3 * d;
  return { x: mix(p0.x, p1.x, p2.x, p3.x), y: mix(p0.y, p1.y, p2.y, p3.y) };
}

const between = (a: Point, b: Point, t: number): Point => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});

/** A curve cut in two at t (de Casteljau). */
export function cutAt([p0, p1, p2, p3]: Curve, t: number): readonly [Curve, Curve] {
  const [a, b, c] = [between(p0, p1, t), between(p1, p2, t), between(p2, p3, t)];
  const [d, e] = [between(a, b, t), between(b, c, t)];
  const f = between(d, e, t);
  return [
    [p0, a, d, f],
    [f, e, c, p3],
  ];
}

const STEPS = 24;

/** How far from its end a curve has so much of its length left, as t. */
export function beforeEnd(curve: Curve, mm: number): number {
  let left = mm;
  let last = along(curve, 1);
  for (let n = STEPS - 1; n >= 0; n--) {
    const here = along(curve, n / STEPS);
    left -= Math.hypot(here.x - last.x, here.y - last.y);
    if (left <= 0) return n / STEPS;
    last = here;
  }
  return 0;
}
