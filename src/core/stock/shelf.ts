import { number, object, string } from 'yup';
import { instant, uuid, type Problem, type Shape } from '../quantity';

/** What lies on the shelf: by the metre, or in pieces. */
export const UNITS = ['mm', 'pieces'] as const;
/** What a piece of stock is. */
export const SORTS = ['reel', 'opened', 'offcut', 'bag', 'salvaged', 'lead'] as const;
/** What each is called. */
export const SORT_NAMES: Readonly<Record<(typeof SORTS)[number], string>> = {
  reel: 'whole reel',
  opened: 'opened reel',
  offcut: 'offcut',
  bag: 'bag',
  salvaged: 'salvaged',
  lead: 'whole lead',
};
/** How good what was used before still is. */
export const CONDITIONS = ['like new', 'worn', 'to be mended'] as const;

const MOST = 1e8;
/**
 * Something that happened to one piece of the shelf. `taken-in`: it came, so much of it. `cut`: so much was taken from it.
 * `used`: what was cut from it before went into a unit.
 * `scrapped`: so much was thrown away. `returned`: so much came back. `counted`: so much is really there. `parted`: so much of
 * its free end is a piece of its own now. `marked`: a stretch of it is bad, and nothing is cut across it; `sound`: none is.
 */
export const shelfEventSchema = object({
  id: uuid(),
  piece: uuid(),
  at: instant(),
  kind: string()
    .oneOf(
      [
        'taken-in',
        'cut',
        'used',
        'scrapped',
        'returned',
        'counted',
        'placed',
        'parted',
        'marked',
        'sound',
      ] as const,
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
  /** Of a bad stretch: from where to where, from the free end, mm. */
  fromMm: number().typeError('Give it in mm.').min(0, 'A stretch begins at 0 or later.').max(MOST),
  toMm: number().typeError('Give it in mm.').min(0).max(MOST),
  /** Which piece it is now that was parted from this one. */
  into: uuid().optional(),
  /** Of what was used before: how good it is, and in how many leads it was. */
  condition: string().oneOf(CONDITIONS),
  reused: number().integer('Count in whole numbers.').min(0).max(100),
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
  /** What was parted from it and is a piece of its own. */
  readonly parted: number;
  /** Bad stretches, the outermost first, from the free end, mm. */
  readonly bad: readonly Stretch[];
  readonly condition?: (typeof CONDITIONS)[number];
  /** In how many leads it was before. */
  readonly reused?: number;
}

/** From where to where of a piece, from its free end, mm. */
export interface Stretch {
  readonly fromMm: number;
  readonly toMm: number;
}

/** What an event cannot be, after those before it; undefined where it can. */
export function refusal(piece: ShelfPiece | undefined, event: ShelfEvent): Problem | undefined {
  const no = (says: string, path: string): Problem => ({ code: 'shelf.event', says, path });
  const has = !NO_AMOUNT.includes(event.kind);
  if (has && (event.amount ?? -1) < 0) return no('Say how much.', 'amount');
  if (has && event.kind !== 'counted' && event.amount === 0) return no('How much is more than 0.', 'amount');
  if (event.kind === 'taken-in') {
    if (piece) return no('This piece is on the shelf already: it comes once.', 'piece');
    for (const field of ['item', 'name', 'unit', 'sort'] as const)
      if (event[field] === undefined || event[field] === '') return no(`Say its ${field}.`, field);
    return undefined;
  }
  if (!piece) return no('There is no such piece on the shelf: take it in first.', 'piece');
  const isTaking = event.kind === 'cut' || event.kind === 'scrapped' || event.kind === 'parted';
  if (isTaking && (event.amount ?? 0) > piece.left)
    return no(
      `Only ${sayAmount(piece, piece.left)} of ${piece.name} are left: somebody took some, or it was counted.`,
      'amount',
    );
  const sound = soundMm(piece);
  if ((event.kind === 'cut' || event.kind === 'parted') && (event.amount ?? 0) > sound)
    return no(
      `A bad stretch of ${piece.name} begins ${sayAmount(piece, sound)} from its end: throw away what lies before it and it, then cut.`,
      'amount',
    );
  if (event.kind === 'parted' && event.into === undefined) return no('Say which piece it is now.', 'into');
  if (event.kind === 'marked') {
    const { fromMm, toMm } = event;
    if (piece.unit !== 'mm') return no('Only what is cut by length has a bad stretch.', 'fromMm');
    if (fromMm === undefined) return no('Say where the bad stretch begins.', 'fromMm');
    if (toMm === undefined || toMm <= fromMm) return no('A bad stretch ends behind where it begins.', 'toMm');
    if (toMm > piece.left)
      return no(`It ends behind the piece: ${sayAmount(piece, piece.left)} are left of it.`, 'toMm');
  }
  if (piece.unit === 'pieces' && event.amount !== undefined && !Number.isInteger(event.amount))
    return no('Pieces are counted in whole numbers.', 'amount');
  return undefined;
}

const NO_AMOUNT: readonly ShelfEvent['kind'][] = ['placed', 'marked', 'sound'];

/** How much of a piece can be cut off its free end before a bad stretch begins. */
export const soundMm = ({ left, bad }: Pick<ShelfPiece, 'left' | 'bad'>): number => bad[0]?.fromMm ?? left;

/** Bad stretches after so much of the free end is gone. */
const nearer = (bad: readonly Stretch[], gone: number): readonly Stretch[] =>
  bad.flatMap(({ fromMm, toMm }) =>
    toMm <= gone ? [] : [{ fromMm: Math.max(0, fromMm - gone), toMm: toMm - gone }],
  );
/** With one more, those that touch made one. */
const joined = (all: readonly Stretch[]): readonly Stretch[] =>
  [...all]
    .sort((a, b) => a.fromMm - b.fromMm)
    .reduce<readonly Stretch[]>((so, { fromMm, toMm }) => {
      const last = so.at(-1);
      return last && fromMm <= last.toMm
        ? [...so.slice(0, -1), { fromMm: last.fromMm, toMm: Math.max(last.toMm, toMm) }]
        : [...so, { fromMm, toMm }];
    }, []);

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
      parted: 0,
      bad: [],
      ...(event.condition === undefined ? {} : { condition: event.condition }),
      ...(event.reused === undefined ? {} : { reused: event.reused }),
    };
  switch (event.kind) {
    case 'cut':
      return {
        ...piece,
        left: piece.left - much,
        cut: piece.cut + much,
        bad: nearer(piece.bad, much),
        sort: piece.sort === 'reel' ? 'opened' : piece.sort,
      };
    case 'scrapped':
      return {
        ...piece,
        left: piece.left - much,
        scrapped: piece.scrapped + much,
        bad: nearer(piece.bad, much),
      };
    case 'parted':
      return {
        ...piece,
        left: piece.left - much,
        parted: piece.parted + much,
        bad: nearer(piece.bad, much),
        sort: piece.sort === 'reel' ? 'opened' : piece.sort,
      };
    case 'returned':
      return { ...piece, left: piece.left + much, returned: piece.returned + much };
    case 'counted':
      return {
        ...piece,
        left: much,
        corrected: piece.corrected + much - piece.left,
        bad: piece.bad.flatMap(({ fromMm, toMm }) =>
          fromMm < much ? [{ fromMm, toMm: Math.min(toMm, much) }] : [],
        ),
      };
    case 'marked':
      return { ...piece, bad: joined([...piece.bad, { fromMm: event.fromMm ?? 0, toMm: event.toMm ?? 0 }]) };
    case 'sound':
      return { ...piece, bad: [] };
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
