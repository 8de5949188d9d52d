import { statfs } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { createGzip } from 'node:zlib';
import { backupLines, plainLines } from '../backup';
import { connectAtLeisure } from '../db';

/** Where less is free a warning is given, bytes. */
const LITTLE = 500 * 1024 * 1024;

/** How much is free on the disks that keep the house. */
export interface Room {
  /** On the fullest of them, bytes; nothing where it cannot be told. */
  readonly freeBytes: number | null;
  readonly isLittle: boolean;
}

/** How much is free where these folders are. One that is not there tells nothing. */
export async function roomIn(folders: readonly string[]): Promise<Room> {
  const free = await Promise.all(
    folders.map((folder) =>
      statfs(folder).then(
        ({ bavail, bsize }) => bavail * bsize,
        () => undefined,
      ),
    ),
  );
  const known = free.flatMap((each) => each ?? []);
  const freeBytes = known.length > 0 ? Math.min(...known) : null;
  return { freeBytes, isLittle: freeBytes !== null && freeBytes < LITTLE };
}

/** Where the house is kept: told by whoever started the app. */
export const keptIn = (): readonly string[] =>
  ['ANTLER_DATA_DIR', 'ANTLER_CLUSTER'].flatMap((name) => process.env[name] ?? []);

/** Where less is free nothing more is recorded, bytes: a database that cannot write its log goes down, and with it all reading. */
const LEAST = 64 * 1024 * 1024;
const FRESH_MS = 1_000;
let looked = { at: -Infinity, isFull: false };

/** Whether there is no room for anything more. Looked at once a second at most. */
export async function isFull(): Promise<boolean> {
  const now = performance.now();
  if (now - looked.at > FRESH_MS) {
    looked = { ...looked, at: now };
    const { freeBytes } = await roomIn(keptIn());
    looked = { at: now, isFull: freeBytes !== null && freeBytes < LEAST };
  }
  return looked.isFull;
}

const WRITES = {
  backup: (lines: AsyncIterable<string>) => lines,
  plain: plainLines,
} as const;

/**
 * The whole house as a compressed file, as it is at this moment while people go on working: a backup that `npm run restore`
 * takes, or plain lines with their schemas. It has a connection of its own, with no limit on how long it may take.
 */
export function houseFile(
  kind: keyof typeof WRITES,
  databaseUrl: string,
  made: { readonly app: string; readonly at: string },
): Readable {
  const db = connectAtLeisure(databaseUrl);
  const file = Readable.from(WRITES[kind](backupLines(db, made), made)).on(
    'close',
    () => void db.destroy().catch(() => undefined),
  );
  const zipped = createGzip();
  file.on('error', (error) => zipped.destroy(error));
  zipped.on('close', () => file.destroy());
  return file.pipe(zipped);
}
