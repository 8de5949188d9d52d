import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { isObject } from '../../core/quantity';
import { BACKUP_VERSION } from './write';

/** What a backup says of itself. */
export interface Manifest {
  readonly version: number;
  /** The last migration of the database that it is of. */
  readonly migration: string;
  readonly app: string;
  readonly at: string;
  readonly counts: Readonly<Record<string, number>>;
}

/** A backup that cannot be used, in a sentence. */
export class BadBackup extends Error {}

/** Every line of a backup, without its end. */
async function* linesOf(file: string): AsyncGenerator<string> {
  const unzipped = createGunzip();
  const reading = createReadStream(file);
  reading.on('error', (error) => unzipped.destroy(error));
  yield* createInterface({ input: reading.pipe(unzipped), crlfDelay: Infinity });
}

/** Writes lines to a file: beside its place first, on the disk and read back before it is put there. */
export async function writeBackup(file: string, lines: AsyncIterable<string>): Promise<Manifest> {
  const making = `${file}.making`;
  try {
    await pipeline(Readable.from(lines), createGzip(), createWriteStream(making, { mode: 0o600 }));
    const written = await open(making, 'r');
    await written.sync();
    await written.close();
    const manifest = await readManifest(making);
    await rename(making, file);
    return manifest;
  } catch (error) {
    const { code, syscall } = error as { code?: string; syscall?: string };
    if (syscall === undefined || code === undefined) throw error;
    throw new BadBackup(
      `${file} cannot be written (${code}): nothing was backed up. Make room or give leave, or name another place.`,
    );
  } finally {
    await rm(making, { force: true });
  }
}

/** One row of a backup. */
export interface Row {
  readonly table: string;
  /** As it stands in the file. */
  readonly json: string;
}

/** Every row of a backup whose manifest was read. */
export async function* rowsOf(file: string): AsyncGenerator<Row> {
  const begins = /^\{"table":("[^"]+"),"row":/;
  for await (const line of linesOf(file)) {
    const table = begins.exec(line);
    if (table) yield { table: JSON.parse(table[1] ?? '""') as string, json: line.slice(table[0].length, -1) };
  }
}

/**
 * Reads a whole backup and checks it: that it is one, not of a later version, whole, and with the checksum and the counts
 * that it says. Throws {@link BadBackup}.
 */
export async function readManifest(file: string): Promise<Manifest> {
  const hash = createHash('sha256');
  const counts: Record<string, number> = {};
  let first: Readonly<Record<string, unknown>> | undefined;
  let last: string | undefined;
  try {
    for await (const line of linesOf(file)) {
      if (last !== undefined) hash.update(last).update('\n');
      last = line;
      if (first === undefined) {
        const read: unknown = JSON.parse(line);
        if (!isObject(read) || read['antler'] !== 'house') break;
        first = read;
      } else {
        const [, table] = /^\{"table":"([^"]+)"/.exec(line) ?? [];
        if (table !== undefined) counts[table] = (counts[table] ?? 0) + 1;
      }
    }
  } catch (error) {
    throw new BadBackup(`${file} cannot be read: it is damaged or no backup (${String(error)}).`);
  }
  if (!first)
    throw new BadBackup(
      `${file} is no backup of a house. What was downloaded as plain lines is for other programs.`,
    );
  if (Number(first['version']) > BACKUP_VERSION)
    throw new BadBackup(`${file} was written by a newer Antler: start that one, or a newer one.`);
  const end: unknown = last?.startsWith('{"end":true') ? JSON.parse(last) : undefined;
  if (!isObject(end) || !isObject(end['counts']))
    throw new BadBackup(`${file} is cut off: its end is missing.`);
  const sha256 = hash.digest('hex');
  if (sha256 !== end['sha256']) throw new BadBackup(`${file} is damaged: its checksum is another.`);
  const said = end['counts'] as Readonly<Record<string, number>>;
  for (const [table, count] of Object.entries(said))
    if ((counts[table] ?? 0) !== count)
      throw new BadBackup(
        `${file} is damaged: ${count} rows of ${table} are said, ${counts[table] ?? 0} are there.`,
      );
  return {
    version: Number(first['version']),
    migration: String(first['migration']),
    app: String(first['app']),
    at: String(first['at']),
    counts: said,
  };
}
