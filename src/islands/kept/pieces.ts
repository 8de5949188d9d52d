import { database, STRICT, type Piece } from './database';

/** What a piece is before it has its place. */
export type NewPiece = Omit<Piece, 'n'>;

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('antler.pieces');
const listeners = new Set<(about: string) => void>();
if (channel) channel.onmessage = ({ data }) => tell(String(data));

function tell(about: string): void {
  for (const listener of listeners) listener(about);
}
/** Says to every other window that the pieces about something are other than they were. */
const announce = (about: string): void => channel?.postMessage(about);

/** Hears when another window kept, changed or took out a piece; returns how to stop hearing. */
export function onPieces(listener: (about: string) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The pieces about something, in the order in which they were done, whatever window they were done in. */
export const piecesAbout = async (about: string): Promise<readonly Piece[]> =>
  (await (await database()).getAllFromIndex('pieces', 'about', about)).sort((a, b) => a.n - b.n);

/** What there are pieces about. */
export async function keptAbout(): Promise<readonly string[]> {
  const pieces = await (await database()).getAll('pieces');
  return [...new Set(pieces.map(({ about }) => about))];
}

/** Keeps pieces, in their order: resolves when they are on the disk. One that is kept already stays as it is. */
export async function keepPieces(pieces: readonly NewPiece[]): Promise<void> {
  const transaction = (await database()).transaction('pieces', 'readwrite', STRICT);
  for (const piece of pieces)
    if ((await transaction.store.index('id').getKey(piece.id)) === undefined)
      // The database gives it its place.
      await transaction.store.add(piece as Piece);
  await transaction.done;
  for (const about of new Set(pieces.map((each) => each.about))) announce(about);
}

/** Says of pieces what became of them. */
export async function markPieces(
  about: string,
  ids: readonly string[],
  state: Piece['state'],
  says: string | undefined,
): Promise<void> {
  const transaction = (await database()).transaction('pieces', 'readwrite', STRICT);
  for (const id of ids) {
    const piece = await transaction.store.index('id').get(id);
    if (!piece) continue;
    const { says: _, ...rest } = piece;
    await transaction.store.put({ ...rest, state, ...(says === undefined ? {} : { says }) });
  }
  await transaction.done;
  announce(about);
}

/** Takes pieces out: the server has them, or the builder has seen that it refused them. */
export async function dropPieces(about: string, ids: readonly string[]): Promise<void> {
  const transaction = (await database()).transaction('pieces', 'readwrite', STRICT);
  for (const id of ids) {
    const key = await transaction.store.index('id').getKey(id);
    if (key !== undefined) await transaction.store.delete(key);
  }
  await transaction.done;
  announce(about);
}
