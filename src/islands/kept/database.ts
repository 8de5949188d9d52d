import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** One piece of work that the server has not acknowledged: written once, taken out when the server has it. */
export interface Piece {
  /** Its place among all that was done in this browser, in whatever window. */
  readonly n: number;
  /** The id under which it is sent. */
  readonly id: string;
  /** What it is about: `unit:<id>`. */
  readonly about: string;
  readonly body: unknown;
  /** Held: not sent again until someone acts. Refused: the server will never take it. */
  readonly state: 'waiting' | 'held' | 'refused';
  /** Why it is held or refused. */
  readonly says?: string;
}

/** Something half done in one window: typed, or changed and not sent. */
export interface StoredDraft {
  readonly about: string;
  readonly window: string;
  readonly value: unknown;
  /** When it was last changed, by this browser's clock, ms. */
  readonly at: number;
}

interface Kept extends DBSchema {
  pieces: { key: number; value: Piece; indexes: { about: string; id: string } };
  drafts: { key: [string, string]; value: StoredDraft; indexes: { about: string } };
}

let opened: Promise<IDBPDatabase<Kept>> | undefined;

/** This browser's own database. Rejects where the browser has none, or will not give it. */
export function database(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>('antler', 1, {
    upgrade(db) {
      const pieces = db.createObjectStore('pieces', { keyPath: 'n', autoIncrement: true });
      pieces.createIndex('about', 'about');
      pieces.createIndex('id', 'id', { unique: true });
      db.createObjectStore('drafts', { keyPath: ['about', 'window'] }).createIndex('about', 'about');
    },
    blocking: () => forget(),
    terminated: () => forget(),
  }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}
function forget(): void {
  void opened?.then((db) => db.close()).catch(() => undefined);
  opened = undefined;
}

/** Written through to the disk before it counts as done. */
export const STRICT = { durability: 'strict' } as const;
