import { after, soundMm, type ShelfEvent, type ShelfPiece } from './shelf';

/** Something that a unit takes: pieces of an item, so much of a length wherever it is cut from, or one cut of a cable. */
export interface Need {
  readonly item: string;
  readonly unit: ShelfPiece['unit'];
  readonly much: number;
  /** Of a cut: the span of the lead that it is for; it comes in one piece. */
  readonly span?: string | undefined;
}

/** What is taken for a unit, in the order in which it is recorded, and what the shelf has not. */
export interface Taken {
  readonly events: readonly Omit<ShelfEvent, 'id' | 'at'>[];
  readonly missing: readonly Need[];
}

/** A cut that lies ready for a lead: it was cut for it, and no unit has used it. */
export interface Ready {
  readonly piece: string;
  readonly span: string;
  readonly mm: number;
}

/** The cuts that lie ready for a lead, by what happened to the shelf. */
export function readyFor(events: readonly ShelfEvent[], lead: string): readonly Ready[] {
  const ready: Ready[] = [];
  for (const { kind, piece, span, amount = 0, lead: of, for: unit } of events) {
    if (of !== lead || span === undefined) continue;
    if (kind === 'cut' && unit === undefined) ready.push({ piece, span, mm: amount });
    if (kind === 'used') {
      const at = ready.findIndex(
        (each) => each.piece === piece && each.span === span && Math.abs(each.mm - amount) < 0.5,
      );
      if (at >= 0) ready.splice(at, 1);
    }
  }
  return ready;
}

/** Whether a cut that lies ready serves for this one: of the same span, and as long. */
const serves = (lying: Ready, { span, mm }: Omit<Ready, 'piece'>): boolean =>
  lying.span === span && lying.mm >= mm - 0.5;

/** How many of those that lie ready serve for this cut. */
export const lyingFor = (ready: readonly Ready[], cut: Omit<Ready, 'piece'>): number =>
  ready.filter((lying) => serves(lying, cut)).length;

const ORDER: Readonly<Record<ShelfPiece['sort'], number>> = {
  offcut: 0,
  opened: 1,
  bag: 1,
  reel: 2,
  salvaged: 3,
  lead: 3,
};
/** What was used before, and what is a lead, is taken by hand and by nobody else. */
export const isTaken = ({ sort }: Pick<ShelfPiece, 'sort'>): boolean =>
  sort !== 'salvaged' && sort !== 'lead';
/** What is begun is finished first: offcuts before opened reels before new ones, of each kind the smallest. */
const begunFirst = (a: ShelfPiece, b: ShelfPiece): number =>
  ORDER[a.sort] - ORDER[b.sort] || a.left - b.left || (a.id < b.id ? -1 : 1);

/**
 * Takes what a unit needs from the shelf: a cut that lies ready for its lead before a new one, an offcut before a reel, the
 * smallest bag first. What an item is not there for is missing, and nothing else is held up by it.
 *
 *     takeFor([{ item: 'xlr3-plug', unit: 'pieces', much: 1 }], pieces, [], { lead, unit }).missing; // → []
 */
export function takeFor(
  needs: readonly Need[],
  pieces: readonly ShelfPiece[],
  ready: readonly Ready[],
  {
    lead,
    unit,
    what,
    kerfMm = 0,
  }: {
    readonly lead: string;
    readonly unit: string;
    readonly what: string;
    /** What each cut takes besides, mm. */
    readonly kerfMm?: number;
  },
): Taken {
  const left = new Map(pieces.map((piece) => [piece.id, piece]));
  const lying = [...ready];
  const events: Omit<ShelfEvent, 'id' | 'at'>[] = [];
  const missing: Need[] = [];
  const off = (piece: ShelfPiece, amount: number, span?: string): void => {
    const event = {
      piece: piece.id,
      kind: 'cut' as const,
      amount,
      what,
      lead,
      for: unit,
      ...(span === undefined ? {} : { span }),
    };
    const rest = after(piece, { ...event, id: '', at: '' });
    left.set(piece.id, rest);
    events.push(event);
    // The last of it may fall off its end.
    const lost = span === undefined ? 0 : Math.min(kerfMm, rest.left);
    if (lost <= 0) return;
    const gone = { piece: piece.id, kind: 'scrapped' as const, amount: lost, what: 'what the cuts took' };
    left.set(piece.id, after(rest, { ...gone, id: '', at: '' }));
    events.push(gone);
  };
  const there = ({ item, unit: by }: Need): readonly ShelfPiece[] =>
    [...left.values()]
      .filter((piece) => piece.item === item && piece.unit === by && soundMm(piece) > 0 && isTaken(piece))
      .sort(begunFirst);
  for (const need of needs) {
    const { span, much } = need;
    if (span !== undefined) {
      const at = lying.findIndex((each) => serves(each, { span, mm: much }));
      const [found] = at < 0 ? [] : lying.splice(at, 1);
      const from = there(need).find((piece) => soundMm(piece) >= much);
      if (found)
        events.push({ piece: found.piece, kind: 'used', amount: found.mm, what, lead, span, for: unit });
      else if (from) off(from, much, span);
      else missing.push(need);
      continue;
    }
    let wanted = much;
    for (const piece of there(need)) {
      if (wanted <= 0) break;
      const amount = Math.min(wanted, soundMm(piece));
      off(piece, amount);
      wanted -= amount;
    }
    if (wanted > 0) missing.push({ ...need, much: wanted });
  }
  return { events, missing };
}

/**
 * The shelf without what these needs would take of it, in their order, and what each of their cuts takes besides: what is left
 * for others while it is held.
 *
 *     withoutHeld(pieces, needs).reduce((sum, { left }) => sum + left, 0); // so much may be taken by anybody
 */
export function withoutHeld(
  pieces: readonly ShelfPiece[],
  needs: readonly Need[],
  kerfMm = 0,
): readonly ShelfPiece[] {
  if (needs.length === 0) return pieces;
  const { events } = takeFor(needs, pieces, [], { lead: '', unit: '', what: '', kerfMm });
  const left = new Map(pieces.map((piece) => [piece.id, piece]));
  for (const event of events)
    left.set(event.piece, after(left.get(event.piece), { ...event, id: '', at: '' }));
  return [...left.values()];
}
