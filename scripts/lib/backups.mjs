import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { spawnAdmin } from './app.mjs';
import { dataFolder } from './project.mjs';

const KEPT = 14;
const NIGHTLY = /^nightly-\d{4}-\d\d-\d\d\.jsonl\.gz$/;

/** Where backups that are made by themselves are kept. */
export function backupFolder() {
  const folder = path.join(dataFolder(), 'backups');
  mkdirSync(folder, { recursive: true });
  return folder;
}

const day = (at) =>
  [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((n) => String(n).padStart(2, '0')).join('-');

/** One backup a day, the last fourteen kept. Resolves to the file that was made, if one was. */
export async function nightly(databaseUrl, at = new Date()) {
  const folder = backupFolder();
  const file = path.join(folder, `nightly-${day(at)}.jsonl.gz`);
  if (existsSync(file)) return undefined;
  await spawnAdmin(databaseUrl, 'backup', file);
  const all = readdirSync(folder)
    .filter((name) => NIGHTLY.test(name))
    .sort();
  for (const old of all.slice(0, -KEPT)) rmSync(path.join(folder, old));
  return file;
}

/** A name for a backup made now, of what it is made before. */
export const backupNow = (why, at = new Date()) =>
  path.join(backupFolder(), `${why}-${at.toISOString().slice(0, 19).replace(/[:T]/g, '-')}.jsonl.gz`);
