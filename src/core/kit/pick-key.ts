import type { KitLine } from './lines';

/** A line as it is picked: another count, length or bore is another thing to pick. */
export const pickKey = ({ what, count, mm }: KitLine): string =>
  `${count} × ${what}${mm === undefined ? '' : `, ${Math.round(mm)} mm`}`.slice(0, 400);
