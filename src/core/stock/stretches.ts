import type { CutPiece, CutProblem } from './document';
import type { ShelfEvent, ShelfPiece, Stretch } from './shelf';

/** The sound stretches of a piece, the outermost first: what lies between its free end, its bad stretches and its other end. */
export function soundStretches({ left, bad }: Pick<ShelfPiece, 'left' | 'bad'>): readonly Stretch[] {
  const starts = [0, ...bad.map(({ toMm }) => toMm)];
  const ends = [...bad.map(({ fromMm }) => fromMm), left];
  return starts.flatMap((fromMm, n) => {
    const toMm = ends[n] ?? left;
    return toMm > fromMm ? [{ fromMm, toMm }] : [];
  });
}

/** What a stretch is called in a plan: its piece, and for inner ones how far it ends from the piece’s inner end, which stays, to 0.01 mm: what was cut in feet is no round number. */
const nameOf = ({ id, left }: ShelfPiece, { fromMm, toMm }: Stretch): string =>
  fromMm === 0 ? id : `${id}@${Math.round((left - toMm) * 100) / 100}`;

/** The stretch of a piece, as it lies there now, that a plan cuts from; undefined where there is none such any more. */
export const stretchOf = (piece: ShelfPiece, stock: string): Stretch | undefined =>
  soundStretches(piece).find((each) => nameOf(piece, each) === stock);

/** The piece of the shelf that a plan cuts from. */
export const pieceOfStock = (stock: string): string => stock.split('@')[0] ?? stock;

/** What there is to cut one item from, as a cutting plan takes it: of a piece with bad stretches each sound one by itself. */
export const stockOf = (pieces: readonly ShelfPiece[], item: string): CutProblem['stock'] =>
  pieces.flatMap((piece) =>
    piece.item === item && piece.unit === 'mm'
      ? soundStretches(piece).map((stretch) => ({
          id: nameOf(piece, stretch),
          mm: stretch.toMm - stretch.fromMm,
          kind: piece.sort === 'reel' || piece.sort === 'offcut' ? piece.sort : ('opened' as const),
        }))
      : [],
  );

/** The house’s rules of cutting, mm. */
export interface CutRules {
  /** What each cut costs beside its length. */
  readonly kerfMm: number;
  /** A shorter rest is thrown away. */
  readonly leastOffcutMm: number;
}

/** What is cut off a piece, each for what it is. */
export interface CutOff {
  readonly mm: number;
  readonly what: string;
  readonly lead: string;
  readonly span: string;
}

/** So many things happen to one piece of a plan at the most. */
const MOST_OF_PIECE = 0x10000;

/**
 * The id of the nth thing that happens to a piece of a plan, from the plan’s own number: whoever cuts it, and however often it
 * is sent, it happens once.
 *
 * @param seed a UUID
 */
export const cutId = (seed: string, piece: number, n: number): string =>
  `${seed.slice(0, 24)}${(piece * MOST_OF_PIECE + n).toString(16).padStart(12, '0')}`;

/** The pieces that are parted from one have ids of their own, behind those of what happens to it. */
const PARTED = 0x8000;

/**
 * What happens to a piece of the shelf when it is cut by its part of a plan: what lies outside the stretch is taken off first,
 * kept as an offcut where it is long enough; then the cuts, what the saw takes, and a rest that is too short to keep.
 *
 * @param id gives the id of each thing that happens, by its place, the same whenever it is asked
 */
export function cutFrom(
  piece: ShelfPiece,
  stock: CutPiece['stock'],
  cuts: readonly CutOff[],
  { kerfMm, leastOffcutMm }: CutRules,
  id: (n: number) => string,
): readonly Omit<ShelfEvent, 'at'>[] {
  const events: Omit<ShelfEvent, 'at'>[] = [];
  const put = (event: Omit<ShelfEvent, 'at' | 'id'>): void =>
    void events.push({ ...event, id: id(events.length) });
  const scrap = (amount: number, what: string): void => {
    if (amount > 0) put({ piece: piece.id, kind: 'scrapped', amount, what });
  };
  const stretch = stretchOf(piece, stock);
  if (!stretch) return [];
  let gone = 0;
  for (const outer of soundStretches(piece).filter(({ toMm }) => toMm <= stretch.fromMm)) {
    scrap(outer.fromMm - gone, 'a bad stretch');
    const long = outer.toMm - outer.fromMm;
    if (long < leastOffcutMm) scrap(long, 'too short to keep');
    else {
      const into = id(PARTED + events.length);
      put({ piece: piece.id, kind: 'parted', amount: long, into });
      put({
        piece: into,
        kind: 'taken-in',
        amount: long,
        item: piece.item,
        name: piece.name,
        unit: 'mm',
        sort: 'offcut',
        place: piece.place,
      });
    }
    gone = outer.toMm;
  }
  scrap(stretch.fromMm - gone, 'a bad stretch');
  for (const { mm, what, lead, span } of cuts)
    put({ piece: piece.id, kind: 'cut', amount: mm, what: what.slice(0, 200), lead, span });
  const used = cuts.reduce((sum, { mm }) => sum + mm, 0);
  const has = stretch.toMm - stretch.fromMm;
  // The last of them may fall off its end.
  const lost = Math.min(kerfMm * cuts.length, has - used);
  scrap(lost, 'what the cuts took');
  const rest = has - used - lost;
  if (stretch.toMm === piece.left && rest < leastOffcutMm) scrap(rest, 'too short to keep');
  return events;
}
