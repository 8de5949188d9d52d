import { number, object, string } from 'yup';
import { instant, uuid, type Problem, type Shape } from '../quantity';

/** What lies on the shelf: by the metre, or in pieces. */
export const UNITS = ['mm', 'pieces'] as const;
/** What a piece of stock is. */
export const SORTS = ['reel', 'opened', 'offcut', 'bag'] as const;

const MOST = 1e8;
/**
 * Something that happened to one piece of the shelf. `taken-in`: it came, so much of it. `cut`: so much was taken from it.
 * `used`: what was cut from it before went into a unit.
 * `scrapped`: so much was thrown away. `returned`: so much came back. `counted`: so much is really there.
 */
export const shelfEventSchema = object({
  id: uuid(),
  piece: uuid(),
  at: instant(),
  kind: string()
    .oneOf(
      ['taken-in', 'cut', 'used', 'scrapped', 'returned', 'counted', 'placed'] as const,
      'It is not known what happened.',
    )
    .required('Say what happened.'),
  /** In mm or pieces; of a place none. */
  amount: number()
    .typeError('Give how much as a number.')
    .min(0, 'How much is 0 or more.')
    .max(MOST, 'That is more than any shelf holds: check the unit.'),
  /** For what it was cut, scrapped or counted otherwise. */
  what: string().max(200),
  /** What it is, where it came: the item of a kit. */
  item: string().max(120),
  name: string().max(120),
  unit: string().oneOf(UNITS),
  sort: string().oneOf(SORTS),
  place: string().max(80),
  /** Of what was cut for a lead: which, for which span of it, and for which unit where one has it. */
  lead: uuid().optional(),
  span: string().max(40),
  for: uuid().optional(),
}).noUnknown();
export type ShelfEvent = Shape<typeof shelfEventSchema>;

/** One piece of the shelf, as its events have left it. */
export interface ShelfPiece {
  readonly id: string;
  readonly item: string;
  readonly name: string;
  readonly unit: (typeof UNITS)[number];
  /** What it was, and is: a reel that was cut into is opened. */
  readonly sort: (typeof SORTS)[number];
  readonly place: string;
  readonly left: number;
  readonly in: number;
  readonly cut: number;
  readonly scrapped: number;
  readonly returned: number;
  /** What counting found more, or less. */
  readonly corrected: number;
}

/** What an event cannot be, after those before it; undefined where it can. */
export function refusal(piece: ShelfPiece | undefined, event: ShelfEvent): Problem | undefined {
  const no = (says: string, path: string): Problem => ({ code: 'shelf.event', says, path });
  if (event.kind !== 'placed' && (event.amount ?? -1) < 0) return no('Say how much.', 'amount');
  if (event.kind !== 'placed' && event.kind !== 'counted' && event.amount === 0)
    return no('How much is more than 0.', 'amount');
  if (event.kind === 'taken-in') {
    if (piece) return no('This piece is on the shelf already: it comes once.', 'piece');
    for (const field of ['item', 'name', 'unit', 'sort'] as const)
      if (event[field] === undefined || event[field] === '') return no(`Say its ${field}.`, field);
    return undefined;
  }
  if (!piece) return no('There is no such piece on the shelf: take it in first.', 'piece');
  const isTaking = event.kind === 'cut' || event.kind === 'scrapped';
  if (isTaking && (event.amount ?? 0) > piece.left)
    return no(
      `Only ${sayAmount(piece, piece.left)} of ${piece.name} are left: somebody took some, or it was counted.`,
      'amount',
    );
  if (piece.unit === 'pieces' && event.amount !== undefined && !Number.isInteger(event.amount))
    return no('Pieces are counted in whole numbers.', 'amount');
  return undefined;
}

/** How much of it, in words: “5.97 m”, or a count. */
export const sayAmount = ({ unit }: Pick<ShelfPiece, 'unit'>, much: number): string =>
  unit === 'mm' ? `${(much / 1000).toFixed(2)} m` : `${much}`;

/** A piece after one more event that it can have. */
export function after(piece: ShelfPiece | undefined, event: ShelfEvent): ShelfPiece {
  const much = event.amount ?? 0;
  if (!piece)
    return {
      id: event.piece,
      item: event.item ?? '',
      name: event.name ?? '',
      unit: event.unit ?? 'pieces',
      sort: event.sort ?? 'bag',
      place: event.place ?? '',
      left: much,
      in: much,
      cut: 0,
      scrapped: 0,
      returned: 0,
      corrected: 0,
    };
  switch (event.kind) {
    case 'cut':
      return {
        ...piece,
        left: piece.left - much,
        cut: piece.cut + much,
        sort: piece.sort === 'reel' ? 'opened' : piece.sort,
      };
    case 'scrapped':
      return { ...piece, left: piece.left - much, scrapped: piece.scrapped + much };
    case 'returned':
      return { ...piece, left: piece.left + much, returned: piece.returned + much };
    case 'counted':
      return { ...piece, left: much, corrected: piece.corrected + much - piece.left };
    case 'placed':
      return { ...piece, place: event.place ?? '' };
    case 'used':
    case 'taken-in':
      return piece;
  }
}

/** The shelf as its events have left it, in the order in which they were recorded. */
export function shelfOf(events: readonly ShelfEvent[]): readonly ShelfPiece[] {
  const pieces = new Map<string, ShelfPiece>();
  for (const event of events) pieces.set(event.piece, after(pieces.get(event.piece), event));
  return [...pieces.values()];
}

/** What there is to cut one item from, as a cutting plan takes it. */
export const stockOf = (
  pieces: readonly ShelfPiece[],
  item: string,
): readonly { readonly id: string; readonly mm: number; readonly kind: 'reel' | 'opened' | 'offcut' }[] =>
  pieces.flatMap((piece) =>
    piece.item === item && piece.unit === 'mm' && piece.left > 0
      ? [{ id: piece.id, mm: piece.left, kind: piece.sort === 'bag' ? ('opened' as const) : piece.sort }]
      : [],
  );
