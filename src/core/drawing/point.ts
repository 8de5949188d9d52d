/** A place in a drawing, mm: x to the right, y upward. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
