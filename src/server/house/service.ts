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
  const file = Readable.from(WRITES[kind](backupLines(db, made), made)).on('close', () => void db.destroy());
  const zipped = createGzip();
  file.on('error', (error) => zipped.destroy(error));
  zipped.on('close', () => file.destroy());
  return file.pipe(zipped);
}
