import { connectorOf, type Assembly, type Body, type End, type Part } from '../assembly';

/** What is screwed into a wall: its hole, and the room that it takes on both sides of it. mm, nominal: measure yours. */
export interface Mounted {
  readonly id: string;
  /** In words: “6.35 mm TRS panel socket”. */
  readonly says: string;
  readonly holeMm: number;
  /** Across its nut or flange, outside. */
  readonly frontMm: number;
  /** Behind the wall: how wide, and how deep with its lugs. */
  readonly behind: { readonly wideMm: number; readonly deepMm: number };
  /** A nub that keeps it from turning: how far from the middle, and the hole that it takes. */
  readonly nub?: { readonly fromMm: number; readonly holeMm: number };
}

/** A nut is so much wider than the hole; a flange of an XLR is 26 × 31 mm (from memory). */
const NUT_MM = 5;
const [FLANGE_FROM_MM, FLANGE_MM] = [20, 31];
/** Lugs with a joint on them stand out of a socket so far behind its body, mm (common practice). */
const LUGS_MM = 6;
/** A control of the usual 16 mm kind, one gang and each more (from memory). */
const CONTROL = {
  holeMm: 7,
  frontMm: 12,
  wideMm: 17,
  deepMm: 12,
  gangMm: 8,
  nub: { fromMm: 7.8, holeMm: 3 },
};

/** A socket of a box; undefined where its hole is not known. */
export function socketAt(assembly: Assembly, end: End): Mounted | undefined {
  const connector = connectorOf(assembly, end);
  const { holeMm, outline = [] } = connector ?? {};
  if (!connector || holeMm === undefined) return undefined;
  // What does not go through its hole stands before the wall.
  const [front] = outline;
  const inside = front && front.from > holeMm ? outline.slice(1) : outline;
  return {
    id: end.id,
    says: connector.name,
    holeMm,
    frontMm: holeMm >= FLANGE_FROM_MM ? FLANGE_MM : holeMm + NUT_MM,
    behind: {
      wideMm: Math.max(holeMm, ...inside.map(({ from, to }) => Math.max(from, to))),
      deepMm: inside.reduce((sum, { length }) => sum + length, 0) + LUGS_MM,
    },
  };
}

type Control = Extract<Part, { readonly kind: 'potentiometer' }>;

/** The controls of a box, as they are screwed into its front. */
export const controlsOf = ({ parts }: Body): readonly Mounted[] =>
  parts
    .filter((part): part is Control => part.kind === 'potentiometer')
    .map(({ id, gangs = [''] }) => ({
      id,
      says: `control of ${gangs.length} ${gangs.length === 1 ? 'gang' : 'gangs'}`,
      holeMm: CONTROL.holeMm,
      frontMm: CONTROL.frontMm,
      behind: { wideMm: CONTROL.wideMm, deepMm: CONTROL.deepMm + CONTROL.gangMm * (gangs.length - 1) },
      nub: CONTROL.nub,
    }));
